import type { DeviceNode, Traced } from '#core/chain'

/** Encoders that somebody is to see the show through. */
export const encodersOf = ({ chain, plan }: Traced): DeviceNode[] =>
  [...chain.nodes.values()].filter(
    ({ id, model }) => model.kind === 'encoder' && Object.values(plan.wants).some(({ sink }) => sink === id),
  )
