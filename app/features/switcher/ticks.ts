import { useLocalStorage } from '@vueuse/core'
import { type MaybeRefOrGetter, computed, toValue } from 'vue'

/** What was ticked off on the sheets of a plan; it is kept in this browser, since it tells of the gear, not of the plan. */
export function useTicks(plan: MaybeRefOrGetter<string>) {
  const all = useLocalStorage<Record<string, Record<string, true>>>('ticks', {})
  const here = computed(() => all.value[toValue(plan)] ?? {})
  const keep = (next: Record<string, true>): void => {
    const { [toValue(plan)]: _, ...others } = all.value
    all.value = Object.keys(next).length ? { ...others, [toValue(plan)]: next } : others
  }
  return {
    has: (key: string): boolean => here.value[key] === true,
    turn(key: string): void {
      const { [key]: was, ...rest } = here.value
      keep(was ? rest : { ...rest, [key]: true })
    },
    /** Takes back all ticks whose key begins so. */
    clear(prefix: string): void {
      keep(Object.fromEntries(Object.entries(here.value).filter(([key]) => !key.startsWith(prefix))))
    },
  }
}
