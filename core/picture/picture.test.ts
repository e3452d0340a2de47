import { describe, expect, it } from 'vitest'
import { keyed, luma, matteTable, mixed } from './key'
import { type Colour, type Pixels, at, plain } from './pixels'
import { type Part, boxed, masked, onItsWay, scaled, wiped } from './place'
import { drawn, frameIn } from './scene'
import { seen } from './seen'

const row = (...colours: Colour[]): Pixels => ({
  width: colours.length,
  height: 1,
  data: Uint8ClampedArray.from(colours.flatMap(([r, g, b]) => [r, g, b, 255])),
})
const grey = (n: number): Colour => [n, n, n]

describe('keys', () => {
  it('take brightness as (13933 R + 46871 G + 4732 B + 32768) >> 16', () => {
    expect(luma(255, 255, 255)).toBe(255)
    expect(luma(0, 0, 0)).toBe(0)
    // 13933 * 255 + 32768 = 3 585 683, / 65 536 = 54.7; 46871: 182.9; 4732: 18.9.
    expect([luma(255, 0, 0), luma(0, 255, 0), luma(0, 0, 255)]).toEqual([54, 182, 18])
  })
  it('are 0 at the clip and solid from clip + (1 - gain)', () => {
    const table = matteTable(0.2, 0.5)
    // Code 51 is 0.2; solid from 0.7, code 178.5. Code 102 is 0.4: (0.4 - 0.2) / 0.5 = 0.4.
    expect(table[51]).toBeCloseTo(0, 12)
    expect(table[102]).toBeCloseTo(0.4, 12)
    expect([table[0], table[178]! < 1, table[179], table[255]]).toEqual([0, true, 1, 1])
    expect(matteTable(0.2, 0.5, true)[102]).toBeCloseTo(0.6, 12)
    // The steepest slope there is: 1/255 wide.
    expect([matteTable(0.5, 1)[127], matteTable(0.5, 1)[129]]).toEqual([0, 1])
  })
  it('lay a straight fill over a picture: a fill + (1 - a) back, half up', () => {
    const linear = matteTable(0, 0)
    const out = keyed(row(grey(100), grey(100), grey(100)), row(grey(200), grey(200), grey(200)), {
      table: linear,
      key: row(grey(0), grey(51), grey(255)),
    })
    // a = 0, 0.2, 1: 100, 0.2 * 200 + 0.8 * 100 = 120, 200.
    expect([0, 1, 2].map(x => at(out, x, 0)[0])).toEqual([100, 120, 200])
    const half = keyed(row(grey(10)), row(grey(255)), { table: linear }, 0.5)
    // 0.5 * 255 + 0.5 * 10 = 132.5, half up.
    expect(at(half, 0, 0)[0]).toBe(133)
  })
  it('is the same by the plain formula, for every brightness, share and slope', () => {
    const back = row(...Array.from({ length: 256 }, (_, i) => grey(255 - i)))
    const fill = row(...Array.from({ length: 256 }, (_, i): Colour => [i, (i * 7) % 256, (i * 31) % 256]))
    for (const [clip, gain] of [
      [0, 0],
      [0, 0.5],
      [0.1, 0.9],
      [0.5, 1],
    ] as const)
      for (const share of [0, 0.3, 1]) {
        const out = keyed(back, fill, { table: matteTable(clip, gain) }, share)
        for (let x = 0; x < 256; x++) {
          const colour = at(fill, x, 0)
          const y = luma(...colour) / 255
          const a = share * Math.min(1, Math.max(0, (y - clip) / Math.max(1 - gain, 1 / 255)))
          const plainly = colour.map(c => Math.floor(a * c + (1 - a) * (255 - x) + 0.5))
          for (let c = 0; c < 3; c++)
            expect(Math.abs(at(out, x, 0)[c]! - plainly[c]!)).toBeLessThanOrEqual(a === 0 || a === 1 ? 0 : 1)
        }
      }
  })
  it('mix by a share, half up', () =>
    expect(at(mixed(row([0, 10, 255]), row([255, 20, 0]), 0.25), 0, 0)).toEqual([64, 13, 191]))
})

