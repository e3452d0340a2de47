import { slug } from '#core/document'

export default defineEventHandler(async event => {
  const file = await (await useStore()).exportText(idParam(event, 'show'))
  if (!file) throw noShow()
  setResponseHeaders(event, {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': `attachment; filename="${slug(file.title)}.interlumen.json"`,
  })
  return file.text
})
