import type { Traced } from '#core/chain'
import type { Found } from '#core/kernel'

/** True for what is found about a source that the segment does not use. */
export function idle({ runs, chain, segment }: Traced, { run, at }: Found): boolean {
  const device = runs.find(({ id }) => id === run)?.origin?.device ?? (at.on === 'device' ? at.device : undefined)
  return (
    segment?.sources !== undefined &&
    device !== undefined &&
    chain.nodes.get(device)?.model.role === 'source' &&
    !segment.sources.includes(device)
  )
}
