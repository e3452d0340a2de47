import { type CableModel, type LeadModel, isAir } from '#core/cable'
import type { Model } from '#core/catalog'
import { type KitItem, type Plan, withRoute } from '#core/document'
import { lengthOf } from './carry'

/** One line of the kit: an item that the plan uses, or that somebody counted. */
export interface KitLine {
  /** `model:<id>`, `lead:<id>`, or `lead:<id>:<metres>`. */
  readonly key: string
  readonly kind: 'model' | 'lead'
  readonly id: string
  readonly pieceM: number | undefined
  readonly title: string
  /** For narrow places. */
  readonly short: string
  readonly needed: number
  /** The entry of the plan's kit list; absent while nobody has counted it. */
  readonly item: string | undefined
  readonly owned: number
  readonly hired: number
  readonly bought: number
  readonly used: number
  /** All of these together. */
  readonly there: number
  /** needed less what is there, not below 0. */
  readonly missing: number
  /** Planning price of one, minor units. */
  readonly minor: number
  readonly hireMinor: number
  readonly usedMinor: number
}

const keyOf = (kind: 'model' | 'lead', id: string, pieceM?: number): string =>
  `${kind}:${id}${pieceM === undefined ? '' : `:${pieceM}`}`

/** Hire of one item for a show where the kit list says nothing: a tenth of its price. */
export const hireOf = (item: Pick<KitItem, 'hireMinor'> | undefined, minor: number): number =>
  item?.hireMinor ?? Math.round(minor / 10)

/** What one costs second-hand where the kit list says nothing: six tenths of its price, a planning figure. */
export const usedOf = (item: Pick<KitItem, 'usedMinor'> | undefined, minor: number): number =>
  item?.usedMinor ?? Math.round(minor * 0.6)

/** What the plan needs against what there is, devices first, then cables by length. Linear in devices and links. */
export function kitLines(plan: Plan): KitLine[] {
  const needed = new Map<string, { kind: 'model' | 'lead'; id: string; pieceM?: number; count: number }>()
  const need = (kind: 'model' | 'lead', id: string, count: number, pieceM?: number) => {
    const key = keyOf(kind, id, pieceM)
    const there = needed.get(key)
    if (there) there.count += count
    else needed.set(key, { kind, id, count, ...(pieceM === undefined ? {} : { pieceM }) })
  }
  for (const { model } of Object.values(plan.devices)) need('model', model, 1)
  for (const link of Object.values(plan.links)) {
    const cable = plan.leads[link.cable] as CableModel
    if (isAir(cable)) continue
    for (const piece of lengthOf(cable, withRoute(plan, link)).pieces ?? []) need('lead', link.cable, 1, piece)
    for (const adapter of [link.adapters?.from, link.adapters?.to]) if (adapter !== undefined) need('lead', adapter, 1)
  }
  const items = new Map<string, [string, KitItem]>()
  for (const [id, item] of Object.entries(plan.kit)) {
    const key = keyOf(item.kind, item.id, item.pieceM)
    items.set(key, [id, item])
    need(item.kind, item.id, 0, item.pieceM)
  }
  return [...needed]
    .map(([key, { kind, id, pieceM, count }]): KitLine => {
      const [item, entry] = items.get(key) ?? []
      const row: Model | LeadModel = kind === 'model' ? plan.models[id]! : plan.leads[id]!
      const minor = 'priceMinor' in row ? row.priceMinor : (row.stock.find(({ m }) => m === pieceM)?.priceMinor ?? 0)
      const { owned, hired = 0, bought = 0, used = 0 } = entry ?? { owned: 0 }
      const there = owned + hired + bought + used
      return {
        key,
        kind,
        id,
        pieceM,
        title: row.title,
        short: kind === 'lead' ? (row.short ?? row.title) : row.title.split(',')[0]!,
        needed: count,
        item,
        owned,
        hired,
        bought,
        used,
        there,
        missing: Math.max(0, count - there),
        minor,
        hireMinor: hireOf(entry, minor),
        usedMinor: usedOf(entry, minor),
      }
    })
    .sort(
      (a, b) =>
        Number(a.kind === 'lead') - Number(b.kind === 'lead') ||
        (a.title < b.title ? -1 : a.title > b.title ? 1 : 0) ||
        (a.pieceM ?? 0) - (b.pieceM ?? 0),
    )
}

/** What the show costs beyond what is owned: hire, purchases, and the price of what is still missing, minor units. */
export function kitMinor(plan: Plan): { readonly hire: number; readonly buy: number; readonly missing: number } {
  let hire = 0
  let buy = 0
  let missing = 0
  for (const line of kitLines(plan)) {
    hire += line.hired * line.hireMinor
    buy += line.bought * line.minor + line.used * line.usedMinor
    missing += line.missing * line.minor
  }
  return { hire, buy, missing }
}
