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

/**
 * The key belongs to a field in which something is typed or chosen; of a box to tick that is the space bar alone, of a
 * list all but what is pressed with Ctrl.
 */
export function isTyped({ target, key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false
  if (target instanceof HTMLSelectElement && (ctrlKey || metaKey)) return false
  if (target instanceof HTMLInputElement && (target.type === 'checkbox' || target.type === 'radio')) return key === ' '
  if (target instanceof HTMLInputElement && target.type === 'range') return /^(?:Arrow|Page|Home|End)/.test(key)
  return target.closest('input, textarea, select, [contenteditable]') !== null
}
