import { toRaw } from 'vue'
import {
  type Box,
  type Edit,
  type GraphicEntry,
  type Overlay,
  applyEdits,
  own,
  setEdit,
  slidesOf,
  type Plan,
} from '#core/document'
import { partId, through } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { usePainter } from '~/workers/painter'

type Lying = Pick<Overlay, 'box' | 'mask'>
type Parts = NonNullable<GraphicEntry['parts']>

/** The part that a mask lets through, counted on the pixels of a picture; none without a mask, or without its file. */
export async function countedPart(
  file: string,
  lying: Lying,
  solid?: GraphicEntry['solid'],
): Promise<Parts | undefined> {
  const part = through(toRaw(lying))
  if (part === undefined || part === 'nothing') return undefined
  const counted = await usePainter().part(file, part, toRaw(solid))
  return counted && { [partId(part)]: counted }
}

/** The parts of a graphic that other overlays let through. */
const usedBy = ({ overlays }: Plan, id: string, but: string): ReadonlySet<string> =>
  new Set(
    Object.entries(overlays).flatMap(([one, overlay]) => {
      const part = one === but || !slidesOf(overlay).includes(id) ? undefined : through(overlay)
      return part === undefined || part === 'nothing' ? [] : [partId(part)]
    }),
  )

/** Edits, and beside them what comes through anew of each picture whose overlay they lay or mask otherwise: one change. */
export async function withParts(edits: readonly Edit[]): Promise<Edit[]> {
  const { plan } = usePlanStore()
  const laid = edits.flatMap(edit =>
    edit.do === 'set' && edit.at[0] === 'overlays' && (edit.at[2] === 'box' || edit.at[2] === 'mask')
      ? [edit.at[1]]
      : [],
  )
  const applied = plan && laid.length ? applyEdits(toRaw(plan), edits) : undefined
  if (!applied?.ok) return [...edits]
  const { plan: after } = applied.value
  const more: Edit[] = []
  for (const id of new Set(laid)) {
    const overlay = own(after.overlays, id)
    for (const graphic of overlay ? slidesOf(overlay) : []) {
      const one = own(after.graphics, graphic)
      if (!one) continue
      const others = usedBy(after, graphic, id)
      const kept = Object.fromEntries(Object.entries(one.parts ?? {}).filter(([part]) => others.has(part)))
      const parts: Parts = { ...kept, ...(await countedPart(one.file, overlay!, one.solid)) }
      const some = Object.keys(parts).length > 0
      if (some || one.parts) more.push(setEdit(['graphics', graphic, 'parts'], some ? parts : undefined))
    }
  }
  return [...edits, ...more]
}

/** Sets the box or the mask of an overlay, and counts anew what comes through of each of its pictures. */
export async function lay(id: string, field: 'box' | 'mask', value: Box | undefined, words: string): Promise<void> {
  const store = usePlanStore()
  if (!store.plan || !own(store.plan.overlays, id)) return
  await store.commit(words.slice(0, 120), await withParts([setEdit(['overlays', id, field], value && toRaw(value))]))
}
