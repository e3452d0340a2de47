import { wrap, type Remote } from 'comlink'
import { checkerAhead } from '~/plan/ahead'
import type { Checker } from './protocol'

let remote: Remote<Checker> | undefined

/** The one worker of the page; it starts when it is first asked for. */
export function useChecker(): Remote<Checker> {
  remote ??= wrap<Checker>(
    checkerAhead() ?? new Worker(new URL('./check.worker.ts', import.meta.url), { type: 'module', name: 'check' }),
  )
  return remote
}
