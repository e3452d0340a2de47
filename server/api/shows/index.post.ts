import { emptyShow } from '#core/document'
import { createShow } from '../../db/shows'

export default defineEventHandler(async event => {
  const { title } = await readEnvelope(event, titled)
  const id = await createShow(await useDatabase(), emptyShow(title))
  setResponseStatus(event, 201)
  return { id }
})
