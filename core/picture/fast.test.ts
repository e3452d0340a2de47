import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { execFileSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { random } from '../../testing/chains'
import { SOAK } from '../../testing/soak'
import { type Chroma, chromaKeyed, inPairs } from './chroma'
import { drawnAtOnce } from './fast'
import { KERNELS } from './kernels/kernels.generated'
import { keyed, luma, matteTable, mixed } from './key'
import { type Colour, type Pixels, plain } from './pixels'
import { boxed, scaled } from './place'

const picture = (width: number, height: number, byte: (i: number) => number): Pixels => {
  const to = plain(width, height)
  for (let i = 0; i < to.data.length; i++) if (i % 4 !== 3) to.data[i] = byte(i)
  return to
}
/** Every pair of codes: 256 pixels by 256, old across and new down. */
const ACROSS = picture(256, 256, i => (i >> 2) % 256)
const DOWN = picture(256, 256, i => (i >> 2) >> 8)
const colours = (seed: number, width: number, height: number): Pixels => {
  const r = random(seed)
  return picture(width, height, () => Math.floor(r() * 256))
}
const clamp = (x: number) => Math.min(255, Math.max(0, x))
/** The largest difference from a formula that is worked out for each code, without rounding in between. */
const farthest = ({ data }: Pixels, formula: (i: number) => number): number => {
  let most = 0
  for (let i = 0; i < data.length; i++)
    most = Math.max(most, Math.abs(data[i]! - (i % 4 === 3 ? 255 : Math.floor(clamp(formula(i)) + 0.5))))
  return most
}

const SIXTEENTHS = fc.integer({ min: 0, max: 16 * 12 })

const written = readFileSync(new URL('kernels/kernels.generated.ts', import.meta.url), 'utf8')

describe('the fast ways', () => {
  it('of a mix are within one code of s new + (1 - s) old, for every pair of codes and every share of 1 to 50 frames', () => {
    for (const frames of [2, 3, 7, 12, 25, 50])
      for (let n = 0; n <= frames; n++) {
        const s = n / frames
        const most = farthest(mixed(ACROSS, DOWN, s), i => s * DOWN.data[i]! + (1 - s) * ACROSS.data[i]!)
        expect(most, `share ${n}/${frames}`).toBeLessThanOrEqual(1)
        if (n === 0 || n === frames) expect(most).toBe(0)
      }
  })
  it.each([
    // Sizes that end within a vector of four pixels too, and one that is a single pixel.
    [1, 1],
    [3, 1],
    [5, 7],
    [64, 36],
    [127, 3],
  ])('of a key are within one code of the plain formula at %i by %i', (width, height) => {
    for (const [n, gain] of [0, 0.5, 0.9, 1].entries())
      for (const invert of [false, true])
        for (const premultiplied of [false, true])
          for (const share of [1, 0.37]) {
            const [back, fill, key] = [1, 2, 3].map(k => colours(n * 10 + k, width, height)) as [Pixels, Pixels, Pixels]
            const table = matteTable(0.1, gain, invert)
            for (const cut of [undefined, key]) {
              const by = (cut ?? fill).data
              const most = farthest(
                keyed(back, fill, { table, premultiplied, ...(cut ? { key: cut } : {}) }, share),
                i => {
                  const p = i - (i % 4)
                  const a = table[luma(by[p]!, by[p + 1]!, by[p + 2]!)]! * share
                  return (premultiplied ? share : a) * fill.data[i]! + (1 - a) * back.data[i]!
                },
              )
              expect(most, `gain ${gain}, inverted ${invert}, premultiplied ${premultiplied}`).toBeLessThanOrEqual(1)
            }
          }
  })
  it('of a key cut exactly where it is clear or solid: the picture below, or the fill, to the code', () => {
    const ramp = picture(256, 1, i => i >> 2)
    const back = colours(4, 256, 1)
    for (const [clip, gain] of [
      [0.25, 1],
      [0.5, 0.9],
      [0, 0],
    ] as const) {
      const table = matteTable(clip, gain)
      const { data } = keyed(back, ramp, { table })
      for (let x = 0; x < 256; x++) {
        const a = table[x]!
        if (a === 0) expect([...data.slice(x * 4, x * 4 + 3)]).toEqual([...back.data.slice(x * 4, x * 4 + 3)])
        if (a === 1) expect([...data.slice(x * 4, x * 4 + 3)]).toEqual([x, x, x])
      }
    }
  })
  it('leave a mark of one pixel where it is, and nothing beside it', () => {
    const back = colours(5, 31, 9)
    for (let at = 0; at < 31 * 9; at++) {
      const fill = plain(31, 9)
      fill.data.set([255, 255, 255], at * 4)
      const { data } = keyed(back, fill, { table: matteTable(0.5, 1) })
      const unlike = Array.from({ length: 31 * 9 }, (_, p) => p).filter(p =>
        [0, 1, 2].some(c => data[p * 4 + c] !== back.data[p * 4 + c]),
      )
      expect(unlike).toEqual([at])
    }
  })
  it('are within two codes after a mix and two keys', () => {
    const [a, b, one, two] = [6, 7, 8, 9].map(seed => colours(seed, 40, 22)) as [Pixels, Pixels, Pixels, Pixels]
    const table = matteTable(0.2, 0.6)
    const result = keyed(keyed(mixed(a, b, 1 / 3), one, { table }), two, { table, premultiplied: true }, 0.8)
    const most = farthest(result, i => {
      const p = i - (i % 4)
      const cut = ({ data }: Pixels) => table[luma(data[p]!, data[p + 1]!, data[p + 2]!)]!
      const under = b.data[i]! / 3 + (a.data[i]! * 2) / 3
      const keyedOnce = cut(one) * one.data[i]! + (1 - cut(one)) * under
      return clamp(0.8 * two.data[i]! + (1 - cut(two) * 0.8) * keyedOnce)
    })
    expect(most).toBeLessThanOrEqual(2)
  })
  it('of brightness are those of BT.709, and BT.601 for SD: .2126 .7152 .0722 and .299 .587 .114 of 255', () => {
    const parts = [
      [255, 0, 0],
      [0, 255, 0],
      [0, 0, 255],
      [255, 255, 255],
    ] as const
    expect(parts.map(([r, g, b]) => luma(r, g, b))).toEqual([54, 182, 18, 255])
    expect(parts.map(([r, g, b]) => luma(r, g, b, 601))).toEqual([76, 150, 29, 255])
    // Blue is solid from 29 / 255 on by BT.601, and not at all by BT.709.
    const table = matteTable(0.1, 1)
    const blue = plain(4, 1, [0, 0, 255])
    expect(keyed(plain(4, 1), blue, { table }).data[2]).toBe(0)
    expect(keyed(plain(4, 1), blue, { table, weights: 601 }).data[2]).toBe(255)
  })
  it('of scaling are within one code of a tent of radius max(1, 1/scale), normalised, the edge pixel repeated', () => {
    for (const [n, [w, h, toW, toH]] of [
      [1, 1, 5, 3],
      [5, 7, 3, 2],
      [40, 22, 13, 9],
      [31, 9, 80, 45],
      [64, 36, 63, 37],
    ].entries() as IterableIterator<[number, [number, number, number, number]]>) {
      const from = colours(20 + n, w, h)
      const weights = (at: number, size: number, to: number) => {
        const [scale, centre] = [to / size, ((at + 0.5) * size) / to - 0.5]
        const radius = Math.max(1, 1 / scale)
        const all = Array.from({ length: size + 80 }, (_, j) => j - 40).map(
          j => [j, Math.max(0, 1 - Math.abs(j - centre) / radius)] as const,
        )
        const sum = all.reduce((total, [, weight]) => total + weight, 0)
        return all.filter(([, weight]) => weight > 0).map(([j, weight]) => [j, weight / sum] as const)
      }
      const inside = (j: number, size: number) => Math.min(size - 1, Math.max(0, j))
      const most = farthest(scaled(from, toW, toH), i => {
        const p = i >> 2
        return weights(p % toW, w, toW).reduce(
          (total, [x, across]) =>
            total +
            weights(Math.floor(p / toW), h, toH).reduce(
              (sum, [y, down]) => sum + across * down * from.data[(inside(y, h) * w + inside(x, w)) * 4 + (i & 3)]!,
              0,
            ),
          0,
        )
      })
      expect(most, `${w}x${h} to ${toW}x${toH}`).toBeLessThanOrEqual(1)
    }
  })
  it('of boxes count each pixel by the area that is covered, edges to 1/16 pixel', () =>
    fc.assert(
      fc.property(SIXTEENTHS, SIXTEENTHS, SIXTEENTHS, SIXTEENTHS, (x, y, w, h) => {
        const [left, top] = [x / 16, y / 16]
        const [right, bottom] = [Math.min(24, left + w / 16), Math.min(16, top + h / 16)]
        const part = { x: left / 24, y: top / 16, w: (right - left) / 24, h: (bottom - top) / 16 }
        const back = colours(30, 24, 16)
        const made = boxed(back, [{ picture: plain(5, 3, [10, 200, 60]), part }])
        const covered = (at: number, low: number, high: number) =>
          Math.max(0, Math.min(at + 1, high) - Math.max(at, low))
        const most = farthest(made, i => {
          const p = i >> 2
          const a = covered(p % 24, left, right) * covered(Math.floor(p / 24), top, bottom)
          return a * [10, 200, 60][i & 3]! + (1 - a) * back.data[i]!
        })
        expect(most).toBe(0)
      }),
    ))
  it('come to the same within one draw, also where its pictures need more memory than there is', () => {
    const [a, b, c] = [40, 41, 42].map(seed => colours(seed, 200, 113)) as [Pixels, Pixels, Pixels]
    const table = matteTable(0.3, 0.5)
    const layers = () => {
      let made = mixed(a, b, 0.25)
      for (let n = 0; n < 12; n++)
        made = keyed(boxed(made, [{ picture: c, part: { x: n / 20, y: 0.1, w: 0.3, h: 0.3 } }]), n % 2 ? c : b, {
          table,
        })
      return made.data
    }
    const plainly = layers()
    for (let times = 0; times < 3; times++) expect(drawnAtOnce(layers)).toEqual(plainly)
  })
  it('were compiled from their source as it stands, and not touched since', () => {
    const hash = (of: string): string => createHash('sha256').update(of).digest('hex')
    expect(written).toContain(`Source ${hash(readFileSync(new URL('kernels/pixels.as', import.meta.url), 'utf8'))}\n`)
    expect(written).toContain(`Result ${hash(KERNELS)} `)
  })
  it.runIf(SOAK)('are what their source compiles to', () => {
    // The compiler wants a process of its own: what other tests put in place of what Node.js has confuses it.
    const args = ['--import', 'tsx', fileURLToPath(new URL('../../scripts/kernels.ts', import.meta.url)), '--print']
    expect(execFileSync(process.execPath, args, { encoding: 'utf8' })).toBe(written)
  })
})

/** How solid a pixel becomes, 0 where it is surely all screen. */
function solidIn([r, g, b]: Colour, { screen, tolerance, edge }: Chroma): number {
  const of = ([red, green, blue]: Colour) => {
    const y = (0.2126 * red + 0.7152 * green + 0.0722 * blue) / 255
    return [(blue / 255 - y) / 1.8556, (red / 255 - y) / 1.5748] as const
  }
  const [sb, sr] = of(screen)
  const long = Math.hypot(sb, sr) || 1
  const [cb, cr] = of([r, g, b])
  const shine = (cb * sb + cr * sr - Math.abs(cb * sr - cr * sb)) / long
  return shine > tolerance + Math.max(edge, 1 / 255) + 1e-5 ? 0 : 1
}

/** A key by colour as the reference has it, channel by channel; full range, BT.709, 90 degrees around the screen's hue. */
function plainChroma(back: Colour, fill: Colour, { screen, tolerance, edge, spill }: Chroma, share: number): number[] {
  const differences = ([r, g, b]: Colour) => {
    const y = (0.2126 * r + 0.7152 * g + 0.0722 * b) / 255
    return [(b / 255 - y) / 1.8556, (r / 255 - y) / 1.5748, y] as const
  }
  const [sb, sr] = differences(screen)
  const long = Math.hypot(sb, sr) || 1
  const [kb, kr] = [sb / long, sr / long]
  const [cb, cr, y] = differences(fill)
  const g = cb * kb + cr * kr - Math.abs(cb * kr - cr * kb)
  const a = share * (1 - Math.min(1, Math.max(0, (g - tolerance) / Math.max(edge, 1 / 255))))
  const less = spill * Math.max(0, g)
  const red = y + 1.5748 * (cr - less * kr)
  const blue = y + 1.8556 * (cb - less * kb)
  const green = (y - 0.2126 * red - 0.0722 * blue) / 0.7152
  return [red, green, blue].map((value, c) =>
    Math.min(255, Math.floor(a * Math.min(1, Math.max(0, value)) * 255 + (1 - a) * back[c]! + 0.5)),
  )
}

describe('neighbours that share their colour', () => {
  it('have the mean of their colour differences and each its own brightness, within a code, in rows of any length', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 11 }),
        fc.integer({ min: 1, max: 3 }),
        fc.nat(999),
        (width, height, seed) => {
          const from = colours(seed, width, height)
          const made = inPairs(from)
          const partsOf = (i: number) => {
            const [r, g, b] = [0, 1, 2].map(c => from.data[i + c]!) as [number, number, number]
            const y = (13_933 * r + 46_871 * g + 4732 * b) / 65_536
            return { y, cb: b - y, cr: r - y }
          }
          for (let p = 0; p < width * height; p++) {
            const x = p % width
            const other = (x ^ 1) < width ? p - x + (x ^ 1) : p
            const [one, two] = [partsOf(p * 4), partsOf(other * 4)]
            const [red, blue] = [one.y + (one.cr + two.cr) / 2, one.y + (one.cb + two.cb) / 2]
            // Y' = (13933 R + 46871 G + 4732 B) / 65536, for green.
            const green = (one.y * 65_536 - 13_933 * red - 4732 * blue) / 46_871
            for (const [c, value] of [red, green, blue].entries())
              expect(Math.abs(made.data[p * 4 + c]! - clamp(value))).toBeLessThanOrEqual(0.6)
          }
        },
      ),
    ))
})

