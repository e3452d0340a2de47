import { isCamera, mixOf } from '#core/catalog'
import type { Traced } from '#core/chain'
import type { Scene } from './scene'

/** How the test picture of each source of a plan is drawn, by its id; of switchers, their own graphics. */
export function scenesOf({ chain }: Pick<Traced, 'chain'>): Record<string, Scene> {
  const sources = [...chain.nodes.values()]
    .filter(({ model }) => model.role === 'source' || (mixOf(model)?.stills ?? 0) > 0)
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
  return Object.fromEntries(
    sources.map(({ id, device, model }, index): [string, Scene] => [
      id,
      {
        name: device.name,
        kind: isCamera(model) || device.shot ? 'camera' : model.kind === 'player' ? 'player' : 'computer',
        index,
        ...(device.shot ? { shot: device.shot } : {}),
      },
    ]),
  )
}
