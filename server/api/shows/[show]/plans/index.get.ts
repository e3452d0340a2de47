import { listPlans } from '../../../../db/shows'

export default defineEventHandler(async event => {
  const found = await listPlans(await useDatabase(), idParam(event, 'show'))
  if (!found) throw noShow()
  return found
})
