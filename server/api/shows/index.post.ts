import { object, string } from 'yup'
import { emptyShow } from '#core/plan'
import { createShow } from '../../db/shows'

const envelope = object({ title: string().trim().required('a title').max(120, 'a title of at most 120 characters').matches(/^[^\u0000-\u001f\u007f]+$/, 'text without control characters') })

export default defineEventHandler(async (event) => {
  const { title } = await readEnvelope(event, envelope)
  const id = await createShow(await useDatabase(), emptyShow(title))
  setResponseStatus(event, 201)
  return { id }
})
