import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { MODELS } from '#core/catalog'
import { type Plan, applyEdits, minutesAt } from '#core/document'
import { check } from '#core/features'
import { papersOf } from '#core/asked'
import { plan } from '../../../testing/plans'
import { closingsOf } from './inrush'
import { leadBearsA, mainsFed } from './mains'
import { distributionsOf, neutralOf } from './phases'

const on = (...ids: string[]) => Object.fromEntries(ids.map(id => [id, true as const]))
const show = (more: object): ReturnType<typeof check> =>
  check(
    plan({
      brief: { mains: '230v-50hz' },
      devices: {
        spot: 'light-spot',
        other: 'light-spot',
        panel: 'light-panel',
        wall: 'projector',
        small: 'tally-lamps',
      },
      ...more,
    } as never),
  )

describe('what a lead bears', () => {
  // EN 50565-1, flexible cords: 0.75 mm² 6 A, 1.5 mm² 16 A, 2.5 mm² 25 A; an odd section as the one below it.
  it.each([
    [0.75, 6],
    [1.5, 16],
    [2.5, 25],
    [1.2, 10],
    [0.25, 1.5],
    [50, 40],
  ])('%d mm² %d A', (mm2, amps) => {
    expect(leadBearsA(mm2)).toBe(amps)
  })
})

describe('the neutral of three phases', () => {
  it.each([
    [10, 10, 10, 0],
    [10, 0, 0, 10],
    [10, 10, 0, 10],
    // 256 + 64 + 16 - 128 - 32 - 64 = 112.
    [16, 8, 4, Math.sqrt(112)],
  ])('%f, %f and %f A leave %f A', (a, b, c, neutral) => expect(neutralOf(a, b, c)).toBeCloseTo(neutral, 9))
  it('is what the three currents are as arrows a third of a turn apart, and never above the largest', () =>
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.float({ min: 0, max: 500, noNaN: true }))), ([a, b, c]) => {
        const turn = (2 * Math.PI) / 3
        const x = a! + b! * Math.cos(turn) + c! * Math.cos(2 * turn)
        const y = b! * Math.sin(turn) + c! * Math.sin(2 * turn)
        expect(neutralOf(a!, b!, c!)).toBeCloseTo(Math.hypot(x, y), 6)
        expect(neutralOf(a!, b!, c!)).toBeLessThanOrEqual(Math.max(a!, b!, c!) + 1e-9)
      }),
    ))
  it('stands with what each phase carries; circuits without a phase are counted apart', () => {
    const { traced } = show({
      distributions: { d: { title: 'D', order: 1, amps: 16 } },
      circuits: {
        a: { title: 'A', order: 1, amps: 16, distribution: 'd', phase: 1, loads: on('spot') },
        b: { title: 'B', order: 2, amps: 16, distribution: 'd', phase: 1, loads: on('other') },
        c: { title: 'C', order: 3, amps: 16, distribution: 'd', phase: 3, loads: on('wall') },
        e: { title: 'E', order: 4, amps: 16, distribution: 'd', loads: on('panel') },
        gone: { title: 'F', order: 5, amps: 16, distribution: 'nowhere', phase: 2 },
      },
    })
    const [one] = distributionsOf(traced)
    // A spot draws up to 330 W, the projector up to 360: 660 / 138 = 4.783 A, 360 / 138 = 2.609 A.
    expect(one!.phases.map(({ circuits, mostA }) => [circuits, Number(mostA.toFixed(3))])).toEqual([
      [['a', 'b'], 4.783],
      [[], 0],
      [['c'], 2.609],
    ])
    expect(one!.phases[0]!.share).toBeCloseTo(4.783 / 16, 3)
    expect(one!.neutralA).toBeCloseTo(Math.sqrt(4.783 ** 2 + 2.609 ** 2 - 4.783 * 2.609), 2)
    expect(one!.unsaid).toEqual(['e'])
  })
})

