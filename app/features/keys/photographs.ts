import { computed, ref, watch } from 'vue'
import { emptyPlan, freshId } from '#core/document'
import type { OverlayRow } from '#core/features/keys'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'
import { bringIn } from './bring'

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

  async function give(file: File): Promise<void> {
    const source = under.value?.device
    if (source === undefined) return
    busy.value = 'Measuring the photograph \u2026'
    try {
      const hash = await bringIn(file)
      const light = await usePainter().light(hash)
      if (light === undefined) throw new Error('The server does not give the picture back.')
      const title = file.name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Photograph'
      const order = 1 + Math.max(0, ...Object.values(plan.value.photographs).map(one => one.order))
      const id = freshId(title, plan.value.photographs, Math.random)
      const value = { title, order, source, file: hash, light }
      const name = plan.value.devices[source]?.name ?? source
      await store.commit(`A photograph of ${name}`.slice(0, 120), [{ do: 'add', collection: 'photographs', id, value }])
      at.value = Math.max(
        0,
        views.value.findIndex(one => 'id' in one && one.id === id),
      )
    } catch (error) {
      notices.tell((error as Error).message, 'wrong')
    } finally {
      busy.value = ''
    }
  }
  async function drop(): Promise<void> {
    const one = under.value
    if (one?.id === undefined) return
    await store.commit(`Take the photograph ${one.photograph?.title ?? ''} out`.slice(0, 120), [
      { do: 'remove', collection: 'photographs', id: one.id },
    ])
  }
  return { under, count: computed(() => views.value.length), next: () => (at.value += 1), give, drop }
}