describe('places', () => {
  it('leave a picture of the same size alone, and a plain one plain in every size', () => {
    const one = row([1, 2, 3], [4, 5, 6])
    expect(scaled(one, 2, 1)).toBe(one)
    for (const [w, h] of [
      [3, 5],
      [17, 1],
      [1, 1],
      [40, 23],
    ] as const) {
      const out = scaled(plain(16, 9, [10, 200, 33]), w, h)
      for (let x = 0; x < w; x++) for (let y = 0; y < h; y++) expect(at(out, x, y)).toEqual([10, 200, 33])
    }
  })
  it('halve by a tent of two source pixels to each side', () => {
    // Output pixel 0 has its centre at 0.5 between pixels 0 and 1: weights 1/4, 3/4, 3/4, 1/4 over -1 .. 2, edge repeated.
    const out = scaled(row(grey(0), grey(0), grey(200), grey(200)), 2, 1)
    // (0.25 * 0 + 0.75 * 0 + 0.75 * 0 + 0.25 * 200) / 2 = 25; mirrored 175.
    expect([at(out, 0, 0)[0], at(out, 1, 0)[0]]).toEqual([25, 175])
  })
  it('lay a box to 1/16 pixel: its edge counts by the area that it covers', () => {
    const out = boxed(plain(8, 1), [{ picture: plain(4, 1, grey(160)), part: { x: 0.15625, y: 0, w: 0.5, h: 1 } }])
    // From 1.25 to 5.25: pixel 1 covered 0.75, pixels 2 to 4 whole, pixel 5 a quarter.
    expect([0, 1, 2, 3, 4, 5, 6].map(x => at(out, x, 0)[0])).toEqual([0, 120, 160, 160, 160, 40, 0])
  })
  it('let a picture through inside a part alone, pixel by the centre', () => {
    const [white, black] = [plain(8, 4, [255, 255, 255]), plain(8, 4)]
    const rows = (part: Part, shape?: 'ellipse') => {
      const { data } = masked(black, white, part, shape)
      return Array.from({ length: 4 }, (_, y) =>
        Array.from({ length: 8 }, (_, x) => (data[(y * 8 + x) * 4] ? '#' : '.')).join(''),
      )
    }
    // Columns whose centres 0.5 .. 7.5 lie from 2 to under 5.5, rows from 1 to under 3: a centre on the far edge is out.
    expect(rows({ x: 0.25, y: 0.25, w: 0.4375, h: 0.5 })).toEqual(['........', '..###...', '..###...', '........'])
    expect(rows({ x: 0, y: 0, w: 1, h: 1 })).toEqual(Array(4).fill('########'))
    // Half axes 4 and 2: at a row's centre 1.5 or 0.5 off the middle it is 4 sqrt(7/16) = 2.65 or 4 sqrt(15/16) = 3.87 wide.
    expect(rows({ x: 0, y: 0, w: 1, h: 1 }, 'ellipse')).toEqual(['.######.', '########', '########', '.######.'])
    expect(masked(black, white, { x: 0.5, y: 0.5, w: 0.01, h: 0.01 }).data).toEqual(black.data)
  })
  it('wipe from the left', () => {
    const out = wiped(plain(4, 1), plain(4, 1, grey(200)), 0.5)
    // d = 0.125, 0.375, 0.625, 0.875, w = 0.25; (0.5 * 1.25 - d) / 0.25 = 2, 1, 0, -1.
    expect([0, 1, 2, 3].map(x => at(out, x, 0)[0])).toEqual([200, 200, 0, 0])
    expect(wiped(plain(4, 1), plain(4, 1, grey(9)), 1).data).toEqual(plain(4, 1, grey(9)).data)
  })
  it('wipe with an edge of half the width', () => {
    const across = (share: number) => {
      const out = wiped(plain(4, 1), plain(4, 1, grey(200)), share, 0.5)
      return [0, 1, 2, 3].map(x => at(out, x, 0)[0])
    }
    // (0.5 * 1.5 - d) / 0.5 = 1.25, 0.75, 0.25, -0.25.
    expect(across(0.5)).toEqual([200, 150, 50, 0])
    // (0.25 * 1.5 - d) / 0.5 = 0.5, 0, ...; it begins and ends with one picture alone.
    expect(across(0.25)).toEqual([100, 0, 0, 0])
    expect([across(0), across(1)]).toEqual([Array(4).fill(0), Array(4).fill(200)])
  })
})