describe('the kernel of a key by colour', () => {
  const byte = fc.integer({ min: 0, max: 255 })
  const colour = fc.tuple(byte, byte, byte)
  it('is within one code of the plain formula, and to the code where nothing stays, for any screen, setting, size and pair of colours', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(colour, colour), { minLength: 1, maxLength: 23 }),
        colour,
        fc.tuple(...[0, 1, 2, 3].map(() => fc.integer({ min: 0, max: 100 }))),
        (pairs, screen, [t, e, s, f]) => {
          const chroma = { screen, tolerance: t! / 100, edge: e! / 100, spill: s! / 100 }
          const row = (of: readonly Colour[]): Pixels => ({
            width: of.length * 2,
            height: 1,
            // Each twice: neighbours share their colour, and these have one.
            data: Uint8ClampedArray.from(of.flatMap(one => [...one, 255, ...one, 255])),
          })
          const found = chromaKeyed(
            row(pairs.map(([back]) => back)),
            row(pairs.map(([, fill]) => fill)),
            chroma,
            f! / 100,
          )
          pairs.forEach(([back, fill], i) => {
            const plainly = plainChroma(back, fill, chroma, f! / 100)
            const made = [...found.data.slice(i * 8, i * 8 + 4)]
            const most = Math.max(...plainly.map((code, c) => Math.abs(code - made[c]!)))
            expect([most, made[3]]).toEqual([most > 1 ? 'one code at most' : most, 255])
            if (solidIn(fill, chroma) === 0) expect(made).toEqual([...back, 255])
          })
        },
      ),
      { numRuns: 400 },
    ))
})
