import { binShow } from '../../../db/shows'

export default defineEventHandler(async event => {
  if (!(await binShow(await useDatabase(), idParam(event, 'show')))) throw noShow()
  return { binned: true }
})
