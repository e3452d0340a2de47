import type { CollectionDefinition, Misfit } from '#core/kernel'
import { COLLECTIONS, DEFINITIONS } from './collections'
import { formatMisfit } from './formats'
import type { Plan } from './plan'
import { misfit, type Problem, show } from './problem'

type Refusal = { readonly ok: false; readonly problem: Problem } | undefined

/**
 * Checks what the shape cannot say: that every hard reference has its referent, that containment is not circular, and
 * that formats and models hold together. Returns the first problem. Linear in the size of the plan.
 */
export function checkReferences(plan: Plan, base: string): Refusal {
  const problem = firstMisfit(plan, base)
  return problem && { ok: false, problem }
}

function firstMisfit(plan: Plan, base: string): Misfit | undefined {
  for (const name of COLLECTIONS) {
    const definition = DEFINITIONS[name] as CollectionDefinition<unknown, Plan>
    const bad = definition.misfit?.(plan[name], `${base}/${name}`, plan)
    if (bad) return bad
  }
  const { date, standard } = plan.brief
  return dayMisfit(date, `${base}/brief/date`) ?? (standard && formatMisfit(standard, `${base}/brief/standard`))
}

function dayMisfit(date: string | undefined, path: string): Misfit | undefined {
  if (date === undefined) return undefined
  const [year, month, day] = date.split('-').map(Number) as [number, number, number]
  // Day 0 of the next month is the last of this one.
  return day <= new Date(Date.UTC(year, month, 0)).getUTCDate()
    ? undefined
    : misfit(path, show(date), 'a day that the calendar has, such as 2027-03-14')
}
