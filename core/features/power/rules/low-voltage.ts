import { MODELS, bodyOf, hasSockets, inletOf, largestDrawOf } from '#core/catalog'
import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { circuitOf, hangingOn } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure, listWords } from '#core/words'
import { deviceAt, poweredAt } from '../anchors'
import { SOCKET_WORDS, type Socket } from '../collection'
import { COPPER, type MainsFed, SECTIONS, leadDropV, mainsFed, misfits, stripMostW } from '../mains'
import { addStrip, moveTo } from '../relieve'

/** The mains of the house are not what the device takes. */
const isForeign = ({ range, houseV }: MainsFed): boolean => houseV < range.minV || houseV > range.maxV
const isStarved = ({ range, houseV, thereV }: MainsFed): boolean => houseV >= range.minV && thereV < range.minV

interface Fed {
  readonly node: DeviceNode
  readonly dc: NonNullable<DeviceNode['device']['dc']>
  readonly range: { readonly minV: number; readonly maxV: number }
}

/** What is left at the device: V less 2 L x 0.0178 / A x I, with I of its largest draw at the supply's voltage. */
export const voltsThere = (volts: number, m: number, mm2: number, watts: number): number =>
  volts - ((2 * m * COPPER) / mm2) * (watts / volts)

const drawOf = ({ model }: DeviceNode): number => largestDrawOf(model)

function fedLow(traced: Traced): Fed[] {
  return [...traced.chain.nodes.values()].flatMap((node): Fed[] => {
    const range = bodyOf(node.model).dc
    return node.device.dc && range ? [{ node, dc: node.device.dc, range }] : []
  })
}
const isWrong = ({ dc, range }: Fed): boolean => dc.volts < range.minV || dc.volts > range.maxV
const left = ({ node, dc }: Fed): number => voltsThere(dc.volts, dc.m, dc.mm2, drawOf(node))
const isBad = (fed: Fed): boolean => isWrong(fed) || left(fed) < fed.range.minV

export const lowVoltage = rule({
  code: 'P11',
  about: 'A supply is the wrong one, its plug does not fit, or its lead takes too much of it.',
  messages: {
    mains: {
      severity: 'D',
      says: '{device} takes mains of {least} to {most}, and the house has {volts}: it stays dark or breaks.',
    },
    starved: {
      severity: 'R',
      says: 'Of the {volts} of the house {there} are left for {device} behind the leads of {strips} with everything at its largest draw, and it needs {least}.',
    },
    plug: {
      severity: 'D',
      apart: true,
      says: '{what} has {plug}, and {circuit} has {socket}: it does not go in.',
    },
    wrong: {
      severity: 'D',
      says: '{device} works on {least} to {most}, and its supply gives {volts}: it stays dark or breaks.',
    },
    drop: {
      severity: 'R',
      says: 'Of the {volts} for {device} {there} are left behind {lead} at its largest draw, and it needs {least}: it switches off when it works hardest.',
    },
  },
  find: (traced, say) => [
    ...misfits(traced).map(({ on, id, plug, socket, devices }) =>
      say('plug', on === 'strip' ? { on, strip: id } : { on, circuit: id }, {
        what: text(
          on === 'strip'
            ? traced.plan.strips[id]!.title
            : listWords(devices.map(device => traced.plan.devices[device]!.name)),
        ),
        plug: text(PLUG_WORDS[plug]),
        circuit: text(intoOf(traced, on, id)),
        socket: text(SOCKET_WORDS[socket]),
      }),
    ),
    ...mainsFed(traced)
      .filter(fed => isForeign(fed) || isStarved(fed))
      .map(fed => {
        const { node, range, houseV, thereV, strips } = fed
        return say(
          isForeign(fed) ? 'mains' : 'starved',
          poweredAt(node.id, node.model),
          {
            device: text(node.device.name),
            volts: voltText(houseV),
            there: voltText(thereV),
            least: voltText(range.minV),
            most: voltText(range.maxV),
            strips: text(listWords(strips.map(id => traced.plan.strips[id]!.title))),
          },
          runAt(traced, node.id),
        )
      }),
    ...fedLow(traced)
      .filter(isBad)
      .map(fed => {
        const { node, dc, range } = fed
        return say(
          isWrong(fed) ? 'wrong' : 'drop',
          poweredAt(node.id, node.model),
          {
            device: text(node.device.name),
            volts: voltText(dc.volts),
            there: voltText(left(fed)),
            least: voltText(range.minV),
            most: voltText(range.maxV),
            lead: text(`${figure(dc.m)}\u00A0m of ${figure(dc.mm2, 2)}\u00A0mm\u00B2`),
          },
          runAt(traced, node.id),
        )
      }),
  ],
  remedies: (traced, { at, says }) => {
    if (says === 'plug') return fitting(traced, at)
    const onMains = mainsFed(traced).find(({ node }) => node.id === deviceAt(at))
    if (onMains && says === 'mains') return [...otherModel(traced, onMains), ...transformed(traced, onMains)]
    if (onMains && says === 'starved') return [...thickerLeads(traced, onMains), ...toTheWall(traced, onMains)]
    const fed = fedLow(traced).find(({ node }) => node.id === deviceAt(at))
    return fed ? [...rightSupply(traced, fed), ...thicker(traced, fed), ...nearer(traced, fed)] : []
  },
})

