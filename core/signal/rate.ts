/**
 * Exact frame rates. A rate is a rational number of frames per second; a label such as "29.97" is for reading only
 * and never enters a computation.
 */
export interface Rate {
  /** Canonical text "num/den", in frames per second, in lowest terms. */
  readonly text: RateText
  readonly num: number
  readonly den: number
  /** What people read, e.g. "29.97". */
  readonly label: string
  /** The integer rate whose raster totals apply: 24000/1001 and 24 share those of 24. */
  readonly nominal: number
}

export const RATE_TEXTS = [
  '24000/1001',
  '24/1',
  '25/1',
  '30000/1001',
  '30/1',
  '48000/1001',
  '48/1',
  '50/1',
  '60000/1001',
  '60/1',
  '100/1',
  '120000/1001',
  '120/1',
] as const
export type RateText = (typeof RATE_TEXTS)[number]

const LABELS: Partial<Record<RateText, string>> = {
  '24000/1001': '23.98',
  '30000/1001': '29.97',
  '48000/1001': '47.95',
  '60000/1001': '59.94',
  '120000/1001': '119.88',
}

export const RATES: ReadonlyMap<RateText, Rate> = new Map(
  RATE_TEXTS.map(text => {
    const [num, den] = text.split('/').map(Number) as [number, number]
    return [text, { text, num, den, label: LABELS[text] ?? String(num), nominal: den === 1 ? num : num / 1000 }]
  }),
)

/** Looks a canonical rate up. Throws RangeError when the text is not one of RATE_TEXTS. */
export function rate(text: RateText): Rate {
  const found = RATES.get(text)
  if (!found) throw new RangeError(`unknown frame rate ${text}`)
  return found
}

/** Frames per second as a floating-point number, for durations and drawings, never for equality. */
export function framesPerSecond(text: RateText): number {
  const { num, den } = rate(text)
  return num / den
}

/** Duration of one frame in milliseconds. */
export function frameMs(text: RateText): number {
  const { num, den } = rate(text)
  return (1000 * den) / num
}

/** True when the two rates differ by exactly the factor 1000/1001 (e.g. 30 against 30000/1001). */
export function differsBy1001(a: RateText, b: RateText): boolean {
  return a !== b && rate(a).nominal === rate(b).nominal
}

/**
 * Seconds after which two unlocked rates are one whole frame apart: 1/|f1 - f2|.
 * Returns Infinity for equal rates. 30 against 30000/1001 gives 1001/30 s = 33.37 s.
 */
export function slipSeconds(a: RateText, b: RateText): number {
  const x = rate(a)
  const y = rate(b)
  const difference = Math.abs(x.num * y.den - y.num * x.den)
  return difference === 0 ? Infinity : (x.den * y.den) / difference
}

/**
 * Pictures a second that a converter shows once more or leaves out, beyond what is even: of fi into fo, with n as often as
 * one goes into the other, |fo - n fi| or |fi - n fo|. Even ones (25 into 50, 50 into 25) are 0; 24 into 60 is 12.
 */
export function unevenPerSecond(fi: number, fo: number): number {
  const [small, large] = [Math.min(fi, fo), Math.max(fi, fo)]
  const uneven = Math.abs(large - Math.floor(large / small + 0.01) * small)
  return uneven < 1e-9 ? 0 : uneven
}
