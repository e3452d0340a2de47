import type { DeviceNode, Socket, Traced, WireTrace } from '#core/chain'
import { isSwitcher } from '#core/chain'
import { fact } from '#core/kernel'

const quietFact = fact<Traced, readonly WireTrace[]>('microphone level', ({ trace }) => {
  const arriving = [...trace.wires.values()].filter(({ beside, arrives }) => beside === 'sound' && arrives)
  const into = (device: string) => arriving.filter(({ wire }) => wire.to!.node.id === device)
  const lifts = ({ model }: DeviceNode) => model.kind === 'desk' || model.amplifies === true
  // A box without amplifier hands on what enters it.
  const weak = ({ node, portId, port }: Socket, seen: ReadonlySet<string> = new Set()): boolean => {
    if (port?.soundLevel === 'microphone') return true
    if (lifts(node) || isSwitcher(node) || seen.has(node.id)) return false
    const before = node.model.paths.filter(({ to }) => to.includes(portId)).flatMap(({ from }) => from)
    return into(node.id).some(
      ({ wire }) => before.includes(wire.to!.portId) && weak(wire.from!, new Set([...seen, node.id])),
    )
  }
  return arriving.filter(({ wire }) => wire.to!.port!.soundLevel === 'line' && weak(wire.from!))
})

/** Sound leads by which a microphone that nothing has amplified enters an input for line level. */
export const quietLinks = (traced: Traced): readonly WireTrace[] => traced.ask(quietFact)

/** How early (negative: late) sound may be, ms: EBU R 37; acceptability of ITU-R BT.1359-1. */
export const WINDOWS = {
  r37: { lo: -60, hi: 40, title: 'EBU R\u00A037' },
  bt1359: { lo: -185, hi: 90, title: 'ITU-R BT.1359-1' },
} as const

/** Sound in air, ms a metre, at 20 degrees. */
export const AIR_MS_PER_M = 2.9

export const windowOf = ({ plan }: Pick<Traced, 'plan'>): (typeof WINDOWS)[keyof typeof WINDOWS] =>
  WINDOWS[plan.brief.syncWindow ?? 'r37']
