import { computed, ref, watch } from 'vue'
import { type Edit, type Plan, emptyPlan, freshId } from '#core/document'
import type { OverlayRow } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'
import { bringIn, byName } from './bring'

/** So many moments at once; a plan keeps 500. */
const MOST = 100

/** Measures files in the order of their names, each as a photograph of a source; of those that cannot be used, why not. */
async function moments(files: readonly File[], source: string, plan: Plan, told: (words: string) => void) {
  const refused: string[] = []
  const edits: Edit[] = []
  const taken: Record<string, unknown> = { ...plan.photographs }
  const first = 1 + Math.max(0, ...Object.values(plan.photographs).map(({ order }) => order))
  for (const [i, file] of byName(files).entries()) {
    told(files.length === 1 ? 'Measuring the photograph \u2026' : `Measuring ${i + 1} of ${files.length} \u2026`)
    try {
      const hash = await bringIn(file)
      const light = await usePainter().light(hash)
      if (light === undefined) throw new Error('The server does not give the picture back.')
      const title = file.name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Photograph'
      const id = freshId(title, taken, Math.random)
      taken[id] = true
      edits.push({
        do: 'add',
        collection: 'photographs',
        id,
        value: { title, order: first + i, source, file: hash, light },
      })
    } catch (error) {
      refused.push((error as Error).message)
    }
  }
  return { edits, refused }
}

/**
 * What an overlay is looked at over: each picture that comes there, in photographs where some were given of it, else as a
 * test picture; and what brings photographs in and takes them out.
 */
export function useUnder(row: () => OverlayRow, busy: { value: string }) {
  const store = usePlanStore()
  const notices = useNotices()
  const plan = computed(() => store.plan ?? emptyPlan(''))
  const at = ref(0)
  watch(
    () => row().id,
    () => (at.value = 0),
  )
  const views = computed(() =>
    row().over.flatMap(one => {
      const given = Object.entries(plan.value.photographs)
        .filter(([, { source }]) => source === one.device)
        .sort(([, a], [, b]) => a.order - b.order)
      return given.length ? given.map(([id, photograph]) => ({ ...one, id, photograph })) : [one]
    }),
  )
  type View = (typeof views.value)[number] & {
    readonly id?: string
    readonly photograph?: { title: string; file: string }
  }
  const under = computed((): View | undefined => views.value[at.value % Math.max(1, views.value.length)])

  /** One photograph, or the pictures of a clip in the order of their names: each is a moment that is measured. */
  async function give(files: readonly File[]): Promise<void> {
    const source = under.value?.device
    if (source === undefined || files.length === 0) return
    if (files.length > MOST) {
      notices.tell(`${files.length} pictures are too many at once: at most ${MOST} moments are taken.`, 'wrong')
      return
    }
    const { edits, refused } = await moments(files, source, plan.value, words => (busy.value = words))
    busy.value = ''
    if (refused.length)
      notices.tell(
        files.length === 1 ? refused[0]! : `${refused.length} of ${files.length} were not taken: ${refused[0]}`,
        'wrong',
      )
    if (edits.length === 0) return
    const name = plan.value.devices[source]?.name ?? source
    const many = edits.length === 1 ? 'A photograph' : `${edits.length} photographs`
    await store.commit(`${many} of ${name}`.slice(0, 120), edits)
    const [shown] = edits
    at.value = Math.max(
      0,
      views.value.findIndex(one => 'id' in one && shown?.do === 'add' && one.id === shown.id),
    )
  }
  const ofSource = computed(() =>
    Object.entries(plan.value.photographs).flatMap(([id, { source }]) => (source === under.value?.device ? [id] : [])),
  )
  /** The one that is looked at, or all of its source. */
  async function drop(every = false): Promise<void> {
    const one = under.value
    if (one?.id === undefined) return
    const gone = every ? ofSource.value : [one.id]
    const words = every ? `${gone.length} photographs of ${one.name}` : `the photograph ${one.photograph?.title ?? ''}`
    await store.commit(
      `Take ${words} out`.slice(0, 120),
      gone.map((id): Edit => ({ do: 'remove', collection: 'photographs', id })),
    )
  }
  return {
    under,
    count: computed(() => views.value.length),
    given: computed(() => ofSource.value.length),
    next: () => (at.value += 1),
    give,
    drop,
  }
}
