export default defineEventHandler(async event => {
  const found = await (await useStore()).journalAfter(idParam(event, 'show'), idParam(event, 'plan'), afterQuery(event))
  if (!found) throw noPlan()
  return found
})
