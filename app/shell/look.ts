import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import type { Units } from '#core/words'
import { usePlanStore } from '../plan/store'

export const THEMES = ['night', 'day'] as const
export type Theme = (typeof THEMES)[number]

/** Night for a dark booth, day for paper and sun: what was chosen in this browser, else what the system asks for. */
export const useLook = defineStore('look', () => {
  const chosen = localStorage.getItem('interlumen:theme')
  const theme = ref<Theme>(
    chosen === 'day' || chosen === 'night'
      ? chosen
      : matchMedia('(prefers-color-scheme: light)').matches
        ? 'day'
        : 'night',
  )
  watch(
    theme,
    now => {
      document.documentElement.dataset.theme = now
    },
    { immediate: true },
  )

  function turn(to: Theme = theme.value === 'night' ? 'day' : 'night'): void {
    theme.value = to
    localStorage.setItem('interlumen:theme', to)
  }

  return { theme, turn }
})

/** The unit that the plan's lengths are read and typed in. */
export function useUnits() {
  const store = usePlanStore()
  return computed<Units>(() => ({ length: store.plan?.brief.units ?? 'm' }))
}

const METRES_PER_FOOT = 0.3048

/** A length as it is typed, in the plan's unit, to metres with three decimals. */
export const toMetres = (typed: number, { length }: Units): number =>
  Math.round(typed * (length === 'ft' ? METRES_PER_FOOT : 1) * 1000) / 1000

/** Metres as a figure to type, in the plan's unit. */
export const toTyped = (m: number, { length }: Units): string =>
  length === 'ft' ? String(Math.round((m / METRES_PER_FOOT) * 100) / 100) : String(m)
