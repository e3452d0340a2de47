import { describe, expect, it } from 'vitest'
import type { Overlay } from '#core/document'
import { photograph } from '../../../testing/graphics'
import { bestInks, inkWords, inksOf } from './inks'

const luma: Overlay = { title: 'Names', order: 1, kind: 'luma', fill: 'pc' }
const through = (inks: ReturnType<typeof inksOf>): string[] =>
  inks.filter(({ survives }) => survives).map(({ name }) => name)

describe('inks', () => {
  it('come through a key by brightness where they are as bright as clip + (1 - gain)', () => {
    // Solid from 0.3 + 0.2 = 0.5, code 127.5. By hand, BT.709: orange 54.2 + 107.3 + 2.2 = 164; grey 128; pink 54.2 + 93 + 13 =
    // 160; red 45.7 + 21.5 + 2.9 = 70; green 0 + 107.3 + 5.1 = 112; violet 31.9 + 64.4 + 15.9 = 112.
    const inks = inksOf({ overlay: luma, cut: { clip: 0.3, gain: 0.8 } })
    expect(through(inks)).toEqual([
      ...['white', 'light yellow', 'yellow', 'light cyan', 'cyan', 'lime', 'orange', 'pink', 'grey'],
    ])
    // Turned round, on a white board: what is darker than the clip, 76.5, comes whole.
    const pens = inksOf({ overlay: luma, cut: { clip: 0.3, gain: 0.8, invert: true } })
    expect(through(pens)).toEqual(['red', 'dark blue', 'black'])
  })
  it('come all by a key signal, and by a colour where they are not like the screen', () => {
    expect(inksOf({ overlay: { ...luma, kind: 'linear' }, cut: { clip: 0, gain: 0 } }).every(one => one.survives)).toBe(
      true,
    )
    const screen = inksOf({
      overlay: { ...luma, kind: 'chroma', screen: [0, 177, 64], tolerance: 0.05, edge: 0.1 },
      cut: { clip: 0, gain: 0 },
    })
    expect(through(screen)).not.toContain('green')
    expect(through(screen)).toEqual(expect.arrayContaining(['white', 'red', 'blue', 'grey', 'black']))
  })
  it('stand out from photographs by (L1 + 0.05) / (L2 + 0.05), and the second is told from the first', () => {
    const over = (grey: number) =>
      inksOf({
        overlay: { ...luma, kind: 'linear' },
        cut: { clip: 0, gain: 0 },
        photographs: [photograph('Stage', 'wide', grey)],
      })
    // Grey 20 is 0.0070 of linear light: white has 1.05 / 0.057 = 18.4.
    const dark = over(20)
    expect(dark[0]!.contrast).toBeCloseTo(18.4, 0)
    expect(bestInks(dark).map(({ name }) => name)).toEqual(['white', 'yellow'])
    expect(inkWords(dark)[0]).toMatch(
      /^Straight on the photographs white stands out best, 18\.\d.*; yellow is a second one/,
    )
    // Grey 119 is 0.184 of linear light: white has 1.05 / 0.234 = 4.49, black 0.234 / 0.05 = 4.68; of grey 119 beside grey 20
    // white has 4.49 at its worst, black 0.057 / 0.05 = 1.1.
    const both = inksOf({
      overlay: { ...luma, kind: 'linear' },
      cut: { clip: 0, gain: 0 },
      photographs: [photograph('Stage', 'wide', 119), photograph('Stage, dark', 'wide', 20)],
    })
    expect(inkWords(both)[0]).toMatch(
      /^Straight on the photographs nothing stands out everywhere: white does best, 4\.\d.* where it is worst; .* Words want a plate behind them\.$/,
    )
    expect(inkWords(over(119))[0]).toMatch(/^Straight on the photographs black stands out best, 4\.7/)
    // Over white it is black.
    expect(bestInks(over(255))[0]!.name).toBe('black')
  })
  it('are told to be none where none comes through, and to want a photograph where none is given', () => {
    // Solid from 1.5 on: nothing is so bright.
    const none = inksOf({ overlay: luma, cut: { clip: 1, gain: 0.5 } })
    expect(bestInks(none)).toEqual([])
    expect(inkWords(none)).toEqual(['No colour comes through this key whole.'])
    expect(inkWords(inksOf({ overlay: luma, cut: { clip: 0.01, gain: 1 } }))).toEqual([
      'This key thins or cuts away black.',
      'Photographs of what lies below tell which of the others stands out.',
    ])
  })
})
