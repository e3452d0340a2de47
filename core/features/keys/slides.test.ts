import { describe, expect, it } from 'vitest'
import { applyEdits } from '#core/document'
import { check, say } from '#core/features'
import { pixelsIn, readCells } from '#core/picture'
import { remediesOf } from '#core/propose'
import { CLEAR, kept, patches, photograph } from '../../../testing/graphics'
import { onBlackPage } from '../../../testing/overlaid'
import { allJudged, asOne, bestSetting } from './judged'
import { removalOf, unshared } from './offers'
import { overlaysOf } from './overlays'

const light = (y: number) => kept(patches(160, 90, CLEAR, [[20, y, 100, 20, [240, 240, 240, 255]]]))
const shadowed = {
  ...kept(
    patches(160, 90, CLEAR, [
      [20, 60, 100, 20, [240, 240, 240, 255]],
      [20, 80, 100, 5, [0, 0, 0, 200]],
    ]),
  ),
  title: 'Third',
}
const dim = {
  ...kept(patches(160, 90, CLEAR, [[20, 60, 100, 20, [30, 30, 30, 255]]])),
  title: 'Dim',
}
const show = (graphics: object, overlay: object = {}) => {
  const plan = onBlackPage(light(40), overlay)
  return { ...plan, graphics: { ...plan.graphics, ...graphics } }
}
const codes = (plan: Parameters<typeof check>[0]) =>
  check(plan).findings.flatMap(({ id }) => (/^K/.test(id) ? [id] : []))

describe('pictures that come by one key, one after the other', () => {
  it('are judged each: what is wrong with the third is told by its name, once', () => {
    const clean = show({ two: light(50), three: light(60) }, { slides: ['two', 'three'] })
    expect(codes(clean)).toEqual([])
    const bad = show({ two: light(50), three: shadowed, four: shadowed }, { slides: ['two', 'three', 'four'] })
    const checked = check(bad)
    const found = checked.findings.filter(({ id }) => id === 'K04')
    // 500 of its 2500 pixels are shadow.
    expect(found.map(one => say(one))).toEqual([
      '20\u00A0% of Names, Third is too dark to be told from black by its brightness: it is not seen.',
    ])
    expect(allJudged(checked.traced).map(({ title }) => title)).toEqual([
      'Names, Picture',
      'Names, Picture',
      'Names, Third',
      'Names, Third',
    ])
  })
  it('get one setting that serves them all', () => {
    // 30 / 255 is 11.8 %: solid by half from clip 4 %, gain 60 % on it is not: (0.118 - 0.04) / 0.4 = 0.19.
    const plan = show({ dim }, { slides: ['dim'], clip: 0.04, gain: 0.6 })
    expect(codes(plan)).toEqual(['K11'])
    const checked = check(plan)
    const [first] = remediesOf(
      checked,
      checked.findings.find(({ id }) => id === 'K11')!,
    )
    const applied = applyEdits(plan, first!.edits)
    expect(applied.ok && codes(applied.value.plan)).toEqual([])
    // All pixels of both: 2 x 160 x 90.
    const [one] = allJudged(checked.traced)
    expect(pixelsIn(readCells(one!.together.cells!, false)!)).toBe(2 * 160 * 90)
    expect(bestSetting(one!)!.measured).toMatchObject({ lost: 0, haze: 0 })
  })
  it('are not added up where they are not of one kind', () => {
    const opaque = kept(patches(160, 90, [0, 0, 0], [[20, 60, 100, 20, [240, 240, 240]]]))
    expect(asOne([light(40), opaque])).toEqual(light(40))
    expect(asOne([light(40)])).toEqual(light(40))
  })
  it('leave the plan with their overlay, but for those that another shows', () => {
    const plan = show({ two: light(50), three: light(60) }, { slides: ['two', 'three', 'gone'] })
    const other = { title: 'Other', order: 2, kind: 'luma', fill: 'slides', slides: ['two'] } as const
    const both = { ...plan, overlays: { ...plan.overlays, other } }
    const removed = (edits: ReturnType<typeof removalOf>) =>
      edits.flatMap(edit => (edit.do === 'remove' ? [edit.id] : []))
    expect(removed(removalOf(plan, 'names'))).toEqual(['names', 'art', 'two', 'three'])
    expect(removed(removalOf(both, 'names'))).toEqual(['names', 'art', 'three'])
    expect(removed(unshared(both, 'names', ['two', 'three', 'three']))).toEqual(['three'])
    expect(codes(plan)).toEqual([])
  })
})

describe('photographs of what an overlay lies over', () => {
  const WORDS = { name: { x: 30 / 160, y: 46 / 90, w: 60 / 160, h: 18 / 90 } }
  const letters = kept(patches(160, 90, CLEAR, [[40, 50, 20, 9, [255, 255, 255, 255]]]), WORDS)
  /** A second switcher before the first, with a camera of its own and one that goes to both. */
  const fed = (photographs: object) => {
    const { devices, links, ...rest } = onBlackPage(letters)
    const written = {
      ...rest,
      devices: {
        ...devices,
        far: { ...devices.wide!, name: 'far' },
        side: { ...devices.main!, name: 'side', ports: {} },
      },
      links: {
        ...links,
        f: { ...links.w!, from: { device: 'far', port: 'hdmi' }, to: { device: 'side', port: 'in-1' } },
        up: { ...links.w!, from: { device: 'side', port: 'out-1' }, to: { device: 'main', port: 'in-5' } },
      },
      photographs,
    }
    return check(written as Parameters<typeof check>[0])
  }

  it('are those of cameras behind another switcher too', () => {
    // Grey 200 of 255 has a luminance of 0.578: white letters on it have 1.05 / 0.628 = 1.67.
    const { traced, findings } = fed({ wall: photograph('Bright wall', 'far', 200) })
    const pale = findings.filter(({ id }) => id === 'K12')
    expect(pale.map(one => say(one)).join()).toContain('Bright wall')
    expect(pale.map(one => say(one)).join()).toContain('1.7 to 1')
    // It can be looked at over each of them by name, and not over a link that shows one of them.
    expect(
      overlaysOf(traced)
        .rows[0]!.over.map(({ device }) => device)
        .sort(),
    ).toEqual(['far', 'guest', 'wide'])
  })
  it('of a source that does not come there count for nothing', () => {
    const { findings } = fed({ other: photograph('Elsewhere', 'hall', 20) })
    const said = findings.flatMap(one => (one.id === 'K12' ? [say(one)] : []))
    expect(said).toHaveLength(1)
    expect(said[0]).not.toContain('Elsewhere')
  })
})
