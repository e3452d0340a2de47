import type { Plan } from '../core/document'
import { check } from '../core/features'
import { random } from './chains'
import { CLEAR, type Patch, kept, patches } from './graphics'
import { byPair, onBlackPage } from './overlaid'

// Graphics drawn by chance, with what is wrong with each by its construction: from areas, levels and places alone.

const [WIDTH, HEIGHT] = [320, 180]
/** Codes whose faults are told apart. */
const TOLD = ['K03', 'K04', 'K05', 'K10', 'K11', 'K12', 'K13'] as const
type Told = (typeof TOLD)[number]

interface Made {
  readonly plan: Plan
  /** What is wrong with it, by its construction: worked out from areas, levels and places alone. */
  readonly wrong: ReadonlySet<Told>
}

const between = (r: () => number, low: number, high: number): number => low + r() * (high - low)
const whole = (r: () => number, low: number, high: number): number => Math.round(between(r, low, high))
/** Solidity of a brightness 0 .. 1. */
const matte = (y: number, clip: number, gain: number): number =>
  Math.min(1, Math.max(0, (y - clip) / Math.max(1 - gain, 1 / 255)))
const DEFAULT = { clip: 0.04, gain: 0.96 }
/** Luminance of a grey 0 .. 1 (IEC 61966-2-1). */
const light = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4)

/** A caption: a plate of one grey and white letters, well within the picture. */
interface Caption {
  readonly x: number
  readonly y: number
  readonly w: number
  readonly h: number
  readonly letters: number
}
const caption = (r: () => number): Caption => ({
  x: whole(r, 25, 60),
  y: whole(r, 100, 120),
  w: whole(r, 120, 200),
  h: 30,
  letters: whole(r, 12, 18),
})
const bars = ({ x, y, w, h, letters }: Caption, ink: readonly number[]): Patch[] =>
  Array.from({ length: Math.floor((w - 20) / 12) }, (_, i): Patch => [
    x + 10 + i * 12,
    y + Math.floor((h - letters) / 2),
    6,
    letters,
    ink,
  ])
const areaOf = (list: readonly Patch[]): number => list.reduce((sum, [, , w, h]) => sum + w * h, 0)
const boxOf = ({ x, y, w, h }: Caption) => ({ name: { x: x / WIDTH, y: y / HEIGHT, w: w / WIDTH, h: h / HEIGHT } })
const grey = (v: number, a?: number): number[] => (a === undefined ? [v, v, v] : [v, v, v, a])

