export default defineEventHandler(async event => (await useStore()).listShows(getQuery(event).bin === '1'))
