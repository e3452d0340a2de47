import { openFile } from '#core/document'
import { createShow } from '../../db/shows'

export default defineEventHandler(async event => {
  const opened = openFile(await readFileText(event))
  if (!opened.ok) throw refused(opened.problem)
  const id = await createShow(await useDatabase(), opened.value)
  setResponseStatus(event, 201)
  return { id }
})
