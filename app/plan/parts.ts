import { toRaw } from 'vue'
import { type Edit, type GraphicEntry, type Plan, applyEdits, own, setEdit, slidesOf } from '#core/document'
import { partId, through } from '#core/features/keys'
import { usePainter } from '~/workers/painter'
import { laidBy } from './masked'

// A key is measured on what its mask lets through. Whatever lays an overlay otherwise, or shows another picture in it, has
// that part counted on the pixels, and the counts come into the plan with the change.

type Parts = NonNullable<GraphicEntry['parts']>

/** The parts of a graphic that the masks of overlays let through. */
const partsOf = ({ overlays }: Plan, graphic: string) =>
  new Map(
    Object.values(overlays).flatMap(overlay => {
      const part = slidesOf(overlay).includes(graphic) ? through(overlay) : undefined
      return part === undefined || part === 'nothing' ? [] : [[partId(part), part] as const]
    }),
  )

/**
 * Edits, and beside them what comes through masks anew of the pictures that they touch: one change. What the edits count
 * themselves is left to them; a picture whose file is not to be had stays judged as a whole.
 */
export async function withParts(plan: Plan, edits: readonly Edit[]): Promise<readonly Edit[]> {
  const laid = laidBy(edits)
  if (laid.size === 0) return edits
  const applied = applyEdits(toRaw(plan), edits)
  if (!applied.ok) return edits
  const after = applied.value.plan
  const pictures = new Set([...laid].flatMap(id => (own(after.overlays, id) ? slidesOf(after.overlays[id]!) : [])))
  const more: Edit[] = []
  for (const id of pictures) {
    const graphic = own(after.graphics, id)
    const counted = edits.some(
      edit => edit.do === 'set' && edit.at[0] === 'graphics' && edit.at[1] === id && edit.at[2] === 'parts',
    )
    if (!graphic || counted) continue
    const wanted = partsOf(after, id)
    const there = graphic.parts ?? {}
    const missing = [...wanted].filter(([part]) => !(part in there))
    const gone = Object.keys(there).some(part => !wanted.has(part))
    if (missing.length === 0 && !gone) continue
    const parts: Record<string, Parts[string]> = Object.fromEntries(
      Object.entries(there).filter(([part]) => wanted.has(part)),
    )
    for (const [name, part] of missing) {
      const found = await usePainter().part(graphic.file, part, toRaw(graphic.solid))
      if (found) parts[name] = found
    }
    const some = Object.keys(parts).length > 0
    if (some || graphic.parts) more.push(setEdit(['graphics', id, 'parts'], some ? parts : undefined))
  }
  return more.length ? [...edits, ...more] : edits
}
