import { toRaw, type Ref } from 'vue'
import { type Box, type GraphicEntry, type WordBox, freshId, setEdit } from '#core/document'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'

const round = ({ x, y, w, h }: Box): Box => {
  const to = (value: number) => Number(value.toFixed(4))
  return { x: to(x), y: to(y), w: Math.min(to(w), 1 - to(x)), h: Math.min(to(h), 1 - to(y)) }
}

/** Boxes of words of a graphic: put in, taken out, looked for; each is one change of the plan. */
export function useMarks(id: Ref<string | undefined>, graphic: Ref<GraphicEntry | undefined>) {
  const store = usePlanStore()
  const notices = useNotices()

  async function mark(title: string, words: Readonly<Record<string, WordBox>>): Promise<void> {
    const [at, one] = [id.value, graphic.value]
    if (at === undefined || !one) return
    const entry = await usePainter().entry(one.file, { title: one.title, order: one.order }, toRaw(words))
    if (!entry) {
      notices.tell('The picture is not on this server: bring it in again.', 'wrong')
      return
    }
    await store.commit(title, [
      setEdit(['graphics', at, 'words'], entry.words),
      setEdit(['graphics', at, 'wordCells'], entry.wordCells),
      ...(one.wordHues === undefined && entry.wordHues === undefined
        ? []
        : [setEdit(['graphics', at, 'wordHues'], entry.wordHues)]),
    ])
  }
  const boxes = (): Record<string, WordBox> =>
    Object.fromEntries(
      Object.entries(graphic.value?.words ?? {}).map(([name, { x, y, w, h, letters, exact }]) => [
        name,
        { x, y, w, h, ...(exact && letters !== undefined ? { letters, exact } : {}) },
      ]),
    )
  return {
    boxed(box: Box): void {
      const words = boxes()
      void mark('Mark words', { ...words, [freshId('words', words, Math.random)]: round(box) })
    },
    unboxed(name: string): void {
      const { [name]: _, ...rest } = boxes()
      void mark('Take a box of words out', rest)
    },
    /** True where lines were found. */
    async propose(): Promise<boolean> {
      const one = graphic.value
      if (!one) return false
      const found = await usePainter().words(one.file)
      if (!found) notices.tell('The picture is not on this server: bring it in again.', 'wrong')
      else if (found.length === 0) notices.tell('No line of words was found; draw around them with the mouse.')
      if (!found?.length) return false
      const words: Record<string, Box> = {}
      for (const box of found) words[freshId('words', words, Math.random)] = round(box)
      await mark(`Mark ${found.length} ${found.length === 1 ? 'line' : 'lines'} of words`, words)
      return true
    },
  }
}
