import { createShow, exportShow } from '../../../db/shows'

export default defineEventHandler(async event => {
  const db = await useDatabase()
  const file = await exportShow(db, idParam(event, 'show'))
  if (!file) throw noShow()
  const id = await createShow(db, { ...file, show: { title: `${file.show.title.slice(0, 113)}, copy` } })
  setResponseStatus(event, 201)
  return { id }
})