const voltText = (value: number) => text(`${figure(value)}\u00A0V`)

const PLUG_WORDS: Readonly<Record<Socket, string>> = {
  'household': 'a household plug',
  'round-16': 'a round plug of 16\u00A0A',
  'round-32': 'a round plug of 32\u00A0A',
  'round-63': 'a round plug of 63\u00A0A',
}
function intoOf({ plan }: Traced, on: 'circuit' | 'strip', id: string): string {
  if (on === 'circuit') return plan.circuits[id]!.title
  const { strip, circuit } = plan.strips[id]!
  return strip === undefined ? plan.circuits[circuit!]!.title : plan.strips[strip]!.title
}

/** A strip with the plug that goes in; what has none goes onto such a strip. */
function fitting(traced: Traced, at: { readonly on: string }): Proposal[] {
  const { plan } = traced
  const id = 'strip' in at ? at.strip : 'circuit' in at ? at.circuit : undefined
  const bad = misfits(traced).find(one => one.on === at.on && one.id === id)
  if (!bad) return []
  const draft = new Draft(plan)
  if (bad.on === 'strip') {
    draft.set(['strips', bad.id, 'plug'], bad.socket === 'household' ? undefined : bad.socket)
    const title = `Give ${plan.strips[bad.id]!.title} ${PLUG_WORDS[bad.socket]}`
    return [{ title: title.slice(0, 120), edits: draft.edits }]
  }
  addStrip(draft, bad.id, `Distribution, ${plan.circuits[bad.id]!.title}`, {
    loads: Object.fromEntries(bad.devices.map(device => [device, true as const])),
  })
  for (const device of bad.devices) draft.set(['circuits', bad.id, 'loads', device])
  return [{ title: `A strip of outlets with ${PLUG_WORDS[bad.socket]} for them`, edits: draft.edits }]
}

/** Models of the same kind with the same sockets that take the mains of the house, the cheapest first. */
function otherModel(traced: Traced, { node, houseV }: MainsFed): Proposal[] {
  return [...MODELS]
    .filter(([, row]) => {
      const inlet = inletOf(row)
      const { role, kind, watts } = node.model
      if (row.role !== role || row.kind !== kind || !inlet || !hasSockets(node.model, row)) return false
      return inlet.minV <= houseV && houseV <= inlet.maxV && row.watts >= watts / 2 && row.watts <= watts * 2
    })
    .sort(([, a], [, b]) => a.priceMinor - b.priceMinor)
    .slice(0, 2)
    .map(([id, row]) => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', node.id, 'model'], draft.model(id))
      return { title: `In place of ${node.device.name}: ${row.title}`.slice(0, 120), edits: draft.edits }
    })
}

/** Volts that houses have, and so transformers give. */
const HOUSES_V = [100, 120, 230] as const

