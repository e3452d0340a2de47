import { leadGrams, type CableModel, isAir } from '#core/cable'
import { CATALOGUE_CURRENCY, bodyOf, inletOf } from '#core/catalog'
import { type Traced, kitLines } from '#core/chain'
import { own } from '#core/document'
import type { Paper } from '#core/kernel'
import type { Checked } from '#core/propose'
import { figure, moneyText } from '#core/words'
import { SOCKET_WORDS } from '../power/facts'
import { costOf } from './money'
import { kgText, minutesText, STEP_WORDS } from './words'
import { profileRows, profilesOf } from './profiles'
import { workOf } from './work'

const BOX = '\u2610'

/** What the show costs, line by line. */
export function budgetPaper({ traced }: Checked): Paper | undefined {
  const { lines, currency, sums, spendMinor, budgetMinor } = costOf(traced)
  if (lines.length === 0) return undefined
  const money = (minor: number): string => moneyText(minor, currency)
  return {
    id: 'budget',
    title: 'Budget',
    about: 'What the show costs, by how it is come by. What is owned stands with its worth and is not in the sum.',
    columns: [
      { key: 'step', title: 'Come by' },
      { key: 'item', title: 'What' },
      { key: 'count', title: 'How many', figures: true },
      { key: 'each', title: 'At', figures: true },
      { key: 'sum', title: 'Sum', figures: true },
    ],
    rows: [
      ...lines.map(({ step, title, count, unit, eachMinor, minor, lacks }, i) => ({
        step: lines[i - 1]?.step === step ? '' : `${STEP_WORDS[step]}, ${money(sums[step])}`,
        item: title,
        count: lacks ? '' : `${figure(count)} ${unit}`,
        each: eachMinor === undefined ? 'not said' : money(eachMinor),
        sum: minor === undefined ? `not known: ${lacks}` : money(minor),
      })),
      {
        step: 'To be paid',
        item: budgetMinor === undefined ? '' : `of ${money(budgetMinor)} that are there`,
        count: '',
        each: '',
        sum: money(spendMinor),
      },
    ],
  }
}

/** What goes into the van, with what it weighs, to be ticked twice. */
export function packingList({ traced }: Checked): Paper | undefined {
  const { plan } = traced
  const kit = kitLines(plan).filter(({ needed }) => needed > 0)
  const placesOf = (model: string): string =>
    [
      ...new Set(
        Object.values(plan.devices).flatMap(device => (device.model === model && device.place ? [device.place] : [])),
      ),
    ].join(', ')
  const rows = [
    ...kit.flatMap(({ kind, id, title, pieceM, needed }) => {
      const lead = kind === 'lead' ? plan.leads[id]! : undefined
      const each = lead ? leadGrams(lead, pieceM) : bodyOf(plan.models[id]!).grams
      // What stays in the house is not packed.
      if (each === 0) return []
      if (lead?.kind === 'cable' && ((lead as CableModel).installed || isAir(lead as CableModel))) return []
      return [
        {
          item: pieceM === undefined ? title : `${title}, ${pieceM}\u00A0m`,
          count: String(needed),
          each: each === undefined ? 'not known' : kgText(each),
          sum: each === undefined ? '' : kgText(each * needed),
          place: kind === 'model' ? placesOf(id) : '',
          out: BOX,
          back: BOX,
        },
      ]
    }),
    ...mainsLeads(traced),
    ...Object.values(plan.strips)
      .sort((a, b) => a.order - b.order)
      .map(({ title, lead, plug, keeps }) => ({
        item: lead ? `${title}, ${figure(lead.m)}\u00A0m` : title,
        count: '1',
        each: 'not known',
        sum: '',
        place: keeps ? 'goes on without mains' : plug ? SOCKET_WORDS[plug] : '',
        out: BOX,
        back: BOX,
      })),
    ...Object.values(plan.goods)
      .filter(({ kind }) => kind !== 'van')
      .sort((a, b) => a.order - b.order)
      .map(({ title, count = 1, grams, place = '' }) => ({
        item: title,
        count: String(count),
        each: grams === undefined ? 'not known' : kgText(grams),
        sum: grams === undefined ? '' : kgText(grams * count),
        place,
        out: BOX,
        back: BOX,
      })),
  ]
  if (rows.length === 0) return undefined
  return {
    id: 'packing',
    title: 'Packing list',
    about: 'All that goes into the van: ticked when it leaves, and when it comes back.',
    columns: [
      { key: 'item', title: 'What' },
      { key: 'count', title: 'How many', figures: true },
      { key: 'each', title: 'One weighs', figures: true },
      { key: 'sum', title: 'Together', figures: true },
      { key: 'place', title: 'Goes to' },
      { key: 'out', title: 'Out' },
      { key: 'back', title: 'Back' },
    ],
    rows,
  }
}

