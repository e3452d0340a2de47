import { MAIN } from '../../../../../store/port'

export default defineEventHandler(async event => {
  const plan = idParam(event, 'plan')
  if (plan === MAIN)
    throw refused({ path: '/plan', found: MAIN, allowed: 'any other plan: a show keeps the one that it began with' })
  if (!(await (await useStore()).removePlan(idParam(event, 'show'), plan))) throw noPlan()
  return { id: plan }
})
