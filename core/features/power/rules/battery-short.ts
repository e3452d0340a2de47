import { MODELS, hasSockets } from '#core/catalog'
import { type Traced, runAt } from '#core/chain'
import { freshId, own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'
import { clockOf, figure, listWords } from '#core/words'
import { deviceAt, poweredAt } from '../anchors'
import { BANK_SHARE, type Endurance, USABLE, coldShare, enduranceOf } from '../endurance'

const hoursWords = (hours: number): string => {
  const minutes = Math.round(hours * 60)
  return minutes < 60 ? `${minutes}\u00A0min` : `${Math.floor(minutes / 60)}\u00A0h\u00A0${minutes % 60}\u00A0min`
}
const isPhone = ({ chain }: Traced, { device }: Endurance): boolean => chain.nodes.get(device)!.model.kind === 'phone'

/** Devices whose batteries end before the show does, with the margin. */
const short = (traced: Traced, phones: boolean): Endurance[] =>
  enduranceOf(traced).filter(one => !one.lasts && isPhone(traced, one) === phones)

export const batteryShort = rule({
  code: 'P01',
  about: 'A battery does not last from switching on to the end, with a margin of three tenths.',
  messages: {
    short: {
      severity: 'R',
      says: '{device} lives on {batteries} for {hours} and must last {need} with a margin: it ends at {end}.',
    },
    weak: {
      severity: 'R',
      says: '{battery} gives {most} at most, and what hangs on it draws up to {draw}: {device} goes off.',
    },
    off: {
      severity: 'R',
      says: '{battery} switches itself off below {least}, and what hangs on it draws {draw}: {device} goes off.',
    },
  },
  find: (traced, say) =>
    short(traced, false).map(one => {
      const at = poweredAt(one.device, traced.chain.nodes.get(one.device)!.model)
      const run = runAt(traced, one.device)
      const bad = one.cells.find(({ fails }) => fails)
      const entry = bad?.battery === undefined ? undefined : own(traced.plan.batteries, bad.battery)
      if (bad && entry)
        return say(
          bad.fails!,
          at,
          {
            battery: text(bad.title),
            device: text(one.name),
            draw: text(`${figure(bad.fails === 'weak' ? bad.largestW : bad.drawW)}\u00A0W`),
            most: text(`${figure(entry.mostW ?? 0)}\u00A0W`),
            least: text(`${figure(entry.offBelowW ?? 0)}\u00A0W`),
          },
          run,
        )
      return say(
        'short',
        at,
        {
          device: text(one.name),
          batteries: text(cellWords(one)),
          hours: text(hoursWords(one.hours)),
          need: text(hoursWords(one.needHours!)),
          end: text(clockOf(one.endsAt!)),
        },
        run,
      )
    }),
  remedies: (traced, { at }) => {
    const one = short(traced, false).find(({ device }) => device === deviceAt(at))
    return one ? [...mainsFor(traced, one), ...morePacks(traced, one), ...banked(traced, one)] : []
  },
})

const cellWords = ({ cells }: Endurance): string =>
  listWords(
    cells.map(({ title, kind, count }) =>
      kind === 'own' ? 'its own battery' : count > 1 ? `${count} of ${title}` : title,
    ),
  )

/** A circuit that something else at its place hangs on, or any with room. */
function mainsFor({ plan }: Traced, { device, name }: Endurance): Proposal[] {
  const place = own(plan.devices, device)?.place
  const near = Object.entries(plan.circuits).filter(
    ([, { loads = {} }]) =>
      place !== undefined && Object.keys(loads).some(id => own(plan.devices, id)?.place === place),
  )
  const circuits = near.length ? near : Object.entries(plan.circuits)
  return circuits.slice(0, 2).map(([id, { title }]) => {
    const draft = new Draft(plan)
    draft.set(['circuits', id, 'loads', device], true)
    return { title: `Plug ${name} into ${title}, by a supply of its own`.slice(0, 120), edits: draft.edits }
  })
}

/** As many packs of the kind that is there, or that comes with it, as the show needs. */
function morePacks({ plan, chain }: Traced, { device, name, needHours, watts, cells }: Endurance): Proposal[] {
  const pack = cells.find(({ kind, battery }) => kind === 'pack' && battery !== undefined)
  const ownWh = chain.nodes.get(device)!.model.battery?.wh
  const draft = new Draft(plan)
  if (pack?.battery !== undefined) {
    const entry = plan.batteries[pack.battery]!
    const each = pack.hours / pack.count
    const rest = cells.filter(cell => cell !== pack && !cell.fails).reduce((sum, { hours }) => sum + hours, 0)
    const count = Math.ceil((needHours! - rest) / each)
    if (pack.fails || count > 99) return []
    draft.set(['batteries', pack.battery, 'count'], count)
    return [{ title: `Bring ${count} of ${entry.title}`.slice(0, 120), edits: draft.edits }]
  }
  if (ownWh === undefined || watts <= 0) return []
  const each = (ownWh * USABLE * coldShare(plan.brief.coldC ?? 20)) / watts
  const banks = cells.filter(({ kind, fails }) => kind === 'bank' && !fails).reduce((sum, { hours }) => sum + hours, 0)
  const count = Math.ceil((needHours! - banks) / each)
  if (count > 99) return []
  const value = {
    title: `Packs of ${name}`.slice(0, 120),
    order: nextOrder(plan),
    kind: 'pack' as const,
    wh: ownWh,
    count,
    loads: { [device]: true as const },
  }
  draft.edits.push({ do: 'add', collection: 'batteries', id: freshBattery(plan, name), value })
  return [
    {
      title: `Bring ${count} packs of ${figure(ownWh)}\u00A0Wh for ${name}, and change them in turn`.slice(0, 120),
      edits: draft.edits,
    },
  ]
}

/** A bank that is large enough by itself, of a size that is sold. */
const BANKS_WH = [37, 74, 99, 150, 290, 500, 1000, 2000] as const
function banked({ plan }: Traced, { device, name, needHours, watts, cells }: Endurance): Proposal[] {
  if (watts <= 0) return []
  const rest = cells.filter(({ fails }) => !fails).reduce((sum, { hours }) => sum + hours, 0)
  const needWh = ((needHours! - rest) * watts) / (USABLE * coldShare(plan.brief.coldC ?? 20) * BANK_SHARE)
  const wh = BANKS_WH.find(size => size >= needWh && !(plan.brief.flies && size > 160))
  if (wh === undefined) return []
  const draft = new Draft(plan)
  const value = {
    title: `Bank at ${name}`.slice(0, 120),
    order: nextOrder(plan),
    kind: 'bank' as const,
    wh,
    loads: { [device]: true as const },
  }
  draft.edits.push({ do: 'add', collection: 'batteries', id: freshBattery(plan, `bank ${name}`), value })
  return [{ title: `A bank of ${wh}\u00A0Wh at ${name}`.slice(0, 120), edits: draft.edits }]
}

const nextOrder = ({ batteries }: Traced['plan']): number =>
  1 + Math.max(0, ...Object.values(batteries).map(({ order }) => order))
const freshBattery = ({ batteries }: Traced['plan'], name: string): string => {
  let n = 0
  return freshId(name, batteries, () => (n++ % 10) / 10)
}

export const phoneEmpty = rule({
  code: 'P06',
  about: 'A phone without charging, for a show that is longer than its battery.',
  messages: {
    empty: {
      severity: 'R',
      says: '{phone} sends its picture for {hours} on its battery and must last {need}: nothing charges it, and it ends at {end}.',
    },
  },
  find: (traced, say) =>
    short(traced, true).map(one =>
      say(
        'empty',
        { on: 'device', device: one.device },
        {
          phone: text(one.name),
          hours: text(hoursWords(one.hours)),
          need: text(hoursWords(one.needHours!)),
          end: text(clockOf(one.endsAt!)),
        },
        traced.runs.find(({ origin }) => origin?.device === one.device)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const one = at.on === 'device' ? short(traced, true).find(({ device }) => device === at.device) : undefined
    return one ? [...charging(traced, one), ...banked(traced, one)] : []
  },
})

/** An adapter that charges, in the place of the one that does not. */
function charging(traced: Traced, { device }: Endurance): Proposal[] {
  const run = traced.runs.find(({ origin, beside }) => !beside && origin?.device === device)
  const box = run?.links.map(({ wire }) => wire.to?.node).find(node => node?.model.role === 'way')
  if (!box) return []
  return [...MODELS]
    .filter(([, row]) => row.charges && hasSockets(box.model, row))
    .flatMap(([id, row]): Proposal[] => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', box.id, 'model'], draft.model(id))
      return [{ title: `In its place: ${row.title}`.slice(0, 120), edits: draft.edits }]
    })
}
