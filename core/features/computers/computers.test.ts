import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { openFile } from '#core/document'
import { check } from '#core/features'
import { papersOf } from '#core/asked'
import { plan } from '../../../testing/plans'
import { computersOf } from './facts'

const of = (written: Parameters<typeof plan>[0]) => computersOf(check(plan(written)).traced)
const demo = (name: string) => {
  const opened = openFile(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return check(opened.value.plans.main!)
}
const does = ({ works }: ReturnType<typeof of>[number]) => works.map(({ what }) => what)

describe('which computer does what', () => {
  const base = {
    devices: {
      pc: { model: 'computer', does: { slides: true, chat: true } },
      main: 'switcher-4-strict 1080p59.94',
      host: { model: 'laptop', does: { encode: true, record: true } },
      cap: { model: 'capture-raw', in: 'host' },
    },
    links: {
      a: {
        from: { device: 'pc', port: 'hdmi-1' },
        to: { device: 'main', port: 'in-1' },
        cable: 'hdmi-passive',
        routeM: 2,
      },
      b: 'main.out-1 > cap.in hdmi-passive 2',
    },
    wants: { cap: { feed: 'program', silent: true } },
  } as const satisfies Parameters<typeof plan>[0]
  const set = {
    ...base,
    devices: {
      ...base.devices,
      pc: {
        ...base.devices.pc,
        ports: { 'hdmi-1': { format: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } } },
      },
    },
  } as const

  it('is what its leads and the plan say, each with its weight', () => {
    const [pc, host] = of(set)
    expect([pc!.name, host!.name]).toEqual(['pc', 'host'])
    // One picture out 1, slides 1, answers 1; a computer that draws 180 W at the most bears 8.
    expect([does(pc!), pc!.load, pc!.room]).toEqual([['show', 'slides', 'chat'], 3, 8])
    expect(pc!.outputs).toEqual({ used: 1, all: 2 })
    // 1920 x 1080 x 16 bit x 59.94 = 1.99 Gb/s: a heavy capture 2, a stream 4, a recording 2; 90 W bear 5.
    expect([does(host!), host!.load, host!.room]).toEqual([['capture', 'encode', 'record'], 8, 5])
    expect(host!.usb!.bitsPerS).toBeCloseTo(1920 * 1080 * 16 * (60000 / 1001), -3)
    expect([host!.alone, host!.loops, host!.unnamed]).toEqual([false, false, false])
  })
  it('is taken for a stream where somebody is to see it and nobody says more, and then a box would do', () => {
    const { host: _, ...others } = set.devices
    const [, cap] = of({ ...set, devices: { ...others, cap: 'capture-hdmi' } })
    expect([does(cap!), cap!.alone, cap!.unnamed]).toEqual([['capture', 'encode'], true, true])
  })
  it('sums all captures on one controller', () => {
    const two = of({
      ...set,
      devices: { ...set.devices, cap2: { model: 'capture-raw', in: 'host' } },
      links: { ...set.links, c: 'main.out-2 > cap2.in hdmi-passive 2' },
    }).find(({ name }) => name === 'host')!
    expect(two.usb!.bitsPerS).toBeCloseTo(2 * 1920 * 1080 * 16 * (60000 / 1001), -3)
    expect(two.works.find(({ what }) => what === 'capture')).toMatchObject({ words: 'captures 2 pictures', load: 4 })
  })
  it('tells a screen that leads back into what it captures, through another switcher too', () => {
    expect(of(set).some(({ loops }) => loops)).toBe(false)
    const back = of({ ...set, devices: { ...set.devices, cap: { model: 'capture-raw', in: 'pc' } } })
    expect(back.find(({ name }) => name === 'pc')!.loops).toBe(true)
    const far = of({
      ...set,
      devices: {
        ...set.devices,
        cap: { model: 'capture-raw', in: 'pc' },
        last: 'switcher-4-multiview 1080p59.94',
      },
      links: { a: set.links.a, f: 'main.out-1 > last.in-1 hdmi-passive 2', b: 'last.out-1 > cap.in hdmi-passive 2' },
    })
    expect(far.find(({ name }) => name === 'pc')!.loops).toBe(true)
  })
  it('holds what a computer that mixes does, in the demo', () => {
    const mixing = computersOf(demo('bookshop-reading').traced).find(({ works }) =>
      works.some(({ what }) => what === 'mix'),
    )!
    expect(does(mixing)).toEqual(expect.arrayContaining(['mix', 'capture', 'show', 'encode', 'call']))
    expect(mixing.load).toBeGreaterThan(10)
  })
  it('stands on a paper, one row a computer, and on none where there is no computer', () => {
    for (const name of ['bookshop-reading', 'harbour-robotics-cup', 'kiln-night']) {
      const checked = demo(name)
      const paper = papersOf(checked, { length: 'm' }).find(({ id }) => id === 'computers')!
      expect(paper.rows.map(({ computer }) => computer)).toEqual(computersOf(checked.traced).map(one => one.name))
    }
    const bare = plan({ devices: { cam: 'camera-box-hdmi', main: 'switcher-4-strict' } })
    expect(papersOf(check(bare), { length: 'm' }).map(({ id }) => id)).not.toContain('computers')
  })
})
