import { useMediaQuery } from '@vueuse/core'
import { type ComputedRef, type Ref, computed } from 'vue'

interface Instant {
  readonly segment?: string
  readonly segmentTitle?: string
}

/**
 * The moments that a table has room for, by their place: all, or where the screen is narrow those of the segment in which
 * the chosen one stands. And the segments over them, with how many stand under each.
 */
export function useMoments(
  instants: () => readonly Instant[],
  column: Ref<number>,
): {
  readonly shown: ComputedRef<readonly number[]>
  readonly groups: ComputedRef<readonly { readonly title: string; readonly count: number }[]>
  readonly narrow: Ref<boolean>
} {
  const narrow = useMediaQuery('(max-width: 1000px)')
  const shown = computed(() => {
    const all = instants()
    const here = all[column.value]?.segment
    return all.flatMap((one, i) => (!narrow.value || one.segment === here ? [i] : []))
  })
  const groups = computed(() => {
    const found: { title: string; count: number; segment: string | undefined }[] = []
    for (const i of shown.value) {
      const { segment, segmentTitle = 'As it stands' } = instants()[i]!
      const last = found.at(-1)
      if (last && last.segment === segment) last.count++
      else found.push({ title: segmentTitle, count: 1, segment })
    }
    return found
  })
  return { shown, groups, narrow }
}
