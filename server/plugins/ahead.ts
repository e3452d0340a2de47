import { readFileSync } from 'node:fs'
import { type Ahead, headAhead } from '#shared/ahead'
import { besideEntry } from '../store/pglite/open'

// The page of a plan asks for worker, plan and screen at once, and not one after the other.
export default defineNitroPlugin(nitro => {
  const file = besideEntry('ahead.json')
  // A server that is being worked on has no build to name.
  if (file === undefined) return
  const ahead = JSON.parse(readFileSync(file, 'utf8')) as Ahead
  nitro.hooks.hook('render:html', (html, { event }) => {
    html.head.unshift(headAhead(event.path.split('?')[0]!, ahead))
  })
})
