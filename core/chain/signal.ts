import type { Carried, Delay } from '#core/catalog'
import type { LinkEnd } from '#core/document'
import {
  type Aspect,
  type Coding,
  type Division,
  type Level,
  type Range,
  type Transfer,
  type VideoFormat,
  frameMs,
} from '#core/signal'

/** A delay in milliseconds, from best to worst case. */
export interface DelayMs {
  readonly min: number
  readonly typ: number
  readonly max: number
}

export const NO_DELAY: DelayMs = { min: 0, typ: 0, max: 0 }

/** A picture on its way. */
export interface Signal {
  readonly format: VideoFormat
  readonly coding: Coding
  /** The output where the run begins: of a source, or of a switcher. */
  readonly origin: LinkEnd
  /** The output whose setting decided the format: the origin, or a scaler on the way. */
  readonly setBy: LinkEnd
  /** What a switcher's output carries; absent for sources. */
  readonly feed?: Carried
  /** Since the origin, the origin's own delay included. */
  readonly delay: DelayMs
  readonly range: Range
  readonly transfer: Transfer
  readonly aspect: Aspect
  /** Share of the frame's width that the picture fills, 0 .. 1. */
  readonly fills: number
  /** How it lies on 3G-SDI, and among several links. */
  readonly level: Level
  readonly division: Division
  readonly protected: boolean
  /** Menus and readouts lie in it. */
  readonly readouts: boolean
  /** Share of its reach that is used up before a device which did not renew it, 0 .. 1; absent, none. */
  readonly spent?: number
}

/** Frames count those of `format`; absent delays are none. */
export function delayMs(delay: Delay | undefined, format: VideoFormat): DelayMs {
  if (!delay) return NO_DELAY
  const unit = delay.unit === 'ms' ? 1 : frameMs(format.rate)
  return { min: delay.min * unit, typ: delay.typ * unit, max: delay.max * unit }
}

export function addDelay(a: DelayMs, b: DelayMs): DelayMs {
  return { min: a.min + b.min, typ: a.typ + b.typ, max: a.max + b.max }
}

/** The span of two alternatives; typical is the later one, since the slowest picture decides. */
export function spanDelay(a: DelayMs, b: DelayMs): DelayMs {
  return { min: Math.min(a.min, b.min), typ: Math.max(a.typ, b.typ), max: Math.max(a.max, b.max) }
}
