import { type Edit, type Plan } from '#core/document'

const LAYS: ReadonlySet<unknown> = new Set(['box', 'mask', 'graphic', 'slides'])

/** Overlays that edits lay or mask otherwise, or give other pictures. */
export const laidBy = (edits: readonly Edit[]): ReadonlySet<string> =>
  new Set(
    edits.flatMap(edit => {
      if (edit.do === 'add') return edit.collection === 'overlays' ? [edit.id] : []
      return edit.do === 'set' && edit.at[0] === 'overlays' && LAYS.has(edit.at[2]) ? [edit.at[1]] : []
    }),
  )

/** Whether some of them have a mask, before or after: what comes through it is to be counted anew. */
export const laysMasked = ({ overlays }: Plan, edits: readonly Edit[]): boolean =>
  [...laidBy(edits)].some(id => overlays[id]?.mask !== undefined) ||
  edits.some(
    edit =>
      (edit.do === 'set' && edit.at[0] === 'overlays' && edit.at[2] === 'mask') ||
      (edit.do === 'add' && edit.collection === 'overlays' && Object.hasOwn(Object(edit.value), 'mask')),
  )
