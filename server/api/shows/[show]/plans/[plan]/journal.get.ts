import { readJournal, readPlan } from '../../../../../db/shows'

export default defineEventHandler(async event => {
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const after = Number(getQuery(event).after ?? 0)
  if (!Number.isInteger(after) || after < 0)
    throw refused({
      path: '/after',
      found: String(getQuery(event).after),
      allowed: 'a revision: a whole number from 0',
    })
  return (await useDatabase()).transaction(async tx => {
    const state = await readPlan(tx, show, plan)
    if (!state) throw noPlan()
    return { revision: state.revision, entries: await readJournal(tx, show, plan, after) }
  })
})
