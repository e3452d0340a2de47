import { bodyOf } from '#core/catalog'
import { type DeviceNode, type Traced, runAt } from '#core/chain'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { figure } from '#core/words'

/** Resistance of copper, ohm mm² a metre. */
const COPPER = 0.0178
/** Cross-sections that leads are sold in, mm². */
const SECTIONS = [0.5, 0.75, 1, 1.5, 2.5, 4, 6] as const

interface Fed {
  readonly node: DeviceNode
  readonly dc: NonNullable<DeviceNode['device']['dc']>
  readonly range: { readonly minV: number; readonly maxV: number }
}

/** What is left at the device: V less 2 L x 0.0178 / A x I, with I of its largest draw at the supply's voltage. */
export const voltsThere = (volts: number, m: number, mm2: number, watts: number): number =>
  volts - ((2 * m * COPPER) / mm2) * (watts / volts)

const drawOf = ({ model }: DeviceNode): number => Math.max(model.watts, bodyOf(model).mostWatts ?? 0)

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
  about: 'A low-voltage supply is the wrong one, or its lead takes too much of it.',
  messages: {
    wrong: {
      severity: 'D',
      says: '{device} works on {least} to {most}, and its supply gives {volts}: it stays dark or breaks.',
    },
    drop: {
      severity: 'R',
      says: 'Of the {volts} for {device} {there} are left behind {lead} at its largest draw, and it needs {least}: it switches off when it works hardest.',
    },
  },
  find: (traced, say) =>
    fedLow(traced)
      .filter(isBad)
      .map(fed => {
        const { node, dc, range } = fed
        const volts = (value: number) => text(`${figure(value)}\u00A0V`)
        return say(
          isWrong(fed) ? 'wrong' : 'drop',
          { on: 'device', device: node.id },
          {
            device: text(node.device.name),
            volts: volts(dc.volts),
            there: volts(left(fed)),
            least: volts(range.minV),
            most: volts(range.maxV),
            lead: text(`${figure(dc.m)}\u00A0m of ${figure(dc.mm2, 2)}\u00A0mm\u00B2`),
          },
          runAt(traced, node.id),
        )
      }),
  remedies: (traced, { at }) => {
    const fed = at.on === 'device' ? fedLow(traced).find(({ node }) => node.id === at.device) : undefined
    return fed ? [...rightSupply(traced, fed), ...thicker(traced, fed), ...nearer(traced, fed)] : []
  },
})

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
