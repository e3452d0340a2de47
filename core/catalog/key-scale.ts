import { KEY_SCALE, type KeyScale, type Model } from './model'
import { mixOf } from './models'

/** How the panel of a mixing device shows clip and gain. */
export const keyScaleOf = (model: Model): KeyScale => mixOf(model)?.keyScale ?? KEY_SCALE

/** Clip and gain (0 .. 1) of whole steps of a panel. */
export const ofSteps = ({ steps, shows }: KeyScale, clip: number, gain: number) => ({
  clip: clip / steps,
  gain: shows === 'slope' ? 1 - 1 / (1 + gain) : gain / steps,
})

/** The whole steps that are nearest to a clip and a gain (0 .. 1). */
export function toSteps({ steps, shows }: KeyScale, { clip, gain }: { clip: number; gain: number }) {
  const within = (value: number) => Math.min(steps, Math.max(0, Math.round(value)))
  return {
    clip: within(clip * steps),
    gain: within(shows === 'slope' ? 1 / Math.max(1 - gain, 1 / (1 + steps)) - 1 : gain * steps),
  }
}

/** A step as the panel shows it: "7 %", "18", "x12". */
export function stepWords({ steps, shows }: KeyScale, which: 'clip' | 'gain', step: number): string {
  if (shows === 'percent') return `${Number(((step * 100) / steps).toFixed(1))}\u00A0%`
  return shows === 'slope' && which === 'gain' ? `\u00D7${step + 1}` : String(step)
}

/** "clip 7 %, gain 93 %", as the panel shows them. */
export function cutWords(scale: KeyScale, cut: { clip: number; gain: number }): string {
  const { clip, gain } = toSteps(scale, cut)
  return `clip ${stepWords(scale, 'clip', clip)}, gain ${stepWords(scale, 'gain', gain)}`
}
