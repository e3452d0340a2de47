import { object, string } from 'yup'
import { renameShow } from '../../../db/shows'

const envelope = object({ title: string().trim().required('a title').max(120, 'a title of at most 120 characters').matches(/^[^\u0000-\u001f\u007f]+$/, 'text without control characters') })

export default defineEventHandler(async (event) => {
  const { title } = await readEnvelope(event, envelope)
  if (!await renameShow(await useDatabase(), idParam(event, 'show'), title)) throw noShow()
  return { title }
})
