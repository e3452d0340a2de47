import { canonicalText, slug } from '#core/document'

export default defineEventHandler(async event => {
  const file = await (await useStore()).exportShow(idParam(event, 'show'))
  if (!file) throw noShow()
  setResponseHeaders(event, {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': `attachment; filename="${slug(file.show.title)}.interlumen.json"`,
  })
  return canonicalText(file)
})
