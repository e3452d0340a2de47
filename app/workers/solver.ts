import { type Remote, proxy, releaseProxy, wrap } from 'comlink'
import type { Plan } from '#core/document'
import type { Asked, Offer, Proposals, Progress } from '#core/features/patch'

import type { Solver } from './protocol'

export interface Seeking<T = Proposals> {
  /** Undefined when it was stopped. */
  readonly outcome: Promise<T | undefined>
  readonly stop: () => void
}

/** Looks for plans in a worker of its own, which ends with the search. */
export const seek = (
  plan: Plan,
  asked: Asked,
  progress: (step: Progress) => void,
  found: (offer: Offer) => void,
): Seeking => alone(remote => remote.propose(plan, asked, proxy(progress), proxy(found)) as Promise<Proposals>)

/** Gives the overlays of a plan their keyers. */
export const seekKeyers = (plan: Plan): Seeking<Awaited<ReturnType<Solver['assign']>>> =>
  alone(remote => remote.assign(plan))

function alone<T>(ask: (remote: Remote<Solver>) => Promise<T>): Seeking<T> {
  const worker = new Worker(new URL('./solve.worker.ts', import.meta.url), { type: 'module', name: 'solve' })
  const remote = wrap<Solver>(worker)
  let stop = () => {}
  const stopped = new Promise<undefined>(resolve => {
    stop = () => resolve(undefined)
  })
  const failed = new Promise<never>((_, reject) =>
    worker.addEventListener('error', event => reject(new Error(event.message || 'the solver could not be started'))),
  )
  const outcome = Promise.race([ask(remote), stopped, failed]).finally(() => {
    remote[releaseProxy]()
    worker.terminate()
  })
  return { outcome, stop }
}
