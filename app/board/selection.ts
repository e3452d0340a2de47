import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Filter } from '~/board/fold'

/** What an opened lane shows: remedies, what else the chosen part could be, what would explain a symptom, or how much reach is left. */
export type Unfolded = 'mend' | 'change' | 'why' | 'margin'

/** What is chosen on the runs board, and what is unfolded. */
export const useBoardStore = defineStore('board', () => {
  const lane = ref<string>()
  const part = ref('origin')
  const open = ref(false)
  const mode = ref<Unfolded>('mend')
  const dialog = ref<
    'add' | 'palette' | 'help' | 'measure' | 'rename' | 'label' | 'name' | 'entry' | 'copy' | 'accept' | 'reserve'
  >()
  /** What of the board is shown. */
  const filter = ref<Filter>({})
  const filtering = ref(false)
  /** Lit lanes told together; undefined, as many as there are decides. */
  const ribbons = ref<boolean>()

  function choose(laneId: string, partKey: string): void {
    lane.value = laneId
    part.value = partKey
  }

  function unfold(how: Unfolded): void {
    open.value = true
    mode.value = how
  }

  return { lane, part, open, mode, dialog, filter, filtering, ribbons, choose, unfold }
})
