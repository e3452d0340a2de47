import { toRaw } from 'vue'
import { type Box, type Edit, type GraphicEntry, type Overlay, own, setEdit, slidesOf, type Plan } from '#core/document'
import { partId, through } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { usePainter } from '~/workers/painter'

type Lying = Pick<Overlay, 'box' | 'mask'>
type Parts = NonNullable<GraphicEntry['parts']>

/** The part that a mask lets through, counted on the pixels of a picture; none without a mask, or without its file. */
export async function countedPart(file: string, lying: Lying): Promise<Parts | undefined> {
  const part = through(toRaw(lying))
  if (part === undefined || part === 'nothing') return undefined
  const counted = await usePainter().part(file, part)
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

/** Sets the box or the mask of an overlay, and counts anew what comes through of each of its pictures: one change. */
export async function lay(id: string, field: 'box' | 'mask', value: Box | undefined, words: string): Promise<void> {
  const store = usePlanStore()
  const { plan } = store
  const overlay = plan && own(plan.overlays, id)
  if (!overlay) return
  const [box, mask] = field === 'box' ? [value, overlay.mask] : [overlay.box, value]
  const lying = { ...(box ? { box: toRaw(box) } : {}), ...(mask ? { mask: toRaw(mask) } : {}) }
  const edits: Edit[] = [setEdit(['overlays', id, field], value)]
  for (const graphic of slidesOf(overlay)) {
    const one = own(plan.graphics, graphic)
    if (!one) continue
    const others = usedBy(plan, graphic, id)
    const kept = Object.fromEntries(Object.entries(one.parts ?? {}).filter(([part]) => others.has(part)))
    const parts: Parts = { ...kept, ...(await countedPart(one.file, lying)) }
    const some = Object.keys(parts).length > 0
    if (some || one.parts) edits.push(setEdit(['graphics', graphic, 'parts'], some ? parts : undefined))
  }
  await store.commit(words.slice(0, 120), edits)
}
