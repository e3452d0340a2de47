import { openFile } from '#core/document'

export default defineEventHandler(async event => {
  const opened = openFile(await readFileText(event))
  if (!opened.ok) throw refused(opened.problem)
  const id = await (await useStore()).createShow(opened.value)
  setResponseStatus(event, 201)
  return { id }
})
