import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type AdapterModel, type CableModel, choosePieces, cutLengthM } from '#core/cable'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { formatLabel } from '#core/signal'
import { plan } from '../../../testing/plans'
import { build, shapes } from '../../../testing/random'
import { SOAK } from '../../../testing/soak'
import { type Rung, ladder } from './ladder'

const PLANS = SOAK ? 200 : 20

const rung = (rungs: readonly Rung[], label: string): Rung => {
  const found = rungs.find(candidate => candidate.label === label)
  if (!found) throw new Error(`no rung ${label}`)
  return found
}
const glow = ({ lamps }: Rung) => Object.fromEntries(lamps.map(lamp => [lamp.device, lamp.glow]))

describe('the ladder', () => {
  const three = plan({
    devices: {
      cam: 'camera-studio-sdi 1080p59.94',
      old: 'camera-shoulder-sdi',
      pc: 'laptop 1080p60',
      main: 'switcher-8-mixed 1080p59.94',
      scr: 'screen',
      cap: 'capture-hdmi',
    },
    links: {
      a: 'cam.sdi > main.in-5 coax-rg6 30',
      b: 'old.sdi > main.in-6 coax-rg6 30',
      c: 'pc.hdmi > main.in-1 hdmi-passive 3',
      d: 'main.out-3 > scr.in hdmi-passive 2',
      e: 'main.out-4 > cap.in hdmi-passive 2',
    },
  })
  it('says for each standard what is lit, set, converted and dark', () => {
    const rungs = ladder(check(three))
    // All of the switcher's twelve standards: seven progressive and two interlaced of 1080 lines, three of 720.
    expect(rungs.map(({ label }) => label).sort()).toEqual(
      [
        '1080i50',
        '1080i59.94',
        '1080p23.98',
        '1080p25',
        '1080p29.97',
        '1080p30',
        '1080p50',
        '1080p59.94',
        '1080p60',
        '720p50',
        '720p59.94',
        '720p60',
      ].sort(),
    )
    // The shoulder camera makes 1080i50 alone; the laptop makes no 1000/1001 rate; the capture device takes nothing interlaced.
    expect(glow(rung(rungs, '1080i50'))).toEqual({
      cam: 'setting',
      old: 'lit',
      pc: 'converter',
      scr: 'lit',
      cap: 'converter',
    })
    expect(glow(rung(rungs, '1080p50'))).toEqual({
      cam: 'setting',
      old: 'converter',
      pc: 'setting',
      scr: 'lit',
      cap: 'lit',
    })
    expect(glow(rung(rungs, '1080p59.94'))).toEqual({
      cam: 'lit',
      old: 'converter',
      pc: 'converter',
      scr: 'lit',
      cap: 'lit',
    })
    expect(rung(rungs, '1080p59.94').now).toBe(true)
  })
  it('ranks by pictures, then converters, and says why', () => {
    const rungs = ladder(check(three))
    expect(rungs[0]!.after.arrive).toBe(5)
    expect(rungs[0]!.converters).toBe(1)
    for (const [i, one] of rungs.entries()) {
      const next = rungs[i + 1]
      expect(Boolean(one.why)).toBe(next !== undefined)
      if (next) expect(one.after.arrive).toBeGreaterThanOrEqual(next.after.arrive)
    }
  })
  it('leaves a plan that is right as it is', () => {
    const rungs = ladder(
      check(
        plan({
          devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
          links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
        }),
      ),
    )
    expect(rungs[0]).toMatchObject({
      label: '1080p59.94',
      now: true,
      edits: [],
      settings: 0,
      converters: 0,
      minor: 0,
      delayMs: 0,
    })
  })
  it('names the switchers that do not offer a standard, and converts before them', () => {
    const mixed = plan({
      devices: { cam: 'camera-hand-hdmi 1080p25', side: 'switcher-4-2160 1080p25', main: 'switcher-4-strict 1080p25' },
      links: {
        a: 'cam.hdmi > side.in-1 hdmi-passive 2 adapter-hdmi-micro',
        j: 'side.out-1 > main.in-1 hdmi-passive 1',
      },
    })
    const large = rung(ladder(check(mixed)), '2160p25')
    expect(large.without).toEqual(['main'])
    expect(large).toMatchObject({ converters: 1, settings: 1, after: { arrive: 2, wanted: 2, D: 0 } })
  })
})

describe('on generated plans', () => {
  /** Planning price, added up by hand: each device once, each link's pieces and adapters. */
  const priceOf = ({ devices, links, models, leads }: Plan): number =>
    Object.values(devices).reduce((sum, { model }) => sum + models[model]!.priceMinor, 0) +
    Object.values(links).reduce((sum, link) => {
      const cable = leads[link.cable] as CableModel
      const pieces = link.pieces ?? choosePieces(cable, cutLengthM(link.routeM!))?.pieces ?? []
      const adapters = Object.values(link.adapters ?? {}).reduce(
        (all, id) => all + (leads[id] as AdapterModel).priceMinor,
        0,
      )
      return (
        sum +
        adapters +
        pieces.reduce((all, piece) => all + (cable.stock.find(({ m }) => m === piece)?.priceMinor ?? 0), 0)
      )
    }, 0)
  const slowest = (checked: ReturnType<typeof check>) =>
    Math.max(0, ...[...checked.traced.trace.switchers.values()].map(({ delay }) => delay?.typ ?? 0))

  it('each rung\u2019s transaction does what the rung says', () => {
    let rungs = 0
    let converted = 0
    fc.assert(
      fc.property(shapes, shape => {
        const before = build(shape)
        const checked = check(before)
        for (const row of ladder(checked)) {
          rungs++
          converted += row.converters
          const applied = applyEdits(before, row.edits)
          if (!applied.ok) throw new Error(applied.problem.path)
          const after = applied.value.plan
          const again = check(after)
          expect(row.after).toEqual(again.verdict)
          const changed = Object.entries(before.devices).flatMap(([id, device]) =>
            Object.entries(after.devices[id]!.ports ?? {}).filter(([port, { format }]) => {
              const was = device.ports?.[port]?.format
              return format && (!was || formatLabel(format) !== formatLabel(was))
            }),
          )
          expect(row.settings).toBe(changed.length)
          expect(row.converters).toBe(Object.keys(after.devices).length - Object.keys(before.devices).length)
          expect(row.minor).toBe(priceOf(after) - priceOf(before))
          expect(row.delayMs).toBeCloseTo(slowest(again) - slowest(checked), 6)
          for (const lamp of row.lamps.filter(({ end }) => end === 'sink'))
            expect(again.traced.runs.filter(run => run.end?.device === lamp.device).every(({ lit }) => lit)).toBe(
              lamp.glow !== 'dark',
            )
          expect(after.wants).toEqual(before.wants)
        }
      }),
      { numRuns: PLANS, seed: 20270313 },
    )
    expect(rungs).toBeGreaterThan(10 * PLANS)
    expect(converted).toBeGreaterThan(2.5 * PLANS)
  })
})
