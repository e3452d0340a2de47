import { holds, needsOf, lostBehind } from '#core/run'
import { MODELS, type Model, carriesPicture, portsOf, isForScreens } from '#core/catalog'
import { type DeviceNode, delayMs, isSwitcher, tracedOf } from '#core/chain'
import { type Edit, applyEdits } from '#core/document'
import {
  type Checked,
  type Effect,
  feederSwitcher,
  idleSources,
  largerSwitcher,
  plainEffect,
  tryEdits,
} from '#core/propose'

/** One way to have room for more pictures, or to do without. */
export interface Growth {
  readonly id: string
  readonly how: 'feeder' | 'larger' | 'without'
  /** The switcher that it is about. */
  readonly switcher: string
  readonly title: string
  /** The switcher that comes, as the catalogue calls it. */
  readonly model: string
  /** Inputs more than now that a picture can use; a feeder costs one. */
  readonly inputs: number
  /** Outputs for pictures more than now. */
  readonly outputs: number
  /** Keys and recordings more than now; undefined where a data sheet says nothing. */
  readonly keyers: number | undefined
  readonly records: number | undefined
  /** Change of the planning price, minor units, and a share of it for each input gained; the old switcher of a larger one counts back. */
  readonly minor: number
  readonly minorPerInput: number | undefined
  /** What a picture takes longer through the feeder, typical, ms. */
  readonly delayMs: number
  /** What cannot be done across the join, or what is lost. */
  readonly limits: readonly string[]
  /** Looks of the running order that it cannot show, though they can be shown now; of a feeder: when it is full. */
  readonly looksLost: readonly string[]
  readonly edits: readonly Edit[]
  readonly effect: Effect | undefined
}

const inputs = (model: Model): number => portsOf(model, 'in').filter(([, port]) => carriesPicture(port)).length
const outputs = (model: Model): number => portsOf(model, 'out').filter(([, port]) => isForScreens(port)).length

/** How many of each kind are told for one switcher. */
const MOST_OF_A_KIND = 4

/**
 * A feeder against a larger switcher against doing without, for every switcher that shows: cheapest for each input
 * gained first. Each is made to a copy of the plan; takes a check for each.
 */
export function growthOf(checked: Checked): Growth[] {
  const { traced } = checked
  const switchers = [...traced.chain.nodes.values()].filter(isSwitcher)
  const feeds = new Set(
    traced.runs.flatMap(({ origin, end, beside }) =>
      !beside &&
      origin &&
      end &&
      isSwitcher(traced.chain.nodes.get(end.device)!) &&
      isSwitcher(traced.chain.nodes.get(origin.device)!)
        ? [origin.device]
        : [],
    ),
  )
  const last = switchers.filter(({ id }) => !feeds.has(id))
  const rows = last.flatMap(switcher => [...feedersAt(checked, switcher), ...largerAt(checked, switcher)])
  return [...rows.sort((a, b) => (a.minorPerInput ?? Infinity) - (b.minorPerInput ?? Infinity)), ...without(checked)]
}

/** Looks that hold now and do not with the edits made. */
function looksLost({ traced }: Checked, edits: readonly Edit[]): string[] {
  const needs = needsOf(traced).filter(need => holds(traced, need))
  const applied = needs.length ? applyEdits(traced.plan, edits) : undefined
  if (!applied?.ok) return []
  const next = tracedOf(applied.value.plan)
  return needs.filter(need => !holds(next, need)).map(({ title }) => title)
}

/** Looks that are lost when a feeder is full, for the choice of what stands behind it that loses the fewest. */
function lostWhenFull({ traced }: Checked, room: number): string[] {
  const needs = needsOf(traced).filter(need => holds(traced, need))
  const shown = [...new Set(needs.flatMap(({ sources }) => sources))]
  // What no look shows goes there first.
  const others = [...traced.chain.nodes.values()].filter(
    ({ id, model }) => model.role === 'source' && !shown.includes(id),
  ).length
  return lostBehind(needs, shown, Math.min(shown.length, Math.max(0, room - others))).map(({ title }) => title)
}

