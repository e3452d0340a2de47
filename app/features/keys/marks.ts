import { type ComputedRef, type Ref, toRaw } from 'vue'
import { type Box, type GraphicEntry, type WordBox, freshId, setEdit } from '#core/document'
import { boxOf } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'

const round = ({ x, y, w, h }: Box): Box => {
  const to = (value: number) => Number(value.toFixed(4))
  return { x: to(x), y: to(y), w: Math.min(to(w), 1 - to(x)), h: Math.min(to(h), 1 - to(y)) }
}

/** What is marked by boxes: words, or what is meant to be seen of an opaque picture, whatever its colour. */
export type Marking = 'words' | 'solid'

const COUNTS = ['words', 'wordCells', 'wordCells601', 'wordHues', 'solid', 'cells', 'cells601', 'hues'] as const

/** Boxes of a graphic: put in, taken out, looked for; each counts the picture anew and is one change of the plan. */
export function useMarks(id: Ref<string | undefined>, graphic: ComputedRef<GraphicEntry | undefined>) {
  const store = usePlanStore()
  const notices = useNotices()
  const absent = () => notices.tell('The picture is not on this server: bring it in again.', 'wrong')

  async function mark(title: string, marked: Partial<Record<Marking, Readonly<Record<string, Box>>>>): Promise<void> {
    const [at, one] = [id.value, graphic.value]
    if (at === undefined || !one) return
    const [words, solid] = [marked.words ?? boxes(), marked.solid ?? { ...one.solid }]
    const painter = usePainter()
    const entry = await painter.entry(one.file, { title: one.title, order: one.order }, toRaw(words), toRaw(solid))
    if (!entry) return absent()
    const edits = COUNTS.flatMap(field =>
      one[field] === undefined && entry[field] === undefined ? [] : [setEdit(['graphics', at, field], entry[field])],
    )
    // What comes through masks is counted by the same truth.
    const parts = await Promise.all(
      Object.keys(marked.solid ? (one.parts ?? {}) : {}).map(async part => {
        const counted = await painter.part(one.file, boxOf(part), toRaw(solid))
        return counted ? [[part, counted] as const] : []
      }),
    )
    if (parts.length) edits.push(setEdit(['graphics', at, 'parts'], Object.fromEntries(parts.flat())))
    await store.commit(title, edits)
  }
  const boxes = (): Record<string, WordBox> =>
    Object.fromEntries(
      Object.entries(graphic.value?.words ?? {}).map(([name, { x, y, w, h, letters, exact }]) => [
        name,
        { x, y, w, h, ...(exact && letters !== undefined ? { letters, exact } : {}) },
      ]),
    )
  return {
    boxed(kind: Marking, box: Box): void {
      const there = kind === 'words' ? boxes() : { ...graphic.value?.solid }
      const title = kind === 'words' ? 'Mark words' : 'Mark what is meant to be seen'
      void mark(title, { [kind]: { ...there, [freshId(kind, there, Math.random)]: round(box) } })
    },
    unboxed(kind: Marking, name: string): void {
      const { [name]: _, ...rest } = kind === 'words' ? boxes() : { ...graphic.value?.solid }
      void mark(kind === 'words' ? 'Take a box of words out' : 'Take a box of what is meant out', { [kind]: rest })
    },
    /** True where lines were found. */
    async propose(): Promise<boolean> {
      const one = graphic.value
      if (!one) return false
      const found = await usePainter().words(one.file)
      if (!found) absent()
      else if (found.length === 0) notices.tell('No line of words was found; draw around them with the mouse.')
      if (!found?.length) return false
      const words: Record<string, Box> = {}
      for (const box of found) words[freshId('words', words, Math.random)] = round(box)
      await mark(`Mark ${found.length} ${found.length === 1 ? 'line' : 'lines'} of words`, { words })
      return true
    },
  }
}
