import type { Plan } from '#core/document'
import { minutesOfDay, own } from '#core/document'
import type { Job } from './collection'

/** A job in its place: minutes from the first of its kind on. */
export interface Placed {
  readonly id: string
  readonly job: Job
  /** Earliest, and the latest that delays nothing. */
  readonly from: number
  readonly latest: number
  readonly to: number
  /** It lies on the longest path: each minute more is a minute more in all. */
  readonly longest: boolean
  /** It waits for itself: what it waits for is left out. */
  readonly rings: boolean
}

export interface Stretch {
  readonly jobs: readonly Placed[]
  /** From the first to the last, minutes, if hands are there for all that can be done at once. */
  readonly minutes: number
  /** The same by one pair of hands. */
  readonly handMinutes: number
  /** People who would do two things at once at that speed. */
  readonly torn: readonly { readonly person: string; readonly jobs: readonly [string, string] }[]
  /** Jobs that nobody was given. */
  readonly loose: readonly string[]
}

export interface Work {
  readonly build: Stretch
  readonly strike: Stretch
  /** Minutes from access to the rehearsal, else to the doors, else to the start; absent until the brief says both. */
  readonly thereMinutes: number | undefined
}

const EMPTY: Readonly<Record<string, true>> = {}

function stretchOf(plan: Plan, when: Job['when']): Stretch {
  const jobs = Object.entries(plan.jobs)
    .filter(([, job]) => job.when === when)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
  const ids = new Set(jobs.map(([id]) => id))
  const before = new Map(jobs.map(([id, { after = EMPTY }]) => [id, Object.keys(after).filter(one => ids.has(one))]))
  const minutesOf = (id: string): number => plan.jobs[id]!.minutes
  // What all that it waits for is done for is placed; what is left in the end waits for itself.
  const end = new Map<string, number>()
  for (let left = jobs.length, was = -1; left !== was;) {
    was = left
    for (const [id] of jobs) {
      const mine = before.get(id)!
      if (end.has(id) || !mine.every(one => end.has(one))) continue
      end.set(id, Math.max(0, ...mine.map(one => end.get(one)!)) + minutesOf(id))
      left -= 1
    }
  }
  const rings = new Set(jobs.flatMap(([id]) => (end.has(id) ? [] : [id])))
  for (const id of rings) end.set(id, minutesOf(id))
  const minutes = Math.max(0, ...end.values())
  const next = new Map<string, string[]>()
  for (const [id, mine] of before)
    if (!rings.has(id)) for (const one of mine) next.set(one, [...(next.get(one) ?? []), id])
  const latestEnd = new Map<string, number>()
  for (const [id] of [...jobs].sort(([a], [b]) => end.get(b)! - end.get(a)!))
    latestEnd.set(
      id,
      Math.min(minutes, ...(next.get(id) ?? []).map(one => (latestEnd.get(one) ?? minutes) - minutesOf(one))),
    )
  const placed = jobs.map(([id, job]): Placed => {
    const from = end.get(id)! - job.minutes
    const latest = latestEnd.get(id)! - job.minutes
    return { id, job, from, latest, to: end.get(id)!, longest: !rings.has(id) && latest === from, rings: rings.has(id) }
  })
  return {
    jobs: placed,
    minutes,
    handMinutes: jobs.reduce((sum, [, job]) => sum + job.minutes, 0),
    torn: tornIn(plan, placed),
    loose: placed.flatMap(({ id, job }) =>
      Object.keys(job.people ?? EMPTY).some(person => own(plan.people, person)) ? [] : [id],
    ),
  }
}

/** The first two jobs of each person that lie over each other, each at its earliest. */
function tornIn(plan: Plan, placed: readonly Placed[]): Stretch['torn'] {
  return Object.keys(plan.people).flatMap(person => {
    const mine = placed.filter(({ job }) => own(job.people ?? EMPTY, person)).sort((a, b) => a.from - b.from)
    for (const [i, one] of mine.entries())
      for (const other of mine.slice(i + 1))
        if (other.from < one.to) return [{ person, jobs: [one.id, other.id] as const }]
    return []
  })
}

/** The work before and after the show: the longest path through it, by what waits for what. Quadratic in jobs at the worst. */
export function workOf(plan: Plan): Work {
  const { access, rehearsal, doors, start } = plan.brief
  const ready = rehearsal ?? doors ?? start
  return {
    build: stretchOf(plan, 'build'),
    strike: stretchOf(plan, 'strike'),
    thereMinutes:
      access === undefined || ready === undefined
        ? undefined
        : (minutesOfDay(ready) - minutesOfDay(access) + 1440) % 1440,
  }
}
