import { proxy, releaseProxy, wrap } from 'comlink'
import type { Plan } from '#core/document'
import type { Asked, Offer, Proposals, Progress } from '#core/features/patch'

import type { Solver } from './protocol'

export interface Seeking {
  /** Undefined when it was stopped. */
  readonly outcome: Promise<Proposals | undefined>
  readonly stop: () => void
}

/** Looks for plans in a worker of its own, which ends with the search. */
export function seek(
  plan: Plan,
  asked: Asked,
  progress: (step: Progress) => void,
  found: (offer: Offer) => void,
): Seeking {
  const worker = new Worker(new URL('./solve.worker.ts', import.meta.url), { type: 'module', name: 'solve' })
  const remote = wrap<Solver>(worker)
  let stop = () => {}
  const stopped = new Promise<undefined>(resolve => {
    stop = () => resolve(undefined)
  })
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', event => reject(new Error(event.message || 'the solver could not be started'))),
  )
  const outcome = Promise.race([
    remote.propose(plan, asked, proxy(progress), proxy(found)) as Promise<Proposals>,
    stopped,
    failed,
  ]).finally(() => {
    remote[releaseProxy]()
    worker.terminate()
  })
  return { outcome, stop }
}
