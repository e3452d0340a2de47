import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SDI_CLASSES } from '#core/signal'
import type { CableModel } from './cable'
import { LEADS } from './leads'
import { reachAt, refit, usedShare } from './margin'
import { attenuationPer100m, coaxLossDb, coaxReachM, lengthStep } from './reach'
import { choosePieces, cutLengthM, pieceSumM } from './stock'

const lead = (id: string) => LEADS.get(id) as CableModel
const law = (id: string) => lead(id).reach as Extract<CableModel['reach'], { kind: 'attenuation' }>
const coax = [...LEADS].filter(([, row]) => row.kind === 'cable' && row.reach.kind === 'attenuation').map(([id]) => id)

describe('coax', () => {
  // k1 sqrt(1485) + k2 1485 with sqrt(1485) = 38.5357: RG-59 28.3237 + 1.0395, RG-6 22.5434 + 0.8910, RG-11 15.4143 + 0.7425
  it.each([
    ['coax-rg59', 29.3632],
    ['coax-rg6', 23.4344],
    ['coax-rg11', 16.1568],
  ])('%s loses %d dB per 100 m at 3G', (id, db) => expect(attenuationPer100m(law(id), 1485)).toBeCloseTo(db, 3))
  // 20 dB / 29.3632 dB per 100 m = 68.11 m, and 96 m lose 28.19 dB
  it('carries 68 m of RG-59 at 3G', () => {
    expect(coaxReachM(law('coax-rg59'), '3G')).toBeCloseTo(68.11, 2)
    expect(coaxLossDb(law('coax-rg59'), '3G', 96, 0)).toBeCloseTo(28.19, 2)
  })
  // A coupler at 3G costs 0.3 sqrt(1485 / 3000) = 0.21107 dB: (20 - 0.42214) / 23.4344 = 83.54 m
  it('counts couplers', () => expect(coaxReachM(law('coax-rg6'), '3G', 2)).toBeCloseTo(83.54, 2))
  // At 6G the receiver's 40 dB would allow 118.8 m of RG-6, more than the 85.3 m at 3G: never offered.
  it('does not reach farther at 6G than at 3G', () =>
    expect(coaxReachM(law('coax-rg6'), '6G')).toBe(coaxReachM(law('coax-rg6'), '3G')))
  it('lets the receiver set the budget', () =>
    expect(coaxReachM(law('coax-rg6'), 'HD', 0, { HD: 10, SD: 10 })).toBeCloseTo(
      coaxReachM(law('coax-rg6'), 'HD') / 2,
      9,
    ))
  it('never reaches farther at a higher class, with any couplers, budgets and cable', () => {
    const budgets = fc.record(
      Object.fromEntries(SDI_CLASSES.map(name => [name, fc.double({ min: 5, max: 60, noNaN: true })])),
    )
    fc.assert(
      fc.property(fc.constantFrom(...coax), fc.integer({ min: 0, max: 40 }), budgets, (id, couplers, budget) => {
        const reaches = SDI_CLASSES.map(name => coaxReachM(law(id), name, couplers, budget))
        for (let i = 1; i < reaches.length; i++) expect(reaches[i]).toBeLessThanOrEqual(reaches[i - 1]!)
      }),
    )
  })
})

describe('margin', () => {
  // 75 m of RG-6 at 3G: 0.75 x 23.434 dB = 17.58 dB of 20, that is 88 %; 12 m of passive HDMI of the 15 m at 4.45 Gb/s: 80 %.
  it('is what is left of the reach', () => {
    expect(usedShare(lead('coax-rg6'), { bitsPerS: 2.97e9, sdiClass: '3G' }, 75)).toBeCloseTo(0.8788, 4)
    expect(usedShare(lead('hdmi-passive'), { bitsPerS: 4.45e9 }, 12)).toBeCloseTo(0.8, 9)
  })
  it('is used up at the reach, at every class and with any cable', () => {
    for (const id of coax)
      for (const sdiClass of SDI_CLASSES) {
        const load = { bitsPerS: 1, sdiClass }
        expect(usedShare(lead(id), load, reachAt(lead(id), load))).toBeCloseTo(1, 9)
      }
  })
})

