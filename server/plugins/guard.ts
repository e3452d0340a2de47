import type { H3Event } from 'h3'
import { codeBrought, refusalOf } from '../utils/door'
import { policyFor, scriptHashes } from '../utils/policy'

// Before everything else, files of the page included.
export default defineNitroPlugin(nitro => {
  nitro.hooks.hook('request', (event: H3Event) => {
    setResponseHeaders(event, {
      'content-security-policy': policyFor([]),
      'x-content-type-options': 'nosniff',
      'referrer-policy': 'same-origin',
      'x-frame-options': 'DENY',
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-resource-policy': 'same-origin',
    })
    const why = refusalOf(event)
    if (why === undefined || codeBrought(event)) return
    // Files are served before any middleware is asked, and only to those that get them: the refusal is said there.
    event.context.refusal = why
    event._method = 'POST'
  })
  nitro.hooks.hook('render:response', (response, { event }) => {
    if (typeof response.body === 'string')
      setResponseHeader(event, 'content-security-policy', policyFor(scriptHashes(response.body)))
  })
})
