import { type Ref, computed, ref, watch } from 'vue'

/** Below this share of the show's frames, for so many seconds in a row, a machine does not keep up. */
const KEEPS_UP = 0.8
const PATIENCE_S = 2
/** By how much the picture falls at a time, and the width below which it does not, px. */
const STEP = 1.5
const LEAST = 320

/** The width at which a picture is drawn, one step smaller after every second that shows it is too large. */
export const fallen = (width: number, steps: number): number =>
  Math.min(width, Math.max(LEAST, Math.round(width / STEP ** steps)))

/**
 * The width at which a picture of a wanted width is drawn, px; `second` takes the frames that were drawn in the last one.
 * `rate`: frames a second that are due now; undefined while none are. Another wanted width begins anew.
 */
export function useDrawnSize(wanted: Ref<number>, rate: () => number | undefined) {
  const steps = ref(0)
  let late = 0
  watch(wanted, () => {
    steps.value = 0
    late = 0
  })
  function second(frames: number): void {
    const due = rate()
    late = due !== undefined && frames > 0 && frames < KEEPS_UP * due ? late + 1 : 0
    if (late < PATIENCE_S || fallen(wanted.value, steps.value) <= LEAST) return
    steps.value += 1
    late = 0
  }
  return { width: computed(() => fallen(wanted.value, steps.value)), second }
}
