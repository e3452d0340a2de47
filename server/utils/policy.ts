import { createHash } from 'node:crypto'

/** What a page may load: nothing from elsewhere; of scripts in the page itself those alone whose text is known. */
export const policyFor = (hashes: readonly string[]): string =>
  [
    "default-src 'self'",
    // The solver is compiled machine code.
    `script-src 'self' 'wasm-unsafe-eval'${hashes.map(hash => ` '${hash}'`).join('')}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "base-uri 'self'",
    "form-action 'self'",
  ].join('; ')

/** The hashes of the scripts that stand in a page; blocks of data are no scripts. */
export function scriptHashes(html: string): string[] {
  return [...html.matchAll(/<script(?<attributes>[^>]*)>(?<text>[\s\S]*?)<\/script>/g)].flatMap(({ groups }) => {
    const { attributes, text } = groups as { attributes: string; text: string }
    const runs = !/\ssrc=/.test(attributes) && !/type="application\/(json|ld\+json)"/.test(attributes)
    return runs && text ? [`sha256-${createHash('sha256').update(text).digest('base64')}`] : []
  })
}
