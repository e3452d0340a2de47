import { type ComputedRef, computed, ref, shallowRef, toRaw, watch } from 'vue'
import { ofSteps } from '#core/catalog'
import type { GraphicEntry } from '#core/document'
import type { OverlayRow } from '#core/features/keys'
import { type Cells, type Setting, measured } from '#core/picture'
import { percent } from '#core/words'
import { useNotices } from '~/shell/notices'
import { usePainter } from '~/workers/painter'

/** What one step of the clip to either side would cost, in words. */
function costs({ scale, misread }: OverlayRow, cells: Cells | undefined, setting: Setting): string {
  const near = ([by, words]: readonly [number, string]): string[] => {
    const clip = setting.clip + by
    if (clip < 0 || clip > scale.steps || !cells) return []
    const there = measured(cells, 'luma', { ...setting.cut, ...ofSteps(scale, clip, setting.gain) }, misread)
    const lost = (there.lost ?? 0) - (setting.measured.lost ?? 0)
    const haze = (there.haze ?? 0) - (setting.measured.haze ?? 0)
    const told = [
      ...(lost > 0 ? [`loses ${percent(lost)} more`] : []),
      ...(haze > 0 ? [`leaves ${percent(haze)} more`] : []),
    ]
    return told.length ? [`a step ${words} ${told.join(' and ')}`] : []
  }
  const steps = [
    [1, 'up'],
    [-1, 'down'],
  ] as const
  return steps.flatMap(near).join('; ') || 'a step up or down costs nothing'
}

/** Looks for the best clip and gain of a key by brightness; what was found waits until it is taken. */
export function useFind(
  row: () => OverlayRow,
  graphic: ComputedRef<GraphicEntry | undefined>,
  cells: ComputedRef<Cells | undefined>,
  use: (setting: Setting) => void,
) {
  const notices = useNotices()
  const tried = shallowRef<{ readonly id: string; readonly setting: Setting; readonly words: string }>()
  const finding = ref(false)
  const triedHere = computed(() => (tried.value?.id === row().id && graphic.value ? tried.value : undefined))
  watch([() => row().overlay.graphic, () => row().overlay.invert], () => (tried.value = undefined))

  async function find(): Promise<void> {
    const [one, asked] = [graphic.value, row()]
    if (!one || asked.overlay.kind !== 'luma' || finding.value) return
    finding.value = true
    try {
      const set = asked.overlay.invert ? ({ invert: true } as const) : {}
      const setting = await usePainter().find(toRaw(one), { ...asked.scale }, set, asked.misread)
      if (!setting) {
        notices.tell('Nothing of this picture can be judged: nothing in it is told from its ground.', 'wrong')
        return
      }
      const { lost = 0, haze = 0, soft } = setting.measured
      const parts = [
        `${percent(lost)} lost`,
        `${percent(haze)} stays`,
        ...(soft === undefined ? [] : [`${percent(soft)} of the soft edge`]),
        costs(asked, cells.value, setting),
      ]
      tried.value = { id: asked.id, setting, words: parts.join(', ') }
    } finally {
      finding.value = false
    }
  }
  function take(): void {
    const one = triedHere.value
    if (!one) return
    tried.value = undefined
    use(one.setting)
  }
  return { finding, find, triedHere, take }
}