describe('what one switch closes', () => {
  const supplied = (strip: object, more: object = {}) =>
    closingsOf(
      show({
        circuits: { wall: { title: 'Wall', order: 1, amps: 16, trips: 'd', ...more } },
        strips: {
          one: { title: 'One', order: 1, circuit: 'wall', switched: 'at-once', loads: on('spot', 'small') },
          two: { title: 'Two', order: 2, loads: on('wall'), ...strip },
        },
      }).traced,
    )
  it('is all behind it, through further strips; what nobody knows is counted and not added', () =>
    // 55 + 35 A; a protection of class D bears ten times its 16 A. Of the lamps nobody says.
    expect(supplied({ strip: 'one' })).toMatchObject([
      { on: 'strip', id: 'one', inrushA: 90, ms: 1, unknown: 1, bearsA: 160, trips: 'd' },
    ]))
  it('is not what a strip behind it closes in turn', () =>
    expect(supplied({ strip: 'one', switched: 'in-turn' })).toMatchObject([{ inrushA: 55, unknown: 1 }]))
  it('is a whole circuit where the house has a switch before it, and nothing where nobody says one', () => {
    expect(supplied({ circuit: 'wall' }, { switched: 'at-once' }).map(({ on: at, inrushA }) => [at, inrushA])).toEqual([
      ['circuit', 90],
      ['strip', 55],
    ])
    expect(supplied({ strip: 'one' }, {}).length).toBe(1)
    expect(
      closingsOf(show({ circuits: { wall: { title: 'W', order: 1, amps: 1, loads: on('spot') } } }).traced),
    ).toEqual([])
  })
})

describe('volts at a device on the mains', () => {
  const volts = (strips: object, brief: object = { mains: '230v-50hz' }) =>
    Object.fromEntries(
      mainsFed(show({ brief, circuits: { wall: { title: 'Wall', order: 1, amps: 16 } }, strips }).traced).map(
        ({ node, thereV }) => [node.id, Number(thereV.toFixed(3))],
      ),
    )
  const lead = { m: 50, mm2: 1.5 }
  it('are those of the house less what each lead before it takes, with all that hangs behind', () => {
    const found = volts({
      one: { title: 'One', order: 1, circuit: 'wall', lead, loads: on('spot') },
      two: { title: 'Two', order: 2, strip: 'one', lead, loads: on('wall') },
    })
    // 2 x 50 x 0.0178 / 1.5 = 1.1867 ohm; 690 W are 5 A, 360 W 2.609 A: 5.933 V, then 3.096 V more.
    expect(found).toMatchObject({ spot: 224.067, wall: 220.971, other: 230 })
  })
  it('begin anew behind a transformer', () =>
    expect(volts({ t: { title: 'T', order: 1, circuit: 'wall', lead, givesV: 120, loads: on('spot') } })).toMatchObject(
      {
        spot: 120,
      },
    ))
  it('are nothing that is known without a word about the house', () => expect(volts({}, {})).toEqual({}))
})

describe('how long an uninterruptible supply goes on', () => {
  const table = [
    { w: 100, min: 60 },
    { w: 200, min: 25 },
    { w: 400, min: 8 },
  ]
  it.each([
    [50, 60],
    [100, 60],
    // Half way from 100 to 200 W: half way from 60 to 25 min. A quarter from 200 to 400: 25 - 17 / 4.
    [150, 42.5],
    [250, 20.75],
    [400, 8],
    // Beyond what it says, by the watt-minutes of its last: 400 x 8 / 500.
    [500, 6.4],
  ])('at %i W is %f min by its data sheet', (watts, minutes) =>
    expect(minutesAt({ wh: 200, mostW: 600, table }, watts)).toBeCloseTo(minutes, 9),
  )
  it('is by what it holds where nobody says more: 200 Wh x 0.8 x 0.85 at 100 W are 1.36 h', () =>
    expect(minutesAt({ wh: 200, mostW: 600 }, 100)).toBeCloseTo(81.6, 9))
  it('is refused where minutes rise with the draw', () => {
    const { plan: written } = show({ circuits: { wall: { title: 'Wall', order: 1, amps: 16 } } }).traced
    const add = (rows: typeof table) =>
      applyEdits(written, [
        {
          do: 'add',
          collection: 'strips',
          id: 'ups',
          value: { title: 'U', order: 1, keeps: { wh: 200, mostW: 600, table: rows } },
        },
      ])
    expect(add(table).ok).toBe(true)
    expect(add(table.toReversed())).toMatchObject({ ok: false, problem: { path: expect.stringMatching(/table\/1$/) } })
  })
})

describe('rows on the mains', () => {
  it('each say which lead they take, and on which mains they work', () => {
    for (const [id, { supply, watts, inlet }] of MODELS)
      if (supply === 'mains' && watts > 0) expect(inlet && inlet.minV < inlet.maxV, id).toBe(true)
  })
  it('have their leads on the packing list, by plug', () => {
    const { rows } = papersOf(show({ circuits: {} } as unknown as Partial<Plan>), { length: 'm' }).find(
      ({ id }) => id === 'packing',
    )!
    // The projector takes a C13; lights have leads of their own, the lamps a supply in the outlet.
    expect(rows.filter(({ item }) => /mains lead/i.test(String(item))).map(({ item, count }) => [item, count])).toEqual(
      [['Mains lead, C13', '1']],
    )
  })
})
