import { type Traced, deviceName, tracedOf } from '#core/chain'
import { judgedSinks, isDark, momentsOf, pictureAt, shownIn, waysTo } from '#core/run'
import type { Loss } from './loss'

/** A moment of the running order in which somebody misses something for a loss. */
export interface HitMoment {
  readonly segment: string
  /** "opens", or what its cue is called. */
  readonly title: string
  readonly sinks: readonly {
    readonly name: string
    /** Nothing is seen there; else the sources whose pictures are missing. */
    readonly dark: boolean
    readonly without: readonly string[]
    /** What was to be heard there, and nothing is. */
    readonly silent: boolean
  }[]
}

/**
 * The moments of the show in which audiences and recordings miss a picture, or all sound, when something fails and nobody
 * does anything about it. Empty where the plan has no running order. Linear in moments times sinks.
 */
export function hitMoments(traced: Traced, loss: Loss): { readonly of: number; readonly hit: readonly HitMoment[] } {
  const { plan, scope } = traced
  const moments = momentsOf(traced).filter(({ segment }) => segment !== undefined)
  const left = tracedOf(plan, { ...scope, losses: [...(scope.losses ?? []), loss] })
  // The one thing that fails misses nothing itself; what goes with others is dark.
  const ends = judgedSinks(traced).filter(({ device }) => loss.of !== 'device' || device !== loss.id)
  const loud = new Set(Object.values(plan.wants).flatMap(({ sink, sound }) => (sound ? [sink] : [])))
  const hears = (at: Traced, state: (typeof moments)[number]['state'], end: (typeof ends)[number]) =>
    waysTo(at, state, end, 'most').some(({ open }) => open)
  const hit = moments.flatMap(({ segment, cue, state }): HitMoment[] => {
    const sinks = ends.flatMap(end => {
      const [before, after] = [pictureAt(traced, state, end), pictureAt(left, state, end)]
      const still = new Set(shownIn(after).map(({ device }) => device))
      const without = [...new Set(shownIn(before).map(({ device }) => device))].filter(device => !still.has(device))
      const dark = isDark(after) && !isDark(before)
      const silent = loud.has(end.device) && hears(traced, state, end) && !hears(left, state, end)
      return dark || without.length || silent
        ? [{ name: deviceName(traced, end.device), dark, without: without.map(id => deviceName(traced, id)), silent }]
        : []
    })
    return sinks.length
      ? [
          {
            segment: plan.segments[segment!]!.title,
            title: cue === undefined ? 'opens' : plan.cues[cue]!.title,
            sinks,
          },
        ]
      : []
  })
  return { of: moments.length, hit }
}
