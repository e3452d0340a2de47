import { describe, expect, it } from 'vitest'
import { APART, sources, trees } from '../../testing/trees'
import { matteTable, readAs } from './key'
import { type Held, Plainly } from './plainly'
import { type Colour, plain } from './pixels'
import { seen, seenWith } from './seen'

const SIZES = [
  [1, 1],
  [33, 19],
  [64, 36],
] as const

/** What a mix by the kernels may be off: its share is in 1/256. */
const BY_KERNELS: Readonly<Record<string, number>> = { ...APART, mix: 1, luma: 1, sd: 1, linear: 1, mask: 1 }

describe('formulas worked out for each pixel', () => {
  it.each(SIZES)('are what the kernels come to, over pictures of every kind at %i x %i', (width, height) => {
    const eight = new Plainly(8)
    const most: Record<string, number> = {}
    for (let seed = 1; seed <= 8; seed++)
      for (const [name, tree] of Object.entries(trees(seed))) {
        const slow = eight.pixels(seenWith(eight, tree, sources(seed), width, height)).data
        const fast = seen(tree, sources(seed), width, height).data
        fast.forEach((code, i) => (most[name] = Math.max(most[name] ?? 0, Math.abs(code - slow[i]!))))
      }
    for (const [name, apart] of Object.entries(BY_KERNELS)) expect(most[name], name).toBeLessThanOrEqual(apart)
  })

  it.each(SIZES)(
    'come to the same within a code of 8 bit on a bus of 10, within two where something is keyed or several things lie over each other, at %i x %i',
    (w, h) => {
      const [eight, ten] = [new Plainly(8), new Plainly(10)]
      for (let seed = 1; seed <= 4; seed++)
        for (const [name, tree] of Object.entries(trees(seed))) {
          // A key by colour has a steep edge here, keys by brightness of two seeds a steep slope: a quarter of a code more or
          // less of what decides is more than a code of the picture then.
          const flat = ['mix', 'wipe', 'box', 'pattern', 'tiles', 'none', 'colour'].includes(name)
          if (name === 'chroma' || (seed % 4 > 1 && !flat)) continue
          const coarse = eight.pixels(seenWith(eight, tree, sources(seed), w, h)).data
          const fine = ten.pixels(seenWith(ten, tree, sources(seed), w, h)).data
          const most = fine.reduce((worst, code, i) => Math.max(worst, Math.abs(code - coarse[i]!)), 0)
          expect(most, `${name} ${seed}`).toBeLessThanOrEqual(flat && name !== 'tiles' ? 1 : 2)
        }
    },
  )

  const ten = new Plainly(10)
  const grey = (value: number): Held => ({ width: 1, height: 1, values: new Uint16Array(3).fill(value) })

  it.each([
    // Key 512 of 1023, clip 0.25, gain 0.5: a = (512/1023 - 0.25) / 0.5 = 0.500978; 0.500978 x 900 + 0.499022 x 100 = 500.78.
    [{ clip: 0.25, gain: 0.5 }, 1, 501],
    // Faded to a half: 0.250489 x 900 + 0.749511 x 100 = 300.39.
    [{ clip: 0.25, gain: 0.5 }, 0.5, 300],
    // Added: 900 + (1 - 0.500978) x 100 = 949.9.
    [{ clip: 0.25, gain: 0.5, premultiplied: true }, 1, 950],
    // Inverted: a = 0.499022; 449.12 + 50.10 = 499.22.
    [{ clip: 0.25, gain: 0.5, invert: true }, 1, 499],
  ])('key in 10 bit: %j at %s', ({ clip, gain, invert, premultiplied }: Cut, share, expected) => {
    const table = matteTable(clip, gain, invert, undefined, 10)
    const matte = { table, key: grey(512), ...(premultiplied ? { premultiplied } : {}) }
    expect([...ten.keyed(grey(100), grey(900), matte, share).values]).toEqual([expected, expected, expected])
  })

  it('weigh brightness by BT.709 and BT.601: .2126, .0722 and .299, .114 of 1023', () => {
    const at = (colour: Colour, weights: 601 | 709) => {
      // A table that is the code itself, over white on black: what comes out is the brightness.
      const table = Float64Array.from({ length: 1024 }, (_, code) => code / 1023)
      const key = ten.plain(1, 1, colour)
      return ten.keyed(ten.plain(1, 1), ten.plain(1, 1, [255, 255, 255]), { table, key, weights }, 1).values[0]
    }
    // 217.49, 73.86; 305.88, 116.62.
    expect([at([255, 0, 0], 709), at([0, 0, 255], 709)]).toEqual([217, 74])
    expect([at([255, 0, 0], 601), at([0, 0, 255], 601)]).toEqual([306, 117])
  })

  it('have steps of a quarter where a bus of 8 bit has whole ones', () => {
    // A mix of 100 and 101 of 255 by shares of a quarter: 401, 402, 403, 404, 405 of 1023.
    const [low, high] = [ten.plain(1, 1, [100, 100, 100]), ten.plain(1, 1, [101, 101, 101])]
    expect([0, 0.25, 0.5, 0.75, 1].map(share => ten.mixed(low, high, share).values[0])).toEqual([
      401, 402, 403, 404, 405,
    ])
    expect(new Plainly(8).pixels(new Plainly(8).shown(plain(1, 1, [7, 8, 9]))).data).toEqual(
      plain(1, 1, [7, 8, 9]).data,
    )
  })

  it('read narrow codes as full ones, and full as narrow: black 64 and white 940 of 1023', () => {
    expect(readAs(0, 'narrow as full', 10)).toBeCloseTo(64 / 1023, 12)
    expect(readAs(1, 'narrow as full', 10)).toBeCloseTo(940 / 1023, 12)
    expect(readAs(64 / 1023, 'full as narrow', 10)).toBeCloseTo(0, 12)
    expect(readAs(940 / 1023, 'full as narrow', 10)).toBeCloseTo(1, 12)
    expect([readAs(0, 'narrow as full'), readAs(16 / 255, 'full as narrow')]).toEqual([16 / 255, 0])
    // A veil of 6 % at clip 0, to the code.
    expect(matteTable(0, 0, false, 'narrow as full', 10)[0]).toBeCloseTo(0.0626, 4)
  })
})

interface Cut {
  readonly clip: number
  readonly gain: number
  readonly invert?: boolean
  readonly premultiplied?: boolean
}