describe('test pictures', () => {
  const scene = { name: 'Wide', kind: 'camera', index: 0, shot: 'safe' } as const
  it('carry the number of their frame, which is read back at any size', () => {
    for (const frame of [0, 1, 2, 25, 4095, 90_000, 16_777_215])
      for (const [w, h] of [
        [1280, 720],
        [320, 180],
        [97, 55],
      ] as const)
        expect(frameIn(drawn(scene, w, h, frame))).toBe(frame)
    expect(frameIn(plain(64, 36, grey(128)))).toBeUndefined()
  })
  it('are unlike for every source, and for what a computer shows', () => {
    const pictures = [0, 1, 2, 3, 4, 5, 6, 7, 8].map(index => drawn({ ...scene, index }, 64, 36).data.join())
    expect(new Set(pictures).size).toBe(pictures.length)
    const contents = (['full', 'caption', 'blank', 'countdown'] as const).map(content =>
      drawn({ ...scene, kind: 'computer', content }, 320, 180).data.join(),
    )
    expect(new Set(contents).size).toBe(4)
  })
  it('are composed as the chain says: what is on program, in its box, under its key', () => {
    const flat = { a: grey(40), b: grey(220), c: [200, 0, 0] } as Readonly<Record<string, Colour>>
    const source = (device: string) => ({ of: 'source', device, port: 'out' }) as const
    const layer = (device: string, more = {}) => ({
      picture: source(device),
      port: 'in-1',
      as: 'background' as const,
      ...more,
    })
    const draw = (layers: readonly object[]) =>
      seen(
        { of: 'mix', device: 'm', tap: 'program', layers: layers as never },
        ({ device }, w, h) => plain(w, h, flat[device]!),
        16,
        9,
      )
    expect(at(draw([layer('a')]), 8, 4)).toEqual([40, 40, 40])
    expect(at(draw([layer('a'), layer('b', { share: 0.5 })]), 8, 4)).toEqual([130, 130, 130])
    const boxedIn = draw([layer('a'), layer('c', { as: 'key', kind: 'box', box: { x: 0.5, y: 0, w: 0.5, h: 1 } })])
    expect([at(boxedIn, 3, 4), at(boxedIn, 12, 4)]).toEqual([
      [40, 40, 40],
      [200, 0, 0],
    ])
    expect(
      at(draw([layer('a'), layer('b', { as: 'key', kind: 'luma', cut: { clip: 0.04, gain: 0.96 } })]), 8, 4),
    ).toEqual([220, 220, 220])
    const half = { x: 0.5, y: 0, w: 0.5, h: 1 }
    const hard = { as: 'key', kind: 'luma', cut: { clip: 0.04, gain: 0.96 } }
    const sides = (more: object, on = 'b') => {
      const drawnNow = draw([layer('a'), layer(on, more)])
      return [at(drawnNow, 3, 4)[0], at(drawnNow, 12, 4)[0]]
    }
    expect(sides({ ...hard, mask: half })).toEqual([40, 220])
    expect(sides({ as: 'key', kind: 'pattern', box: half }, 'c')).toEqual([40, 200])
    expect(sides({ as: 'key', kind: 'box', box: { x: 0, y: 0, w: 1, h: 1 }, mask: half }, 'c')).toEqual([40, 200])
    // Turned round, what is bright is clear; beside its box there is nothing that could be solid.
    expect(sides({ ...hard, cut: { ...hard.cut, invert: true }, box: half })).toEqual([40, 40])
    expect(
      at(
        seen({ of: 'black' }, () => plain(1, 1), 4, 4),
        0,
        0,
      ),
    ).toEqual([0, 0, 0])
  })
})

describe('a picture on its way from an edge', () => {
  const marked = (width: number, height: number, at: readonly [number, number]): Pixels => {
    const to = plain(width, height)
    to.data.set([200, 100, 50], (at[1] * width + at[0]) * 4)
    return to
  }
  // Half of the way done, a quarter of the frame is left: it slows down, (1 - 1/2)^2. Of 16 x 8 that is 4 across, 2 down.
  it.each([
    ['left', [3, 3]],
    ['right', [11, 3]],
    ['above', [7, 1]],
    ['below', [7, 5]],
  ] as const)('stands a quarter of the frame before its place, from %s', (from, [x, y]) => {
    const made = onItsWay(marked(16, 8, [7, 3]), { from, share: 0.5 })
    expect(made.data).toEqual(marked(16, 8, [x, y]).data)
  })
  it.each(['left', 'right', 'above', 'below'] as const)('is not there at first, and whole at last, from %s', from => {
    const whole = marked(15, 9, [14, 8])
    expect(onItsWay(whole, { from, share: 0 }).data).toEqual(plain(15, 9).data)
    expect(onItsWay(whole, { from, share: 1 }).data).toEqual(whole.data)
  })
})