const MAKERS: Readonly<Record<string, (r: () => number) => Made>> = {
  'a clean caption': r => {
    const at = caption(r)
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(whole(r, 40, 100), 255)],
      ...bars(at, grey(255, 255)),
    ])
    return { plan: onBlackPage(kept(graphic, boxOf(at))), wrong: new Set() }
  },
  'a black shadow': r => {
    const at = caption(r)
    const deep = whole(r, 0, 6)
    const alpha = whole(r, 140, 255)
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(90, 255)],
      ...bars(at, grey(255, 255)),
      ...(deep ? [[at.x, at.y + at.h, at.w, deep, grey(0, alpha)] as Patch] : []),
    ])
    const share = deep / (deep + at.h)
    // So small a shadow is no loss; where it is not quite solid it is a soft edge, of which nothing is kept.
    const wrong: Told | undefined = share > 0.02 ? 'K04' : deep && alpha / 255 < 0.95 ? 'K11' : undefined
    return { plan: onBlackPage(kept(graphic, boxOf(at))), wrong: new Set(wrong ? [wrong] : []) }
  },
  'a ground that is not quite black': r => {
    const at = caption(r)
    const level = whole(r, 0, 24)
    const graphic = patches(WIDTH, HEIGHT, grey(level), [[at.x, at.y, at.w, at.h, grey(90)], ...bars(at, grey(255))])
    const veil = matte(level / 255, DEFAULT.clip, DEFAULT.gain)
    return { plan: onBlackPage(kept(graphic, boxOf(at))), wrong: new Set(veil > 0.02 ? ['K05'] : []) }
  },
  'marks on a light board': r => {
    const [board, mark] = [whole(r, 150, 255), whole(r, 0, 100)]
    const graphic = patches(WIDTH, HEIGHT, grey(board), [
      [60, 50, 100, 4, grey(mark)],
      [160, 50, 4, 60, grey(mark)],
    ])
    const invert = r() < 0.5
    const set = { clip: mark / 255 + 0.05, gain: 1 - ((board - mark) / 255) * 0.5 }
    return {
      plan: onBlackPage(kept(graphic), invert ? { ...set, invert: true } : {}),
      wrong: new Set(invert ? [] : ['K10']),
    }
  },
  'a clip and a gain by chance': r => {
    const at = caption(r)
    const level = whole(r, 110, 200)
    const set = { clip: Math.round(between(r, 0, 95)) / 100, gain: Math.round(between(r, 0, 100)) / 100 }
    const letters = bars(at, grey(255, 255))
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [[at.x, at.y, at.w, at.h, grey(level, 255)], ...letters])
    // Half as solid as meant, or less.
    const [platesGone, lettersGone] = [level / 255, 1].map(y => matte(y, set.clip, set.gain) < 0.5) as [
      boolean,
      boolean,
    ]
    const lost = (platesGone ? at.w * at.h - areaOf(letters) : 0) + (lettersGone ? areaOf(letters) : 0)
    return { plan: onBlackPage(kept(graphic), set), wrong: new Set(lost / (at.w * at.h) > 0.02 ? ['K11'] : []) }
  },
  'a plate that lets the picture through': r => {
    const at = caption(r)
    const [level, alpha] = [whole(r, 0, 90), whole(r, 60, 255)]
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(level, alpha)],
      ...bars(at, grey(255, 255)),
    ])
    // Over white, behind the plate: a c + 1 - a.
    const behind = (alpha / 255) * (level / 255) + 1 - alpha / 255
    const contrast = 1.05 / (light(behind) + 0.05)
    return { plan: byPair(kept(graphic, boxOf(at))), wrong: new Set(contrast < 3 ? ['K12'] : []) }
  },
  'words somewhere': r => {
    const at = { ...caption(r), x: whole(r, 0, 100), y: whole(r, 0, 145) }
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(80, 255)],
      ...bars(at, grey(255, 255)),
    ])
    const safe =
      at.x >= 0.05 * WIDTH && at.x + at.w <= 0.95 * WIDTH && at.y >= 0.05 * HEIGHT && at.y + at.h <= 0.95 * HEIGHT
    return { plan: onBlackPage(kept(graphic, boxOf(at))), wrong: new Set(safe ? [] : ['K13']) }
  },
  'letters of some height': r => {
    const at = { ...caption(r), letters: whole(r, 4, 12) }
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(80, 255)],
      ...bars(at, grey(255, 255)),
    ])
    return { plan: onBlackPage(kept(graphic, boxOf(at))), wrong: new Set(at.letters < 0.04 * HEIGHT ? ['K13'] : []) }
  },
  'a flag by chance': r => {
    const at = caption(r)
    const alpha = whole(r, 180, 255)
    const level = whole(r, 0, 90)
    const graphic = patches(WIDTH, HEIGHT, CLEAR, [
      [at.x, at.y, at.w, at.h, grey(level, alpha)],
      // Straight for certain: white that is not solid.
      ...bars(at, grey(255, 250)),
    ])
    const premultiplied = r() < 0.5
    return {
      plan: byPair(kept(graphic), premultiplied ? { premultiplied } : {}),
      wrong: new Set(premultiplied ? ['K03'] : []),
    }
  },
}

/** How often each fault is there and told, there and silent, told and not there, and neither; and where the two differ. */
export function confusion(count: number): {
  readonly table: Readonly<Record<Told, readonly [told: number, silent: number, wrong: number, right: number]>>
  readonly differ: readonly string[]
} {
  const kinds = Object.keys(MAKERS)
  const table = Object.fromEntries(TOLD.map(code => [code, [0, 0, 0, 0]])) as Record<
    Told,
    [number, number, number, number]
  >
  const differ: string[] = []
  for (let i = 0; i < count; i++) {
    const kind = kinds[i % kinds.length]!
    const { plan, wrong } = MAKERS[kind]!(random(1 + i))
    const found = new Set<string>(check(plan).findings.map(({ id }) => id))
    for (const code of TOLD) {
      const [is, said] = [wrong.has(code), found.has(code)]
      table[code][is ? (said ? 0 : 1) : said ? 2 : 3]++
      if (is !== said) differ.push(`${kind} ${i}: ${code} is ${is ? 'there and not told' : 'told and not there'}`)
    }
  }
  return { table, differ }
}
