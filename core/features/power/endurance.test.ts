import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import type { Brief, Plan } from '#core/document'
import { fmt, plan } from '../../../testing/plans'
import { coldShare, enduranceOf } from './endurance'

// A hand camera draws 9 W; its own battery holds 16 Wh, of which four fifths count: 12.8 / 9 = 1.422 h.
const OWN_H = 12.8 / 9
const BRIEF: Brief = { doors: '18:00', start: '18:30', end: '20:00' }
const one = (batteries: Plan['batteries'] = {}, brief: Brief = BRIEF, circuits: Plan['circuits'] = {}) =>
  enduranceOf(
    check(
      plan({
        brief,
        devices: {
          cam: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } },
          main: 'switcher-4-strict 1080p59.94',
        },
        links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro' },
        batteries,
        circuits,
      }),
    ).traced,
  )
const cam = { cam: true } as const

describe('how long a device lasts', () => {
  it('is by its own battery, where nothing else is said', () => {
    const [found] = one()
    expect(found!.hours).toBeCloseTo(OWN_H, 9)
    // Two hours from the doors on, and three tenths more.
    expect(found!.needHours).toBeCloseTo(2.6, 9)
    expect(found!.endsAt).toBeCloseTo(18 * 60 + OWN_H * 60, 6)
    expect(found!.lasts).toBe(false)
  })
  it.each<[string, Plan['batteries'][string], number]>([
    ['a pack takes the place of its own', { title: 'P', order: 1, kind: 'pack', wh: 45, loads: cam }, (45 * 0.8) / 9],
    ['three in turn', { title: 'P', order: 1, kind: 'pack', wh: 16, count: 3, loads: cam }, 3 * OWN_H],
    [
      'old ones give four fifths',
      { title: 'P', order: 1, kind: 'pack', wh: 45, aged: true, loads: cam },
      (45 * 0.64) / 9,
    ],
    [
      'a bank stands beside its own',
      { title: 'B', order: 1, kind: 'bank', wh: 74, loads: cam },
      OWN_H + (74 * 0.8 * 0.85) / 9,
    ],
    [
      'a bank that is too weak adds nothing',
      { title: 'B', order: 1, kind: 'bank', wh: 74, mostW: 8, loads: cam },
      OWN_H,
    ],
    [
      'nor one that switches itself off',
      { title: 'B', order: 1, kind: 'bank', wh: 74, offBelowW: 10, loads: cam },
      OWN_H,
    ],
    [
      // It draws up to 14 W, and 9 typically.
      'one that is strong enough does',
      { title: 'B', order: 1, kind: 'bank', wh: 74, mostW: 14, offBelowW: 9, loads: cam },
      OWN_H + (74 * 0.68) / 9,
    ],
    // The switcher's 12 W hang on it as well: 21 W.
    [
      'a battery with two loads is shared',
      { title: 'P', order: 1, kind: 'pack', wh: 98, loads: { cam: true, main: true } },
      (98 * 0.8) / 21,
    ],
    [
      'a load that is gone draws nothing',
      { title: 'P', order: 1, kind: 'pack', wh: 45, loads: { cam: true, old: true } },
      4,
    ],
  ])('%s', (_, battery, hours) => expect(one({ b: battery })[0]!.hours).toBeCloseTo(hours, 9))
  it('counts the cold', () => {
    expect([30, 20, 10, 0, -20].map(coldShare)).toEqual([1, 1, 0.9, 0.8, 0.8])
    expect(one({}, { ...BRIEF, coldC: 10 })[0]!.hours).toBeCloseTo(OWN_H * 0.9, 9)
  })
  it('is told without a judgement while the brief says no times', () => {
    const [found] = one({}, {})
    expect(found).toMatchObject({ needHours: undefined, endsAt: undefined, lasts: true })
  })
  it('ends past midnight as a later minute of the clock', () =>
    // 23:00 and 1 h 25 min.
    expect(one({}, { start: '23:00', end: '02:00' })[0]!.endsAt).toBeCloseTo(23 * 60 + OWN_H * 60, 6))
  it('says when packs are changed, and not after the end', () => {
    const [found] = one({ b: { title: 'P', order: 1, kind: 'pack', wh: 16, count: 4, loads: cam } })
    // Each lasts 85.3 min of the 120 min: one change.
    expect(found!.swaps.map(Math.round)).toEqual([18 * 60 + 85])
  })
  it('leaves out what hangs on a circuit, and takes in what a battery feeds beside it', () => {
    expect(one({}, BRIEF, { c: { title: 'C', order: 1, amps: 16, loads: { cam: true } } })).toEqual([])
    const both = one({ b: { title: 'P', order: 1, kind: 'pack', wh: 98, loads: { main: true } } })
    expect(both.map(({ device }) => device).sort()).toEqual(['cam', 'main'])
  })
  it('is not known of a model that says nothing of its battery', () => {
    const written = plan({
      brief: BRIEF,
      devices: { cam: { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } } },
    })
    const { battery: _, from: __, ...row } = written.models['camera-hand-hdmi']!
    const bare = { ...written, models: { 'camera-hand-hdmi': row } }
    expect(enduranceOf(check(bare).traced)[0]).toMatchObject({ unknown: true, lasts: true })
  })
})

describe('phones', () => {
  const phone = (box: string) =>
    enduranceOf(
      check(
        plan({
          brief: { start: '10:00', end: '16:00' },
          devices: {
            tel: { model: 'phone', ports: { 'usb-c': { format: fmt('1080p30'), clean: true } } },
            box,
            main: 'switcher-4-strict 1080p30',
          },
          links: { a: 'tel.usb-c > box.in usbc-lead 0', b: 'box.out > main.in-1 hdmi-passive 2' },
        }),
      ).traced,
    )[0]!
  it('are charged by what their picture goes through, where that charges', () => {
    expect(phone('usbc-hdmi-full')).toMatchObject({ charged: true, lasts: true, endsAt: undefined })
    expect(phone('usbc-hdmi-basic')).toMatchObject({ charged: false, lasts: false })
  })
})
