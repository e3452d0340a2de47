import type { Checked } from '#core/propose'
import { lossesOf, whatIf, type LossEffect } from './loss'

/** What each single failure would darken. Stops after each, so that an edit that waits goes first. */
function* losses(checked: Checked): Generator<void, readonly LossEffect[]> {
  const effects: LossEffect[] = []
  for (const loss of lossesOf(checked.traced.plan)) {
    effects.push(whatIf(checked, loss))
    yield
  }
  return effects
}

export const QUERIES = { losses }
