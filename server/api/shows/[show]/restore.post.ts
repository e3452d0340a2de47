import { restoreShow } from '../../../db/shows'

export default defineEventHandler(async event => {
  if (!(await restoreShow(await useDatabase(), idParam(event, 'show')))) throw noShow()
  return { restored: true }
})
