import type { Traced } from '#core/chain'
import { fact } from '#core/kernel'
import type { Checked } from '#core/propose'
import { lossesOf, pointsOf, whatIf, type SinglePoint } from './loss'

const singlePointsFact = fact<Traced, readonly SinglePoint[]>('single points', traced =>
  pointsOf(
    lossesOf(traced.plan)
      .filter(({ of }) => of === 'device' || of === 'link')
      .map(loss => whatIf({ traced }, loss)),
  ),
)

/** Every single thing whose failure darkens a sink. Quadratic in hops: each thing is taken away and what is left is traced. */
export const singlePoints = ({ traced }: Pick<Checked, 'traced'>): readonly SinglePoint[] =>
  traced.ask(singlePointsFact)
