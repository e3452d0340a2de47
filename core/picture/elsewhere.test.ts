import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Graphic, asStraight, keySignal } from './graphic'
import { keyed, luma, matteTable, mixed } from './key'
import type { Pixels } from './pixels'
import { type Held, Plainly } from './plainly'
import { scaled } from './place'

// What another program makes of the same pictures, with its command beside each: `npm run pixels` makes them anew.
interface Case {
  readonly name: string
  readonly command: string
  readonly size: readonly [width: number, height: number]
  readonly inputs: readonly string[]
  readonly output: string
}
const { width, height, cases } = JSON.parse(
  readFileSync(new URL('../../testing/fixtures/pixels.json', import.meta.url), 'utf8'),
) as { readonly width: number; readonly height: number; readonly cases: readonly Case[] }

const graphic = (text: string): Graphic => ({
  width,
  height,
  data: new Uint8ClampedArray(Buffer.from(text, 'base64')),
  opaque: false,
})
/** Of 10 bit: planes of green, blue and red, two bytes a value. */
const fine = (text: string): Held => {
  const planes = new Uint16Array(new Uint8Array(Buffer.from(text, 'base64')).buffer)
  const pixels = width * height
  return {
    width,
    height,
    values: Uint16Array.from({ length: pixels * 3 }, (_, i) => planes[((i + 2) % 3) * pixels + Math.floor(i / 3)]!),
  }
}
const fineCodes = (text: string): number[] => [...new Uint16Array(new Uint8Array(Buffer.from(text, 'base64')).buffer)]

/** The same of 10 bit: two bytes a value, plane by plane. */
function oursFine({ name, inputs }: Case): number[] {
  const ten = new Plainly(10)
  const [one, two] = inputs.map(fine) as [Held, Held]
  if (name === 'fine-luma') {
    const table = Float64Array.from({ length: 1024 }, (_, code) => code / 1023)
    const { values } = ten.keyed(
      ten.plain(width, height),
      ten.plain(width, height, [255, 255, 255]),
      { table, key: one },
      1,
    )
    return [...values].filter((_, i) => i % 3 === 0)
  }
  const { values } = ten.mixed(one, two, Number(name.split(' ')[1]))
  // Green, blue, red.
  return [1, 2, 0].flatMap(c => [...values].filter((_, i) => i % 3 === c))
}

const BY_SIGNAL = { table: matteTable(0, 0) }

/** What the formulas of this room make of a case, three bytes a pixel or one, and the most that they may be apart, codes. */
function ours({ name, inputs, size }: Case): { readonly made: number[]; readonly apart: number } {
  const [one, two] = inputs.map(graphic) as [Graphic, Graphic]
  const colours = ({ data }: Pixels) => [...data].filter((_, i) => i % 4 !== 3)
  const way = name.split(' ')[0]
  if (way === 'straight' || way === 'premultiplied')
    return {
      made: colours(
        keyed(one, asStraight(two), { ...BY_SIGNAL, key: keySignal(two), premultiplied: way === 'premultiplied' }),
      ),
      apart: 0,
    }
  if (way === 'mix') return { made: colours(mixed(one, two, Number(name.split(' ')[1]))), apart: 1 }
  if (way === 'scaled') return { made: colours(scaled(one, ...size)), apart: 1 }
  const { data } = one
  return {
    made: Array.from({ length: width * height }, (_, p) => luma(data[p * 4]!, data[p * 4 + 1]!, data[p * 4 + 2]!)),
    apart: 1,
  }
}

describe('another program', () => {
  it.each(cases.map((one): [string, Case] => [one.name, one]))('makes the same of %s', (_, one) => {
    const inTen = one.name.startsWith('fine')
    const theirs = inTen ? fineCodes(one.output) : [...Buffer.from(one.output, 'base64')]
    const { made, apart } = inTen ? { made: oursFine(one), apart: 1 } : ours(one)
    expect(made).toHaveLength(theirs.length)
    const most = made.reduce((worst, code, i) => Math.max(worst, Math.abs(code - theirs[i]!)), 0)
    expect(most, one.command).toBeLessThanOrEqual(apart)
    // It is no flat picture that everybody gets right.
    expect(new Set(theirs).size).toBeGreaterThan(100)
  })
  it('was asked for all of them', () =>
    expect(cases.map(({ name }) => name.split(' ')[0])).toEqual([
      ...['straight', 'premultiplied', 'mix', 'mix', 'mix', 'luma', 'scaled', 'scaled', 'scaled', 'scaled'],
      ...['fine-mix', 'fine-mix', 'fine-luma'],
    ]))
})
