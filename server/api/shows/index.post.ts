import { emptyShow } from '#core/document'

export default defineEventHandler(async event => {
  const { title } = await readEnvelope(event, titled)
  const id = await (await useStore()).createShow(emptyShow(title))
  setResponseStatus(event, 201)
  return { id }
})
