import { type Plan, type Segment, own } from '#core/document'
import { type Scope, View, fact } from '#core/kernel'
import { astray, stranded } from './cascade'
import { withoutLost } from './loss'
import { type Chain, resolve } from './resolve'
import { type Picture, type Run, picturesOf, runsOf } from './runs'
import { type SoundTrace, traceSound } from './sound'
import { type Trace, trace } from './trace'

const chainFact = fact<Traced, Chain>('chain', view => resolve(withoutLost(view.plan, view.scoped('losses') ?? [])))
const traceFact = fact<Traced, Trace>('trace', ({ chain }) => trace(chain))
const runsFact = fact<Traced, readonly Run[]>('runs', ({ chain, trace }) => runsOf(chain, trace))
const picturesFact = fact<Traced, readonly Picture[]>('pictures', view => {
  const lost = new Set(astray(view).map(({ id }) => id))
  return [
    ...picturesOf(view.chain, view.plan.wants, view.runs, view.segment).map(picture =>
      picture.of === 'run' && lost.has(picture.run.id) ? { ...picture, lit: false } : picture,
    ),
    ...stranded(view).map(({ id }): Picture => ({ of: 'feeder', device: id, lit: false })),
  ]
})
const soundFact = fact<Traced, SoundTrace>('sound', ({ chain, trace }) => traceSound(chain, trace))

/** A plan, whole or one segment of it, with or without what is lost, as everything looks at it. */
export class Traced extends View<Plan> {
  get segment(): Segment | undefined {
    const id = this.scoped('segment')
    return id === undefined ? undefined : own(this.plan.segments, id)
  }

  get chain(): Chain {
    return this.ask(chainFact)
  }

  get trace(): Trace {
    return this.ask(traceFact)
  }

  get runs(): readonly Run[] {
    return this.ask(runsFact)
  }

  /** What the plan, or the segment, counts on. */
  get pictures(): readonly Picture[] {
    return this.ask(picturesFact)
  }

  get sound(): SoundTrace {
    return this.ask(soundFact)
  }
}

/** Everything that follows from a plan is worked out when it is asked for. */
export const tracedOf = (plan: Plan, scope: Scope = {}): Traced => new Traced(plan, scope)
