/** A picture by the hash of its bytes: what a hash names never changes. */
export default defineEventHandler(async event => {
  const bytes = (await useStore()).picture(getRouterParam(event, 'hash') ?? '')
  if (!bytes) throw fail(404, 'There is no such picture.')
  setResponseHeaders(event, {
    'content-type': 'image/png',
    'cache-control': 'private, max-age=31536000, immutable',
    'content-disposition': 'inline',
  })
  return Buffer.from(bytes)
})
