import { canonicalText, slug } from '#core/document'
import { exportShow } from '../../../db/shows'

export default defineEventHandler(async event => {
  const file = await exportShow(await useDatabase(), idParam(event, 'show'))
  if (!file) throw noShow()
  setResponseHeaders(event, {
    'content-type': 'application/json; charset=utf-8',
    'content-disposition': `attachment; filename="${slug(file.show.title)}.interlumen.json"`,
  })
  return canonicalText(file)
})
