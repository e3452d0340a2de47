export default defineEventHandler(async event => {
  const store = await useStore()
  const found = await store.journalAfter(idParam(event, 'show'), idParam(event, 'plan'), afterQuery(event))
  if (!found) throw noPlan()
  return { ...found, epoch: store.epoch }
})
