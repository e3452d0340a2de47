import { lastSeq, lastSnapshot, readJournal, readPlan } from '../../../../../db/shows'

/** How many of a client's own transactions come back for undo. */
const UNDO_DEPTH = 200

export default defineEventHandler(async event => {
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const { client } = getQuery(event)
  const own = typeof client === 'string' && /^[a-z0-9-]{4,40}$/.test(client) ? client : undefined
  return (await useDatabase()).transaction(async tx => {
    const state = await readPlan(tx, show, plan)
    if (!state) throw noPlan()
    return {
      ...state,
      mine: own
        ? await readJournal(tx, show, plan, await lastSnapshot(tx, show, plan), { client: own, last: UNDO_DEPTH })
        : [],
      lastSeq: own ? await lastSeq(tx, show, plan, own) : 0,
    }
  })
})
