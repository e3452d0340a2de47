import { type DeviceNode, type Traced, isSwitcher } from '#core/chain'
import type { Laid } from './laid'

/** A screen of a hall, of which somebody said how high its picture is and how far away the last row sits, m. */
export interface Hall {
  readonly name: string
  readonly heightM: number
  readonly lastM: number
}

/** A capital letter is read from 200 times its height. */
export const READ_FROM = 200

/** Screens of a hall that get the program of the switcher that lays an overlay, also through others; in their order. */
export function hallsOf({ runs, chain }: Traced, { node }: Pick<Laid, 'node'>): Hall[] {
  const found = new Set<DeviceNode>()
  const reached = new Set(node ? [node.id] : [])
  // What is added while this runs is gone through too.
  for (const at of reached)
    for (const { lit, beside, end, origin, links } of runs) {
      if (!lit || beside || !end || origin?.device !== at || links[0]?.signal?.feed !== 'program') continue
      const to = chain.nodes.get(end.device)!
      if (isSwitcher(to)) reached.add(to.id)
      else if (to.device.viewed) found.add(to)
    }
  return [...found]
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map(({ device }) => ({ name: device.name, ...device.viewed! }))
}

/** Letters of a share of the picture's height are read from its last row. */
export const isRead = (letters: number, { heightM, lastM }: Hall): boolean =>
  letters * heightM * READ_FROM >= lastM - 1e-9
