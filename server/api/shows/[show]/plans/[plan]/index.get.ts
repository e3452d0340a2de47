/** A page that waits longer for the verdict works it out sooner itself. */
const VERDICT_MS = 250

export default defineEventHandler(async event => {
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const { client, judged: wanted } = getQuery(event)
  const own = typeof client === 'string' && /^[a-z0-9-]{4,40}$/.test(client) ? client : undefined
  const store = await useStore()
  const found = await store.openPlan(show, plan, own)
  if (!found) throw noPlan()
  const judged = wanted === undefined ? undefined : await store.judged(found, VERDICT_MS)
  return { ...found, epoch: store.epoch, ...(judged && { judged }) }
})
