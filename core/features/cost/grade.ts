import { type Traced, isSwitcher } from '#core/chain'
import { singlePoints } from '../continuity/facts'

/** What a show of some size is held to. */
export interface Held {
  readonly title: string
  readonly there: boolean
  /** The screen on which it is seen to. */
  readonly screen: string
}

export interface Grade {
  readonly people: number
  /** Of three: small, middle, large. */
  readonly size: 0 | 1 | 2
  readonly held: readonly Held[]
}

/** From how many people on, in the room and elsewhere, more is asked: planning figures. */
export const SIZES = [0, 100, 1000] as const

/**
 * What the number of those who watch asks for: the more there are, the less may hang on one thing. Undefined until the
 * brief says how many there are. As costly as to lose each thing once.
 */
export function gradeOf(traced: Traced): Grade | undefined {
  const { plan, chain } = traced
  const { audience, viewers, spareInputs = 0, secondWay, testStream } = plan.brief
  if (audience === undefined && viewers === undefined) return undefined
  const people = (audience ?? 0) + (viewers ?? 0)
  const size = SIZES.findLastIndex(from => people >= from) as Grade['size']
  const kinds = Object.values(plan.wants).map(({ sink }) => chain.nodes.get(sink)!)
  const encoders = kinds.filter(({ model }) => model.kind === 'encoder' || model.kind === 'capture').length
  const records = kinds.some(node => node.model.kind === 'recorder' || isSwitcher(node))
  const streams = encoders > 0
  const points = size < 2 ? 0 : singlePoints({ traced }).filter(({ program }) => program > 0).length
  const held: (Held & { from: number })[] = [
    { from: 0, title: 'a recording of the program', there: records, screen: 'brief' },
    { from: 1, title: 'an input spare for what fails or comes late', there: spareInputs > 0, screen: 'brief' },
    {
      from: 1,
      title: 'a test of the stream before the show',
      there: !streams || testStream !== undefined,
      screen: 'brief',
    },
    {
      from: 1,
      title: 'a second line out of the house',
      there: !streams || Object.keys(plan.uplinks).length > 1,
      screen: 'line',
    },
    {
      from: 2,
      title: 'a second way, or a spare, for all that carries program',
      there: secondWay === true,
      screen: 'brief',
    },
    { from: 2, title: 'nothing by whose loss alone program is dark', there: points === 0, screen: 'whatif' },
    { from: 2, title: 'a second encoder', there: !streams || encoders > 1, screen: 'line' },
  ]
  return { people, size, held: held.filter(({ from }) => from <= size).map(({ from: _, ...one }) => one) }
}
