import { shallowRef, watch } from 'vue'
import type { Kept } from '#core/features/rehearsal'

/** A run that was kept in this browser. */
export interface KeptRun {
  readonly title: string
  /** When it was kept, ISO. */
  readonly at: string
  readonly run: Kept
}

/** The most runs of one plan that a browser keeps; the oldest goes first. */
const MOST_KEPT = 12

/** Runs of one plan, kept in this browser; `full` says that one more found no room. */
export function useKeptRuns(plan: () => string) {
  const key = (name: string): string => `interlumen:runs:${name}`
  const runs = shallowRef<readonly KeptRun[]>([])
  watch(
    plan,
    name => {
      try {
        const found: unknown = JSON.parse(localStorage.getItem(key(name)) ?? '[]')
        runs.value = Array.isArray(found) ? (found as KeptRun[]) : []
      } catch {
        runs.value = []
      }
    },
    { immediate: true },
  )
  /** False where the browser has no room for it. */
  function set(next: readonly KeptRun[]): boolean {
    const kept = next.slice(-MOST_KEPT)
    try {
      localStorage.setItem(key(plan()), JSON.stringify(kept))
    } catch {
      return false
    }
    runs.value = kept
    return true
  }
  return {
    runs,
    add: (run: KeptRun): boolean => set([...runs.value, run]),
    remove: (run: KeptRun): boolean => set(runs.value.filter(one => one !== run)),
  }
}
