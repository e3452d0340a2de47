export default defineEventHandler(async event => {
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const { client } = getQuery(event)
  const own = typeof client === 'string' && /^[a-z0-9-]{4,40}$/.test(client) ? client : undefined
  const store = await useStore()
  const found = await store.openPlan(show, plan, own)
  if (!found) throw noPlan()
  return { ...found, epoch: store.epoch }
})
