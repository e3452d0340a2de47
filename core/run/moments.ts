import type { Traced } from '#core/chain'
import { type Cue, type Plan, type Segment, own } from '#core/document'
import { fact } from '#core/kernel'
import { Rehearsal } from './rehearsal'
import { type ShowState, stateBefore, taken, takenBack } from './state'

/** A state in which the chain rests for a while, and what led to it. */
export interface Moment {
  /** The segment; absent in a plan without any. */
  readonly segment?: string
  /** The cue that led there; absent at the opening of the segment. */
  readonly cue?: string
  /** The look that was taken; absent where nothing was. */
  readonly look?: string
  readonly state: ShowState
}

export const segmentsOf = ({ segments }: Pick<Plan, 'segments'>): [string, Segment][] =>
  Object.entries(segments).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))

export const cuesOf = ({ cues }: Pick<Plan, 'cues'>, segment: string): [string, Cue][] =>
  Object.entries(cues)
    .filter(([, cue]) => cue.segment === segment)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))

/** What a macro comes to rest in. */
function fired(traced: Traced, state: ShowState, macro: string): ShowState {
  const run = new Rehearsal(traced, state, { phase: () => 0, delay: () => 0 })
  run.happen([{ tick: 0, device: traced.plan.macros[macro]!.at, macro }])
  return run.settled()
}

/** Each state in the order of the show: the opening of each segment, then what its cues do. */
const momentsFact = fact<Traced, readonly Moment[]>('moments', traced => {
  const { plan } = traced
  let state = stateBefore(traced)
  const found: Moment[] = []
  const segments = segmentsOf(plan)
  if (segments.length === 0) return [{ state }]
  const undone = new Map<string, { look: string; before: ShowState }>()
  for (const [segment, { opens }] of segments) {
    const opening = opens === undefined ? undefined : own(plan.looks, opens)
    if (opening) state = taken(state, opening)
    found.push({ segment, ...(opening ? { look: opens } : {}), state })
    for (const [cue, { look, back, macro }] of cuesOf(plan, segment)) {
      const next = look === undefined ? undefined : own(plan.looks, look)
      const was = look === undefined && back !== undefined ? undone.get(back) : undefined
      if (next) {
        undone.set(cue, { look: look!, before: state })
        state = taken(state, next)
        found.push({ segment, cue, look: look!, state })
      } else if (was) {
        state = takenBack(state, plan.looks[was.look]!, was.before)
        found.push({ segment, cue, state })
      }
      if (own(plan.macros, macro)) {
        state = fired(traced, state, macro!)
        found.push({ segment, cue, state })
      }
    }
  }
  return found
})

/** The states of the show, or of the segment that is looked at. */
export function momentsOf(traced: Traced): readonly Moment[] {
  const segment = traced.scoped('segment')
  const all = traced.ask(momentsFact)
  return segment === undefined ? all : all.filter(moment => moment.segment === segment)
}