describe('a data sheet', () => {
  it('gives back the law that it was written by', () => {
    // k1 0.6, k2 0.001: at 100 MHz 6.1, at 750 MHz 17.182, at 3000 MHz 35.863 dB per 100 m.
    const found = refit([
      { fMHz: 100, dbPer100M: 6.1 },
      { fMHz: 750, dbPer100M: 17.1817 },
      { fMHz: 3000, dbPer100M: 35.8634 },
    ])!
    expect(found.k1).toBeCloseTo(0.6, 4)
    expect(found.k2).toBeCloseTo(0.001, 5)
  })
  it('never makes loss fall with frequency', () =>
    expect(
      refit([
        { fMHz: 100, dbPer100M: 8 },
        { fMHz: 3000, dbPer100M: 30 },
      ])!.k2,
    ).toBe(0))
  it('needs two frequencies and losses above 0', () => {
    expect(refit([{ fMHz: 100, dbPer100M: 6 }])).toBeUndefined()
    expect(
      refit([
        { fMHz: 100, dbPer100M: 6 },
        { fMHz: 100, dbPer100M: 7 },
      ]),
    ).toBeUndefined()
    expect(
      refit([
        { fMHz: 100, dbPer100M: 6 },
        { fMHz: 750, dbPer100M: 0 },
      ]),
    ).toBeUndefined()
  })
})

describe('tables of lengths', () => {
  it.each([
    ['hdmi-passive', 2.23e9, 7.5, 15],
    ['hdmi-passive', 4.46e9, 7.5, 15],
    ['hdmi-passive', 4.6e9, 5, 7.5],
    ['hdmi-passive', 8.91e9, 5, 7.5],
    ['hdmi-passive', 17.82e9, 3, 5],
    ['hdmi-passive', 32e9, 1.5, 3],
    ['hdmi-active', 8.91e9, 20, 25],
    ['hdmi-active', 17.82e9, 10, 15],
  ])('%s at %d bit/s warns above %d m and fails above %d m', (id, rate, warnM, faultM) => {
    const reach = lead(id).reach
    expect(reach.kind === 'length' && lengthStep(reach.steps, rate)).toMatchObject({ warnM, faultM })
  })
  it('never rises with the rate', () => {
    for (const row of LEADS.values()) {
      if (row.kind !== 'cable' || row.reach.kind !== 'length') continue
      const { steps } = row.reach
      for (let i = 1; i < steps.length; i++) {
        expect(steps[i]!.faultM).toBeLessThanOrEqual(steps[i - 1]!.faultM)
        expect(steps[i]!.warnM).toBeLessThanOrEqual(steps[i - 1]!.warnM)
      }
    }
  })
})

describe('pieces', () => {
  it.each([
    [0, 2],
    [10, 12],
    [20, 22],
    [22, 24.2],
    [60, 66],
  ])('a route of %d m is cut at %d m', (route, cut) => expect(cutLengthM(route)).toBe(cut))
  it.each([
    ['hdmi-passive', 24.2, [20, 5]],
    ['hdmi-passive', 6, [7.5]],
    ['coax-rg6', 66, [75]],
    ['coax-rg6', 230, [100, 100, 30]],
    ['hdmi-optical', 24.2, [30]],
    ['hdmi-optical', 101, undefined],
  ])('%s of %d m comes as %j', (id, cut, pieces) => {
    expect(choosePieces(lead(id), cut)?.pieces).toEqual(pieces)
  })
  it('always covers the cut length, and from single pieces takes the shortest', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('hdmi-passive', 'coax-rg6', 'coax-rg11'),
        fc.double({ min: 0.1, max: 900, noNaN: true }),
        (id, cut) => {
          const { pieces } = choosePieces(lead(id), cut)!
          expect(pieceSumM(pieces)).toBeGreaterThanOrEqual(Math.floor(cut * 1000) / 1000)
          if (pieces.length === 1) expect(lead(id).stock.filter(({ m }) => m >= cut && m < pieces[0]!)).toEqual([])
        },
      ),
    )
  })
})
