import { type Port, carriesPicture, portsOf } from '#core/catalog'
import type { DeviceNode } from '#core/chain'

/** Inputs for pictures that have a number, in its order. */
export const pictureInputs = ({ model }: Pick<DeviceNode, 'model'>): [string, Port][] =>
  portsOf(model, 'in').filter(([, port]) => carriesPicture(port) && port.number !== undefined)

/** The two buses, then the inputs; what was chosen stands first, and nothing is left out or there twice. */
export function tilesOf(node: DeviceNode, said: readonly string[] = []): string[] {
  const all = ['preview', 'program', ...pictureInputs(node).map(([port]) => port)]
  return [...new Set([...said.filter(id => all.includes(id)), ...all])]
}
