import type { Traced } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure, listWords } from '#core/words'
import { circuitsFact, type CircuitLoad } from '../circuits'

/** Three tenths of the 30 mA at which a protection trips; standing leakage above it trips with the first surge. */
export const MOST_LEAK_MA = 9

interface Protection {
  readonly title: string
  /** The one with the most leakage first. */
  readonly circuits: readonly CircuitLoad[]
  readonly leakMa: number
}

function leaking(traced: Traced): Protection[] {
  const groups = new Map<string, CircuitLoad[]>()
  for (const circuit of traced.ask(circuitsFact).circuits)
    if (circuit.residual !== undefined) groups.set(circuit.residual, [...(groups.get(circuit.residual) ?? []), circuit])
  return [...groups].flatMap(([title, circuits]) => {
    const leakMa = circuits.reduce((sum, circuit) => sum + circuit.leakMa, 0)
    return leakMa > MOST_LEAK_MA
      ? [{ title, circuits: [...circuits].sort((a, b) => b.leakMa - a.leakMa || a.order - b.order), leakMa }]
      : []
  })
}

const ma = (value: number): string => `${figure(value)}\u00A0mA`

export const leaks = rule({
  code: 'P12',
  about: 'What hangs behind one residual-current protection leaks more to earth than it bears.',
  messages: {
    above: {
      severity: 'R',
      says: 'What hangs behind {protection} ({circuits}) leaks about {leak} to earth: above {most} of its 30\u00A0mA it trips with the first surge, and takes all of it along. Have licensed people do mains work.',
    },
  },
  find: (traced, say) =>
    leaking(traced).map(({ title, circuits, leakMa }) =>
      say(
        'above',
        { on: 'circuit', circuit: circuits[0]!.id },
        {
          protection: text(title),
          circuits: text(listWords(circuits.map(circuit => circuit.title))),
          leak: text(ma(leakMa)),
          most: text(ma(MOST_LEAK_MA)),
        },
      ),
    ),
  remedies: (traced, { at }) => {
    const one = leaking(traced).find(({ circuits }) => at.on === 'circuit' && circuits[0]!.id === at.circuit)
    return one ? [...parted(traced, one), ...moved(traced, one)] : []
  },
})

const freeTitle = (traced: Traced, title: string): string => {
  const taken = new Set(traced.ask(circuitsFact).circuits.map(({ residual }) => residual))
  for (let n = 2; ; n++) if (!taken.has(`${title} ${n}`)) return `${title} ${n}`
}

/** A circuit of its own protection: one whose leaving brings both under what they bear. */
function parted(traced: Traced, { title, circuits, leakMa }: Protection): Proposal[] {
  const other = freeTitle(traced, title)
  return circuits.flatMap((circuit): Proposal[] => {
    if (circuits.length < 2 || circuit.leakMa > MOST_LEAK_MA || leakMa - circuit.leakMa > MOST_LEAK_MA) return []
    const draft = new Draft(traced.plan)
    draft.set(['circuits', circuit.id, 'residual'], other)
    return [{ title: `Put ${circuit.title} behind a protection of its own`.slice(0, 120), edits: draft.edits }]
  })
}

/** The fewest devices of the worst circuit that bring it under what it bears, to a circuit behind another protection. */
function moved(traced: Traced, { title, circuits, leakMa }: Protection): Proposal[] {
  const [worst] = circuits
  const { plan } = traced
  const direct = new Set(Object.keys(plan.circuits[worst!.id]!.loads ?? {}))
  const away: string[] = []
  let left = leakMa
  for (const { device, leakMa: mine } of [...worst!.loads].sort((a, b) => b.leakMa - a.leakMa)) {
    if (left <= MOST_LEAK_MA || !direct.has(device)) continue
    away.push(device)
    left -= mine
  }
  if (left > MOST_LEAK_MA || leakMa - left > MOST_LEAK_MA) return []
  const draft = new Draft(plan)
  for (const device of away) draft.set(['circuits', worst!.id, 'loads', device])
  draft.add('circuits', 'another circuit', {
    title: 'Another circuit',
    order: 1 + Math.max(...Object.values(plan.circuits).map(({ order }) => order)),
    amps: worst!.ratedA,
    residual: freeTitle(traced, title),
    loads: Object.fromEntries(away.map(device => [device, true as const])),
  })
  return [
    {
      title: `Plug ${away.length === 1 ? plan.devices[away[0]!]!.name : `${away.length} devices`} into a circuit behind another protection`,
      edits: draft.edits,
    },
  ]
}
