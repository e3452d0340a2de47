import { describe, expect, it } from 'vitest'
import type { Plan } from '#core/document'
import { plan } from '../../testing/plans'
import { resolve } from './resolve'
import { picturesOf, runsOf } from './runs'
import { trace } from './trace'

const follow = (written: Plan) => {
  const chain = resolve(written)
  const traced = trace(chain)
  const runs = runsOf(chain, traced)
  return {
    chain,
    traced,
    runs,
    run: (id: string) => runs.find(run => run.id === id)!,
    pictures: picturesOf(chain, written.wants, runs),
  }
}
const FRAME = (1000 * 1001) / 60000

describe('cascades', () => {
  const count = 5
  const five = plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      ...Object.fromEntries(Array.from({ length: count }, (_, i) => [`s${i}`, 'switcher-4-strict 1080p59.94'])),
      scr: 'screen',
    },
    links: {
      in: 'cam.hdmi > s0.in-1 hdmi-passive 2',
      ...Object.fromEntries(
        Array.from({ length: count - 1 }, (_, i) => [`l${i}`, `s${i}.out-1 > s${i + 1}.in-2 hdmi-passive 1`]),
      ),
      out: `s${count - 1}.out-1 > scr.in hdmi-passive 1`,
    },
  })
  it('follows a picture through five switchers', () => {
    const { runs, pictures, traced } = follow(five)
    expect(runs).toHaveLength(6)
    expect(pictures.every(({ lit }) => lit)).toBe(true)
    // A box camera takes 1 to 2 frames (typically 1.5), each switcher the same: five switchers and the camera make six.
    for (const [switcher, steps] of [
      ['s0', 2],
      ['s4', 6],
    ] as const) {
      expect(traced.switchers.get(switcher)!.delay!.min).toBeCloseTo(steps * FRAME, 6)
      expect(traced.switchers.get(switcher)!.delay!.typ).toBeCloseTo(steps * 1.5 * FRAME, 6)
      expect(traced.switchers.get(switcher)!.delay!.max).toBeCloseTo(steps * 2 * FRAME, 6)
    }
  })
  it('goes dark from the broken switcher on', () => {
    const { run } = follow({
      ...five,
      devices: {
        ...five.devices,
        s2: { ...five.devices.s2!, standard: { raster: '1280x720', scan: 'p', rate: '60000/1001' } },
      },
    })
    expect([run('l0').lit, run('l1').lit, run('l2').lit, run('out').lit]).toEqual([true, false, false, false])
    expect(run('l1').stopped?.stop?.why).toBe('standard')
    expect(run('l2').stopped).toBeUndefined()
  })
  it('gathers a star of four feeders', () => {
    const feeders = ['n', 'e', 's', 'w']
    const star = plan({
      devices: {
        hub: 'switcher-4-strict 1080p59.94',
        scr: 'screen',
        ...Object.fromEntries(
          feeders.flatMap(f => [
            [f, 'switcher-4-strict 1080p59.94'],
            [`${f}-cam`, 'camera-box-hdmi 1080p59.94'],
            [`${f}-pc`, 'computer 1080p59.94'],
          ]),
        ),
      },
      links: {
        out: 'hub.out-1 > scr.in hdmi-passive 1',
        ...Object.fromEntries(
          feeders.flatMap((f, i) => [
            [`${f}-a`, `${f}-cam.hdmi > ${f}.in-1 hdmi-passive 1`],
            [`${f}-b`, `${f}-pc.hdmi-2 > ${f}.in-2 hdmi-passive 1`],
            [`${f}-j`, `${f}.out-2 > hub.in-${i + 1} hdmi-passive 1`],
          ]),
        ),
      },
    })
    const { pictures, traced } = follow(star)
    expect(pictures).toHaveLength(13)
    expect(pictures.every(({ lit }) => lit)).toBe(true)
    expect(traced.switchers.get('hub')).toMatchObject({ lit: 4 })
    // computer and camera 1 .. 2 frames, feeder and hub 1 .. 2 each
    expect(traced.switchers.get('hub')!.delay!.max).toBeCloseTo(6 * FRAME, 6)
  })
  it('adds the scaler of a normalising input', () => {
    const { traced } = follow(
      plan({
        devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-scaling 1080p50' },
        links: { a: 'cam.hdmi > main.in-1 hdmi-passive 1' },
      }),
    )
    // camera 2 frames at 59.94, scaler 2 and switcher 2 frames of 20 ms
    expect(traced.switchers.get('main')!.delay!.max).toBeCloseTo(2 * FRAME + 80, 6)
  })
})

