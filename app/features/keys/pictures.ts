import { type Ref, computed, ref } from 'vue'
import {
  type Edit,
  type GraphicEntry,
  type Overlay,
  type Plan,
  type WordBox,
  emptyPlan,
  freshId,
  own,
  setEdit,
  slidesOf,
} from '#core/document'
import { type OverlayRow, unshared } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'
import { Unusable, bringIn, byName } from './bring'

interface Got {
  readonly hash: string
  readonly title: string
  readonly words?: Readonly<Record<string, WordBox>>
}
/** So many pictures may come by one key. */
const MOST = 200
const titleOf = (file: File): string => file.name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Picture'

const nextOrder = ({ graphics }: Plan): number => 1 + Math.max(0, ...Object.values(graphics).map(({ order }) => order))

async function counted({ hash, title, words }: Got, order: number): Promise<GraphicEntry> {
  const entry = await usePainter().entry(hash, { title, order }, words)
  if (!entry) throw new Unusable('The server does not give the picture back.')
  return entry
}

/** A picture in the place of another; that one goes where nothing else shows it. */
function instead(plan: Plan, id: string, before: string | undefined, name: string): Edit[] {
  const { graphic, slides = [] } = plan.overlays[id]!
  const place: Edit =
    before === undefined || before === graphic
      ? setEdit(['overlays', id, 'graphic'], name)
      : setEdit(
          ['overlays', id, 'slides'],
          slides.map(one => (one === before ? name : one)),
        )
  return [place, ...(before === undefined ? [] : unshared(plan, id, [before]))]
}

/** One leaves the set; where it was shown first, the next one is. */
function leaving(plan: Plan, id: string, overlay: Overlay, gone: string): Edit[] {
  const [shown, ...rest] = slidesOf(overlay).filter(one => one !== gone)
  return [
    setEdit(['overlays', id, 'graphic'], shown),
    setEdit(['overlays', id, 'slides'], rest.length ? rest : undefined),
    ...unshared(plan, id, [gone]),
  ]
}

/** Measures files in the order of their names; of those that cannot be used it is said why not. */
async function measured(files: readonly File[], plan: Plan, told: (words: string) => void) {
  const refused: string[] = []
  const found: { id: string; value: GraphicEntry }[] = []
  const taken = { ...plan.graphics }
  for (const [i, file] of byName(files).entries()) {
    told(`Measuring ${file.name}, ${i + 1} of ${files.length} \u2026`)
    try {
      const title = titleOf(file)
      const value = await counted({ hash: await bringIn(file), title }, nextOrder(plan) + i)
      const id = freshId(title, taken, Math.random)
      taken[id] = value
      found.push({ id, value })
    } catch (error) {
      refused.push((error as Error).message)
    }
  }
  return { found, refused }
}

/** Pictures of an overlay: which is looked at, and what brings others in or takes them out, each as one change. */
export function usePictures(row: () => OverlayRow) {
  const store = usePlanStore()
  const notices = useNotices()
  const plan = computed(() => store.plan ?? emptyPlan(''))
  const slide: Ref<string | undefined> = ref()
  const busy = ref('')
  const ids = computed(() => slidesOf(row().overlay).filter(id => own(plan.value.graphics, id) !== undefined))
  const graphicId = computed(() =>
    slide.value !== undefined && ids.value.includes(slide.value) ? slide.value : ids.value[0],
  )

  /** Puts a kept picture into the plan as what the overlay shows. */
  async function take(get: () => Promise<Got>): Promise<void> {
    const { id } = row()
    busy.value = 'Measuring the picture \u2026'
    try {
      const got = await get()
      const value = await counted(got, nextOrder(plan.value))
      const overlay = own(plan.value.overlays, id)
      if (!overlay) return
      const name = freshId(got.title, plan.value.graphics, Math.random)
      const done = await store.commit(`${overlay.title} shows ${got.title}`.slice(0, 120), [
        { do: 'add', collection: 'graphics', id: name, value },
        ...instead(plan.value, id, graphicId.value, name),
      ])
      if (done && row().id === id) slide.value = name
    } catch (error) {
      notices.tell((error as Error).message, 'wrong')
    } finally {
      busy.value = ''
    }
  }

  /** A set of pictures that come by the same key, behind those that are there. */
  async function bringAll(files: readonly File[]): Promise<void> {
    const { id } = row()
    if (files.length + ids.value.length > MOST) {
      notices.tell(`${files.length} pictures are too many: at most ${MOST} come by one key.`, 'wrong')
      return
    }
    const { found, refused } = await measured(files, plan.value, words => (busy.value = words))
    busy.value = ''
    if (refused.length) notices.tell(`${refused.length} of ${files.length} were not taken: ${refused[0]}`, 'wrong')
    const overlay = own(plan.value.overlays, id)
    if (!overlay || found.length === 0) return
    const [shown, ...rest] = [...slidesOf(overlay), ...found.map(one => one.id)]
    await store.commit(`${found.length} more pictures of ${overlay.title}`.slice(0, 120), [
      ...found.map((one): Edit => ({ do: 'add', collection: 'graphics', ...one })),
      ...(overlay.graphic === shown ? [] : [setEdit(['overlays', id, 'graphic'], shown)]),
      setEdit(['overlays', id, 'slides'], rest.length ? rest : undefined),
    ])
  }

  async function takeOut(gone: string): Promise<void> {
    const { id, overlay } = row()
    await store.commit(
      `Take ${plan.value.graphics[gone]?.title ?? gone} out`.slice(0, 120),
      leaving(plan.value, id, overlay, gone),
    )
  }

  return {
    slide,
    ids,
    graphicId,
    busy,
    take,
    takeOut,
    bringAll,
    bring: (file: File) => take(async () => ({ hash: await bringIn(file), title: titleOf(file) })),
    /** To the one before or behind in the set. */
    step(by: number): void {
      const next = ids.value[ids.value.indexOf(graphicId.value ?? '') + by]
      if (next !== undefined) slide.value = next
    },
  }
}