/** Mains leads that devices take, by the plug at the device; their mass is in that of the device as packed. */
function mainsLeads({ chain }: Traced): Paper['rows'][number][] {
  const kinds = [...chain.nodes.values()].flatMap(({ model, device }) => {
    const kind = device.dc ? undefined : inletOf(model)?.kind
    return kind === undefined || kind === 'plug-in' || kind === 'fixed' ? [] : [kind]
  })
  return [...new Set(kinds)].sort().map(kind => ({
    item: `Mains lead, ${kind.toUpperCase()}`,
    count: String(kinds.filter(one => one === kind).length),
    each: 'with its device',
    sum: '',
    place: '',
    out: BOX,
    back: BOX,
  }))
}

/** The work before and after the show, in its order. */
export function workPaper({ traced }: Checked): Paper | undefined {
  const { plan } = traced
  const { build, strike } = workOf(plan)
  if (build.jobs.length + strike.jobs.length === 0) return undefined
  const names = (ids: Readonly<Record<string, true>> | undefined, of: (id: string) => string | undefined): string =>
    Object.keys(ids ?? {})
      .flatMap(id => of(id) ?? [])
      .join(', ')
  return {
    id: 'work',
    title: 'Order of building',
    about: 'What is done before and after the show, when it can begin at the earliest, and what it waits for.',
    columns: [
      { key: 'when', title: 'When' },
      { key: 'job', title: 'What' },
      { key: 'who', title: 'Who' },
      { key: 'after', title: 'After' },
      { key: 'from', title: 'Begins', figures: true },
      { key: 'takes', title: 'Takes', figures: true },
      { key: 'spare', title: 'Can wait', figures: true },
      { key: 'done', title: 'Done' },
    ],
    rows: [...build.jobs, ...strike.jobs].map(({ job, from, latest, rings }) => ({
      when: job.when === 'build' ? 'before' : 'after',
      job: job.title,
      who: names(job.people, id => own(plan.people, id)?.name),
      after: rings ? 'waits for itself' : names(job.after, id => own(plan.jobs, id)?.title),
      from: `+${minutesText(from)}`,
      takes: minutesText(job.minutes),
      spare: latest > from ? minutesText(latest - from) : 'not at all',
      done: BOX,
    })),
  }
}

/** What recording each camera alone takes, and what mixing while it happens takes. */
export function profilesPaper({ traced }: Checked): Paper | undefined {
  const found = profilesOf(traced)
  if (found.cameras === 0 || found.recorded.alone.length + found.live.alone.length === 0) return undefined
  return {
    id: 'profiles',
    title: 'Recorded or live',
    about: 'The same show recorded camera by camera and cut later, and mixed while it happens.',
    columns: [
      { key: 'title', title: '' },
      { key: 'recorded', title: 'Recorded, cut later' },
      { key: 'live', title: 'Mixed live' },
    ],
    rows: [
      ...profileRows(found, traced.plan.brief.currency ?? CATALOGUE_CURRENCY),
      {
        title: 'Only there',
        recorded: found.recorded.alone.join(', ') || 'nothing',
        live: found.live.alone.join(', ') || 'nothing',
      },
      ...(found.unkept.length ? [{ title: 'Kept by nothing yet', recorded: found.unkept.join(', '), live: '' }] : []),
    ],
  }
}