describe('runs', () => {
  it('shares the trunk behind a splitter and names each run by its last link', () => {
    const { runs, run } = follow(
      plan({
        devices: { pc: 'computer 1080p50', sp: 'splitter-hdmi', a: 'screen', b: 'screen' },
        links: {
          t: 'pc.hdmi-1 > sp.in hdmi-passive 1',
          x: 'sp.out-1 > a.in hdmi-passive 1',
          y: 'sp.out-2 > b.in hdmi-passive 1',
        },
      }),
    )
    expect(runs.map(({ id, links }) => [id, links.map(({ wire }) => wire.id)])).toEqual([
      ['x', ['t', 'x']],
      ['y', ['t', 'y']],
    ])
    expect(run('y').links[1]!.signal!.coding).toEqual({ sampling: '4:4:4', depth: 8 })
  })
  it('goes on behind a loop-through', () => {
    const { run } = follow(
      plan({
        devices: { pc: 'computer 1080p50', rec: 'recorder-hdmi', b: 'screen' },
        links: { t: 'pc.hdmi-1 > rec.in hdmi-passive 1', x: 'rec.loop > b.in hdmi-passive 1' },
      }),
    )
    expect(run('x')).toMatchObject({
      lit: true,
      origin: { device: 'pc', port: 'hdmi-1' },
      end: { device: 'b', port: 'in' },
    })
    expect(run('t').lit).toBe(true)
  })
  it('changes the coding at a converter and the format at a scaler', () => {
    const { run } = follow(
      plan({
        devices: { cam: 'camera-shoulder-sdi', sc: 'scaler-sdi-hdmi 1080p50', main: 'switcher-4-strict 1080p50' },
        links: { a: 'cam.sdi > sc.in coax-rg6 60', b: 'sc.out > main.in-1 hdmi-passive 0' },
      }),
    )
    const [before, after] = run('b').links
    expect(before!.figures).toMatchObject({ sdiClass: 'HD', lengthM: 75 })
    expect(after!.signal).toMatchObject({
      format: { scan: 'p', rate: '50/1' },
      setBy: { device: 'sc', port: 'out' },
      origin: { device: 'cam', port: 'sdi' },
    })
  })
  it('sends segmented frames over HDMI as interlaced', () => {
    const { run } = follow(
      plan({
        devices: { cam: 'camera-studio-sdi 1080psf25', back: 'sdi-to-hdmi', scr: 'screen' },
        links: { a: 'cam.sdi > back.in coax-rg6 10', b: 'back.out > scr.in hdmi-passive 0' },
      }),
    )
    expect(run('b')).toMatchObject({ lit: true, links: [{}, { signal: { format: { scan: 'i', rate: '25/1' } } }] })
  })
  it('ends loops of converters and of switchers', () => {
    const ring = follow(
      plan({
        devices: { a: 'switcher-4-strict 1080p50', b: 'switcher-4-strict 1080p50' },
        links: { x: 'a.out-1 > b.in-1 hdmi-passive 1', y: 'b.out-1 > a.in-1 hdmi-passive 1' },
      }),
    )
    expect(ring.runs.map(({ lit }) => lit)).toEqual([false, false])
    const converters = follow(
      plan({
        devices: { a: 'hdmi-to-sdi', b: 'sdi-to-hdmi' },
        links: { x: 'a.out > b.in coax-rg6 1', y: 'b.out > a.in hdmi-passive 1' },
      }),
    )
    expect([...converters.traced.wires.values()].filter(({ stop }) => stop?.why === 'no-source')).toHaveLength(1)
  })
})
