import type { Validators } from './validators-now'

// In a browser they are half of the program, and nobody needs them to see a plan: they come when they are asked for.

let there: Validators | undefined
let coming: Promise<void> | undefined

export function validators(): Validators {
  if (!there) throw new Error('shapes are checked before their validators are there: await validatorsReady() first')
  return there
}

/** What to wait for before shapes can be checked; nothing once they are there. A load that failed is tried anew. */
export function validatorsReady(): Promise<void> | undefined {
  if (there) return undefined
  coming ??= import('./validators.generated').then(
    compiled => {
      there = compiled
    },
    (error: unknown) => {
      coming = undefined
      throw error
    },
  )
  return coming
}
