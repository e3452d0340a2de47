import { listShows } from '../../db/shows'

export default defineEventHandler(async event => listShows(await useDatabase(), getQuery(event).bin === '1'))
