import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { momentsOf, planTake, segmentsOf } from '#core/run'

/** How busy a segment is for whoever works it. */
export interface Pace {
  readonly segment: string
  /** Cues that change something, and all presses for them, the opening included. */
  readonly changes: number
  readonly presses: number
  /** The most presses for one of them, and what it is called. */
  readonly most: number
  readonly mostAt: string | undefined
  /** On average on one picture, minutes; absent while the length is open. */
  readonly meanMinutes: number | undefined
  readonly people: readonly {
    readonly person: string
    readonly presses: number
    readonly perMinute: number | undefined
  }[]
}

/** For each segment what the planned takes ask of hands. A device that nobody is said to work counts for nobody. */
export function paceOf(traced: Traced): Pace[] {
  const { plan } = traced
  const moments = momentsOf(traced)
  return segmentsOf(plan).map(([id, segment]): Pace => {
    const by = new Map<string, number>()
    let [changes, presses, most] = [0, 0, 0]
    // What was there before is the first picture, unless the opening changes it.
    let pictures = 1
    let mostAt: string | undefined
    moments.forEach((moment, i) => {
      const before = moments[i - 1]
      if (moment.segment !== id || !before) return
      const take = planTake(traced, before.state, moment.state)
      if (take.kind === 'nothing') return
      changes++
      if (moment.cue !== undefined) pictures++
      presses += take.presses
      if (take.presses > most) {
        most = take.presses
        mostAt = moment.cue === undefined ? segment.title : own(plan.cues, moment.cue)?.title
      }
      for (const { device, happenings } of take.steps)
        for (const [person, works] of Object.entries(segment.work ?? {}))
          if (works.includes(device)) by.set(person, (by.get(person) ?? 0) + happenings.length)
    })
    const { minutes } = segment
    return {
      segment: id,
      changes,
      presses,
      most,
      mostAt,
      meanMinutes: minutes === undefined ? undefined : minutes / pictures,
      people: [...by].map(([person, count]) => ({
        person: own(plan.people, person)?.name ?? person,
        presses: count,
        perMinute: minutes === undefined ? undefined : count / minutes,
      })),
    }
  })
}
