import { defineStore } from 'pinia'
import { shallowRef } from 'vue'

export interface Notice {
  readonly text: string
  readonly kind: 'info' | 'wrong'
  /** One thing that can be done about it. */
  readonly action?: { readonly label: string; readonly run: () => void }
}

/** The one line at the foot of the screen that says what has just happened. */
export const useNotices = defineStore('notices', () => {
  const notice = shallowRef<Notice>()
  let timer: ReturnType<typeof setTimeout> | undefined

  function tell(text: string, kind: Notice['kind'] = 'info', action?: Notice['action']): void {
    clearTimeout(timer)
    notice.value = { text, kind, ...(action ? { action } : {}) }
    timer = setTimeout(clear, kind === 'wrong' ? 15_000 : action ? 10_000 : 4000)
  }

  function clear(): void {
    notice.value = undefined
  }

  return { notice, tell, clear }
})
