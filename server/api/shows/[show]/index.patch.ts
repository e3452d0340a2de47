import { renameShow } from '../../../db/shows'

export default defineEventHandler(async event => {
  const { title } = await readEnvelope(event, titled)
  if (!(await renameShow(await useDatabase(), idParam(event, 'show'), title))) throw noShow()
  return { title }
})