const more = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined ? undefined : a - (b ?? 0)

function feedersAt(checked: Checked, switcher: DeviceNode): Growth[] {
  return feederSwitcher(checked.traced, switcher, MOST_OF_A_KIND).flatMap(({ title, edits, model }): Growth[] => {
    const row = MODELS.get(model)!
    const effect = tryEdits(checked, edits)
    const gained = inputs(row) - 1
    if (!effect || gained < 1) return []
    const path = row.paths.find(({ format }) => format === 'standard')!
    const sees = Object.values(switcher.model.ports).some(({ feeds }) => feeds?.includes('multiview'))
    return [
      {
        id: `feeder-${switcher.id}-${model}`,
        how: 'feeder',
        switcher: switcher.id,
        title,
        model: row.title,
        inputs: gained,
        outputs: outputs(row) - 1,
        keyers: more(row.keyers, 0),
        records: more(row.records, 0),
        minor: effect.change.price!,
        minorPerInput: effect.change.price! / gained,
        delayMs: delayMs(path.delay, switcher.standard!).typ,
        limits: [
          `one of its ${inputs(row)} pictures at a time reaches ${switcher.device.name}`,
          'no mix or key between two of its pictures there',
          ...(sees ? ['the multiview shows its program, not its inputs'] : []),
          'somebody must switch it',
        ],
        looksLost: lostWhenFull(checked, inputs(row)),
        edits,
        effect: plainEffect(effect),
      },
    ]
  })
}

function largerAt(checked: Checked, switcher: DeviceNode): Growth[] {
  const old = switcher.model
  return largerSwitcher(checked.traced, switcher, row => inputs(row) > inputs(old), MOST_OF_A_KIND).flatMap(
    ({ title, edits, model }): Growth[] => {
      const row = MODELS.get(model)!
      const effect = tryEdits(checked, edits)
      if (!effect) return []
      const gained = inputs(row) - inputs(old)
      const path = (candidate: Model) => candidate.paths.find(({ format }) => format === 'standard')!
      return [
        {
          id: `larger-${switcher.id}-${model}`,
          how: 'larger',
          switcher: switcher.id,
          title,
          model: row.title,
          inputs: gained,
          outputs: outputs(row) - outputs(old),
          keyers: more(row.keyers, old.keyers),
          records: more(row.records, old.records),
          minor: effect.change.price!,
          minorPerInput: effect.change.price! / gained,
          delayMs: delayMs(path(row).delay, switcher.standard!).typ - delayMs(path(old).delay, switcher.standard!).typ,
          limits: row.supply === 'mains' && old.supply !== 'mains' ? ['it needs a mains outlet'] : [],
          looksLost: looksLost(checked, edits),
          edits,
          effect: plainEffect(effect),
        },
      ]
    },
  )
}

/** The pictures that wait for an input are left out of the show. */
function without(checked: Checked): Growth[] {
  const idle = idleSources(checked.traced)
  if (idle.length === 0) return []
  const beside = new Set(idle.map(({ id }) => id))
  const edits = idle.map(({ id }): Edit => ({ do: 'remove', collection: 'devices', id }))
  const linked = Object.values(checked.traced.plan.links).some(
    ({ from, to }) => (from && beside.has(from.device)) || (to && beside.has(to.device)),
  )
  const effect = linked ? undefined : tryEdits(checked, edits)
  return [
    {
      id: 'without',
      how: 'without',
      switcher: '',
      title: `Do without ${idle.map(({ device }) => device.name).join(', ')}`.slice(0, 120),
      model: '',
      inputs: 0,
      outputs: 0,
      keyers: 0,
      records: 0,
      minor: effect?.change.price ?? 0,
      minorPerInput: undefined,
      delayMs: 0,
      limits: [`${idle.length} picture${idle.length === 1 ? ' is' : 's are'} not in the show`],
      looksLost: effect ? looksLost(checked, edits) : [],
      edits: effect ? edits : [],
      effect: effect && plainEffect(effect),
    },
  ]
}
