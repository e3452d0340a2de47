import { useEventListener } from '@vueuse/core'
import { useBoardStore } from '~/board/selection'

/**
 * Keys that work as soon as a screen opens: what is pressed while nothing has the focus goes to the screen's list as if
 * it had it. Dialogs and questions go first.
 */
export function useIdleKeys(handle: (event: KeyboardEvent) => void): void {
  const selection = useBoardStore()
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    const idle = document.activeElement === document.body || document.activeElement === null
    if (idle && !selection.dialog && !event.ctrlKey && !event.metaKey && !event.altKey) handle(event)
  })
}
