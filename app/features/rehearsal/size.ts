import { type Ref, computed, ref, watch } from 'vue'

/** Below this share of the show's frames, for so many seconds in a row, a machine does not keep up. */
const KEEPS_UP = 0.8
const PATIENCE_S = 2
/** By how much the picture falls at a time, and the width below which it does not, px. */
const STEP = 1.5
const LEAST = 320

/** So many seconds with nearly all frames, and a step larger is tried; twice as long each time that it was too large. */
const ALL = 0.96
const TRIES_AFTER_S = 5
const TRIES_AT_MOST_AFTER_S = 80

/** The width at which a picture is drawn, one step smaller after every second that shows it is too large. */
export const fallen = (width: number, steps: number): number =>
  Math.min(width, Math.max(LEAST, Math.round(width / STEP ** steps)))

/**
 * The width at which a picture of a wanted width is drawn, px; `second` takes the frames that were drawn in the last one.
 * It falls where a machine does not keep up, and rises again where that was for a while.
 * `rate`: frames a second that are due now; undefined while none are. Another wanted width begins anew.
 */
export function useDrawnSize(wanted: Ref<number>, rate: () => number | undefined) {
  const steps = ref(0)
  let late = 0
  let good = 0
  let tries = TRIES_AFTER_S
  let risen = false
  watch(wanted, () => {
    steps.value = 0
    late = 0
    good = 0
    tries = TRIES_AFTER_S
    risen = false
  })
  function second(frames: number): void {
    const due = rate()
    late = due !== undefined && frames > 0 && frames < KEEPS_UP * due ? late + 1 : 0
    good = due !== undefined && frames >= ALL * due ? good + 1 : 0
    if (steps.value > 0 && good >= tries) {
      steps.value -= 1
      good = 0
      risen = true
    }
    if (late < PATIENCE_S || fallen(wanted.value, steps.value) <= LEAST) return
    steps.value += 1
    late = 0
    if (risen) tries = Math.min(TRIES_AT_MOST_AFTER_S, tries * 2)
    risen = false
  }
  return { width: computed(() => fallen(wanted.value, steps.value)), second }
}
