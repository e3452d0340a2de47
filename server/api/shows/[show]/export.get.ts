import { slug } from '#core/document'
import { packArchive } from '#shared/archive'
import { picturesNamed } from '../../../store/safe/pictures'

/** The open file of a show; with pictures, an archive of it and of those. */
export default defineEventHandler(async event => {
  const store = await useStore()
  const file = await store.exportText(idParam(event, 'show'))
  if (!file) throw noShow()
  const pictures = new Map(
    picturesNamed(file.text).flatMap(hash => {
      const bytes = store.picture(hash)
      return bytes ? [[hash, bytes] as const] : []
    }),
  )
  const kind = pictures.size ? ['application/zip', 'zip'] : ['application/json; charset=utf-8', 'json']
  setResponseHeaders(event, {
    'content-type': kind[0]!,
    'content-disposition': `attachment; filename="${slug(file.title)}.interlumen.${kind[1]}"`,
  })
  return pictures.size ? Buffer.from(packArchive(file.text, pictures)) : file.text
})
