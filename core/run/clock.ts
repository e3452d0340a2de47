import type { RateText } from '#core/signal'

/** Ticks of a run in a second: every frame time of the standards is whole in it, and a millisecond is 240. */
export const TICKS_PER_S = 240_000
export const TICKS_PER_MS = TICKS_PER_S / 1000

/** Frame time of a rate, ticks: 4004 at 60000/1001, 4800 at 50/1. Throws where it is no whole number of them. */
export function frameTicks(rate: RateText): number {
  const [num, den] = rate.split('/').map(Number) as [number, number]
  const ticks = (TICKS_PER_S * den) / num
  if (!Number.isInteger(ticks)) throw new Error(`a frame of ${rate} is no whole number of ticks`)
  return ticks
}

/** A frame clock: frame k begins at phase + k * frame, ticks. */
export interface Clock {
  readonly frame: number
  /** 0 <= phase < frame. */
  readonly phase: number
}

/** The frame that is under way at a tick. */
export const frameAt = ({ frame, phase }: Clock, tick: number): number => Math.floor((tick - phase) / frame)

/** When a frame begins. */
export const boundary = ({ frame, phase }: Clock, k: number): number => phase + k * frame

/** The first frame in which a command that comes at a tick is seen: the one after that in which it is received; at a boundary, that one. */
export const seenFrom = (clock: Clock, tick: number): number => Math.ceil((tick - clock.phase) / clock.frame) + 0
