import type { LeadModel } from '#core/cable'
import type { Model } from '#core/catalog'
import { collection, number, object, oneOf, ref, whole } from '#core/kernel'
import { idsOf, misfit, own, show } from '../problem'

/** How many of an item there are. An item is a model, or a lead; of cables one length each. */
export interface KitItem {
  readonly kind: 'model' | 'lead'
  readonly id: string
  /** Cables: the stock length, metres. */
  readonly pieceM?: number
  readonly owned: number
  readonly hired?: number
  readonly bought?: number
  /** Bought second-hand, and what one of these costs, minor units; six tenths of its price where absent. */
  readonly used?: number
  readonly usedMinor?: number
  /** Hire of one for the show, minor units; a tenth of its price where absent. */
  readonly hireMinor?: number
}

interface Shelves {
  readonly models: Readonly<Record<string, Model>>
  readonly leads: Readonly<Record<string, LeadModel>>
}

export const kit = collection<KitItem, Shelves>({
  name: 'kit',
  entry: 'kit',
  about: 'How many of each model, and of each length of a lead, there are.',
  most: 2000,
  schema: object(['kind', 'id', 'owned'], {
    kind: oneOf(['model', 'lead']),
    id: ref('slug'),
    pieceM: number(0.001, 20_000),
    owned: whole(0, 9999),
    hired: whole(0, 9999),
    bought: whole(0, 9999),
    used: whole(0, 9999),
    usedMinor: whole(0, 1e9),
    hireMinor: whole(0, 1e9),
  }),
  misfit: (entries, base, { models, leads }) => {
    for (const [id, item] of Object.entries(entries)) {
      const at = `${base}/${id}`
      const rows: Readonly<Record<string, Model | LeadModel>> = item.kind === 'model' ? models : leads
      const row = own(rows, item.id)
      if (!row) return misfit(`${at}/id`, show(item.id), `a key of ${item.kind}s: ${idsOf(rows)}`)
      const cable = 'kind' in row && row.kind === 'cable' ? row : undefined
      if (cable && !cable.stock.some(({ m }) => m === item.pieceM)) {
        const lengths = cable.stock.map(({ m }) => m).join(', ')
        return misfit(`${at}/pieceM`, show(item.pieceM), `a stock length of ${item.id}: ${lengths} m`)
      }
      if (!cable && item.pieceM !== undefined)
        return misfit(`${at}/pieceM`, show(item.pieceM), 'nothing: only cables are counted by length')
    }
    return undefined
  },
  words: ({ id, pieceM }) => (pieceM === undefined ? id : `${pieceM} m ${id}`),
})
