import { type CableModel, leadGrams } from '#core/cable'
import { bodyOf } from '#core/catalog'
import { type Traced, lengthOf } from '#core/chain'
import { type Plan, own, receiverAt, withRoute } from '#core/document'
import { fact } from '#core/kernel'

/** What stands at one place as a unit: camera, sender, battery, stand. */
export interface Position {
  /** Undefined: what is said to stand nowhere. */
  readonly place: string | undefined
  readonly devices: readonly { readonly id: string; readonly name: string; readonly grams: number | undefined }[]
  readonly goods: readonly string[]
  /** Of what is known. */
  readonly grams: number
  readonly litres: number
  /** Typical and largest draw, W; all of it becomes heat there. */
  readonly watts: number
  readonly mostWatts: number
  /** Things of which nobody knows the mass; they are in no sum. */
  readonly unknown: number
  /** Devices that are shut in where no air moves, and need it. */
  readonly warm: readonly string[]
}

export interface Weight {
  readonly positions: readonly Position[]
  /** Cables and adapters. */
  readonly leads: { readonly pieces: number; readonly grams: number; readonly unknown: number }
  readonly cases: {
    readonly count: number
    readonly grams: number
    readonly holdsLitres: number
    /** Volume of all that travels in cases, litres. */
    readonly needsLitres: number
  }
  readonly vans: readonly { readonly id: string; readonly title: string; readonly holdsGrams: number | undefined }[]
  /** All that travels, grams, with the number of things of which it is known. */
  readonly grams: number
  readonly known: number
  readonly of: number
}

/** Litres that a kilogram of coiled leads takes, typical. */
const LITRES_PER_LEAD_KG = 2

/** Devices that stay in the house or are far away: they weigh nothing and take no room. */
const travels = (body: { grams?: number; litres?: number }): boolean => body.grams !== 0 || body.litres !== 0

/** All pieces of cable and all adapters. */
function leadsOf(plan: Plan): Weight['leads'] {
  const leads = { pieces: 0, grams: 0, unknown: 0 }
  const add = (id: string, pieceM?: number): void => {
    const grams = leadGrams(plan.leads[id]!, pieceM)
    leads.pieces += 1
    if (grams === undefined) leads.unknown += 1
    else leads.grams += grams
  }
  for (const link of Object.values(plan.links)) {
    for (const piece of lengthOf(plan.leads[link.cable] as CableModel, withRoute(plan, link)).pieces ?? [])
      add(link.cable, piece)
    for (const adapter of [link.adapters?.from, link.adapters?.to]) if (adapter !== undefined) add(adapter)
  }
  return leads
}

/** Boxes at the other end of radio links that are no devices of the plan: nobody knows what they weigh. */
const withoutReceiver = ({ devices, models, links }: Plan): number =>
  Object.values(links).filter(
    ({ from }) => from && models[own(devices, from.device)?.model ?? '']?.receiver && !receiverAt({ devices }, from),
  ).length

const weightFact = fact<Traced, Weight>('weight', ({ plan }) => {
  const places = new Map<string | undefined, Position>()
  const at = (place: string | undefined): Position =>
    places.get(place) ?? {
      place,
      devices: [],
      goods: [],
      grams: 0,
      litres: 0,
      watts: 0,
      mostWatts: 0,
      unknown: 0,
      warm: [],
    }
  let [known, of] = [0, 0]
  for (const [id, { name, model, place, boxed }] of Object.entries(plan.devices)) {
    const row = plan.models[model]!
    const body = bodyOf(row)
    if (!travels(body)) continue
    const here = at(place)
    of += 1
    if (body.grams !== undefined) known += 1
    places.set(place, {
      ...here,
      devices: [...here.devices, { id, name, grams: body.grams }],
      grams: here.grams + (body.grams ?? 0),
      litres: here.litres + (body.litres ?? 0),
      watts: here.watts + row.watts,
      mostWatts: here.mostWatts + Math.max(row.watts, body.mostWatts ?? 0),
      unknown: here.unknown + (body.grams === undefined ? 1 : 0),
      warm: boxed && body.warm ? [...here.warm, id] : here.warm,
    })
  }
  of += withoutReceiver(plan)
  const cases = { count: 0, grams: 0, holdsLitres: 0 }
  const vans: { id: string; title: string; holdsGrams: number | undefined }[] = []
  for (const [id, entry] of Object.entries(plan.goods)) {
    const { count = 1, grams, litres = 0, title } = entry
    if (entry.kind === 'van') {
      vans.push({ id, title, holdsGrams: entry.holdsGrams === undefined ? undefined : entry.holdsGrams * count })
      continue
    }
    of += 1
    if (grams !== undefined) known += 1
    if (entry.kind === 'case') {
      cases.count += count
      cases.grams += (grams ?? 0) * count
      cases.holdsLitres += (entry.holdsLitres ?? 0) * count
      continue
    }
    const here = at(entry.place)
    places.set(entry.place, {
      ...here,
      goods: [...here.goods, count > 1 ? `${count} \u00D7 ${title}` : title],
      grams: here.grams + (grams ?? 0) * count,
      litres: here.litres + litres * count,
      unknown: here.unknown + (grams === undefined ? 1 : 0),
    })
  }
  const leads = leadsOf(plan)
  const positions = [...places.values()].sort((a, b) => b.grams - a.grams)
  return {
    positions,
    leads,
    cases: {
      ...cases,
      needsLitres: positions.reduce((sum, { litres }) => sum + litres, 0) + (leads.grams / 1000) * LITRES_PER_LEAD_KG,
    },
    vans,
    grams: positions.reduce((sum, { grams }) => sum + grams, 0) + leads.grams + cases.grams,
    known: known + leads.pieces - leads.unknown,
    of: of + leads.pieces,
  }
})

/** What travels, by the place where it stands. Linear in devices, links and things. */
export const weightOf = (traced: Traced): Weight => traced.ask(weightFact)
