import { defineStore } from 'pinia'
import { ref } from 'vue'

/** What is chosen on the runs board, and what is unfolded. */
export const useBoardStore = defineStore('board', () => {
  const lane = ref<string>()
  const part = ref('origin')
  const open = ref(false)
  /** Mend shows remedies, change what else the chosen part could be. */
  const mode = ref<'mend' | 'change'>('mend')
  const dialog = ref<'add' | 'palette' | 'help' | 'measure' | 'rename' | 'label' | 'name'>()

  function choose(laneId: string, partKey: string): void {
    lane.value = laneId
    part.value = partKey
  }

  function unfold(how: 'mend' | 'change'): void {
    open.value = true
    mode.value = how
  }

  return { lane, part, open, mode, dialog, choose, unfold }
})