/** A transformer between it and the circuit that it hangs on. */
function transformed({ plan }: Traced, { node, range }: MainsFed): Proposal[] {
  const circuit = Object.keys(plan.circuits).find(id => hangingOn(plan, id).has(node.id))
  const givesV = HOUSES_V.find(volts => volts >= range.minV && volts <= range.maxV)
  if (circuit === undefined || givesV === undefined) return []
  const draft = new Draft(plan)
  moveTo(draft, node.id, undefined)
  addStrip(draft, circuit, `Transformer, ${node.device.name}`, { givesV, loads: { [node.id]: true } })
  return [{ title: `A transformer to ${givesV}\u00A0V before ${node.device.name}`.slice(0, 120), edits: draft.edits }]
}

/** The thinnest lead of the longest strip that leaves enough; where one is not enough, all of them. */
function thickerLeads(traced: Traced, fed: MainsFed): Proposal[] {
  const { plan } = traced
  const led = fed.strips.filter(id => plan.strips[id]!.lead)
  for (const mm2 of SECTIONS) {
    const draft = new Draft(plan)
    const gained = led.reduce((sum, id) => {
      const lead = plan.strips[id]!.lead!
      if (lead.mm2 >= mm2) return sum
      draft.set(['strips', id, 'lead', 'mm2'], mm2)
      const watts = stripMostW(plan, id)
      return sum + leadDropV(lead, watts, fed.houseV) - leadDropV({ ...lead, mm2 }, watts, fed.houseV)
    }, 0)
    const titles = listWords(led.map(id => plan.strips[id]!.title))
    if (draft.edits.length && fed.thereV + gained >= fed.range.minV)
      return [{ title: `Leads of ${figure(mm2, 2)}\u00A0mm\u00B2 to ${titles}`.slice(0, 120), edits: draft.edits }]
  }
  return []
}

/** Straight into the wall, by a short lead of its own. */
function toTheWall(traced: Traced, { node, strips }: MainsFed): Proposal[] {
  const circuit = circuitOf(traced.plan, strips[0]!)
  if (circuit === undefined) return []
  const draft = new Draft(traced.plan)
  moveTo(draft, node.id, circuit)
  const { title } = traced.plan.circuits[circuit]!
  return [{ title: `Plug ${node.device.name} straight into ${title}`.slice(0, 120), edits: draft.edits }]
}

const changed = (traced: Traced, { node, dc }: Fed, part: Partial<Fed['dc']>, title: string): Proposal => {
  const draft = new Draft(traced.plan)
  draft.set(['devices', node.id, 'dc'], { ...dc, ...part })
  return { title: title.slice(0, 120), edits: draft.edits }
}

/** Supplies that are sold, V: the first that brings enough over the lead that is there. */
function rightSupply(traced: Traced, fed: Fed): Proposal[] {
  const { node, dc, range } = fed
  const volts = [5, 7.2, 9, 12, 14.4, 15, 24, 48].find(
    one => one >= range.minV && one <= range.maxV && voltsThere(one, dc.m, dc.mm2, drawOf(node)) >= range.minV,
  )
  return volts === undefined || volts === dc.volts
    ? []
    : [changed(traced, fed, { volts }, `Feed ${node.device.name} by ${figure(volts)}\u00A0V`)]
}

function thicker(traced: Traced, fed: Fed): Proposal[] {
  const { node, dc, range } = fed
  const mm2 = SECTIONS.find(one => one > dc.mm2 && voltsThere(dc.volts, dc.m, one, drawOf(node)) >= range.minV)
  return mm2 === undefined || isWrong(fed)
    ? []
    : [changed(traced, fed, { mm2 }, `Take a lead of ${figure(mm2, 2)}\u00A0mm\u00B2 to ${node.device.name}`)]
}

/** As far as the supply may stand at the most, in whole metres. */
function nearer(traced: Traced, fed: Fed): Proposal[] {
  const { node, dc, range } = fed
  const m = Math.floor(((dc.volts - range.minV) * dc.mm2 * dc.volts) / (2 * COPPER * drawOf(node)))
  return isWrong(fed) || m < 1 || m >= dc.m
    ? []
    : [changed(traced, fed, { m }, `Bring the supply within ${m}\u00A0m of ${node.device.name}`)]
}
