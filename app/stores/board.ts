import { defineStore } from 'pinia'
import { ref } from 'vue'

/** What an opened lane shows: remedies, what else the chosen part could be, or what would explain a symptom. */
export type Unfolded = 'mend' | 'change' | 'why'

/** What is chosen on the runs board, and what is unfolded. */
export const useBoardStore = defineStore('board', () => {
  const lane = ref<string>()
  const part = ref('origin')
  const open = ref(false)
  const mode = ref<Unfolded>('mend')
  const dialog = ref<'add' | 'palette' | 'help' | 'measure' | 'rename' | 'label' | 'name'>()

  function choose(laneId: string, partKey: string): void {
    lane.value = laneId
    part.value = partKey
  }

  function unfold(how: Unfolded): void {
    open.value = true
    mode.value = how
  }

  return { lane, part, open, mode, dialog, choose, unfold }
})
