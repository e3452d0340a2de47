import type { Checked } from '#core/propose'
import { type Loss, lossesOf, whatIf, type LossEffect } from './loss'
import { hitMoments } from './moments'

/** What each single failure would darken. Stops after each, so that an edit that waits goes first. */
function* losses(checked: Checked): Generator<void, readonly LossEffect[]> {
  const effects: LossEffect[] = []
  for (const loss of lossesOf(checked.traced.plan)) {
    effects.push(whatIf(checked, loss))
    yield
  }
  return effects
}

/** What one of them does to the running order. */
const lossMoments = ({ traced }: Checked, loss: Loss): ReturnType<typeof hitMoments> => hitMoments(traced, loss)

export const QUERIES = { losses, lossMoments }
