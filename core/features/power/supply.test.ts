import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { lostDevices } from '#core/chain'
import { type Plan, applyEdits, circuitOf, hangingOn } from '#core/document'
import { check } from '#core/features'
import { lossesOf } from '../continuity/loss'
import { papersOf } from '#core/asked'
import { plan } from '../../../testing/plans'
import { circuitsFact } from './circuits'
import { layByPlace } from './lay'
import { rechargeHours, startOf } from './start'
import { unsupplied } from './supplied'

const on = (...ids: string[]) => Object.fromEntries(ids.map(id => [id, true as const]))
const DEVICES = {
  pc: { model: 'computer', place: 'desk' },
  main: { model: 'switcher-4-strict', place: 'desk', standard: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } },
  scr: { model: 'screen', place: 'wall' },
  cam: { model: 'camera-hand-hdmi', place: 'wall' },
} as const
const show = (more: object) => check(plan({ brief: { mains: '230v-50hz' }, devices: DEVICES, ...more } as never)).traced

describe('strips', () => {
  const supplied = {
    circuits: { left: { title: 'Left', order: 1, amps: 16, loads: on('pc') } },
    strips: {
      a: { title: 'A', order: 1, circuit: 'left', loads: on('main') },
      b: { title: 'B', order: 2, strip: 'a', loads: on('scr') },
      loose: { title: 'Loose', order: 3, loads: on('cam') },
      gone: { title: 'Gone', order: 4, circuit: 'nowhere', loads: on('cam') },
      egg: { title: 'Egg', order: 5, strip: 'hen' },
      hen: { title: 'Hen', order: 6, strip: 'egg', circuit: 'left' },
      self: { title: 'Self', order: 7, strip: 'self', circuit: 'left' },
    },
  }
  it('hang on the circuit that they lead to, through others, and on none in a ring', () => {
    const { plan: written } = show(supplied)
    expect(['a', 'b', 'loose', 'gone', 'egg', 'self', 'none'].map(id => circuitOf(written, id))).toEqual([
      'left',
      'left',
      undefined,
      undefined,
      undefined,
      undefined,
      undefined,
    ])
    expect([...hangingOn(written, 'left')].sort()).toEqual(['main', 'pc', 'scr'])
  })
  it('load their circuit, and go dark with it', () => {
    const traced = show(supplied)
    const [left] = traced.ask(circuitsFact).circuits
    // The catalogue: 65 + 12 + 90 W; at the most 180 + 18 + 130 W.
    expect(left).toMatchObject({ watts: 167, mostWatts: 328 })
    // 328 / (230 x 0.6).
    expect(left!.mostA).toBeCloseTo(2.377, 3)
    // A computer and a screen at 1 mA, a small supply at 0.5 mA.
    expect(left!.leakMa).toBe(2.5)
    expect(left!.loads.map(({ device, strip }) => [device, strip])).toEqual([
      ['scr', 'b'],
      ['pc', undefined],
      ['main', 'a'],
    ])
    expect(left!.strips.map(({ id, into }) => [id, into])).toEqual([
      ['a', undefined],
      ['b', 'a'],
    ])
    expect([...lostDevices(traced.plan, { of: 'circuit', id: 'left' })].sort()).toEqual(['main', 'pc', 'scr'])
  })
  it('come out the same by walking every chain of plugs, over random ones', () => {
    const ids = ['s0', 's1', 's2', 's3', 's4']
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ circuit: fc.constantFrom('left', 'right', 'gone', ''), strip: fc.constantFrom('', ...ids) }),
          {
            minLength: 5,
            maxLength: 5,
          },
        ),
        rows => {
          const strips = Object.fromEntries(
            rows.map(({ circuit, strip }, i) => [
              ids[i]!,
              {
                title: 's',
                order: i,
                ...(circuit ? { circuit } : {}),
                ...(strip ? { strip } : {}),
                loads: on(`d${i}`),
              },
            ]),
          )
          const circuits = { left: { title: 'L', order: 1, amps: 16 }, right: { title: 'R', order: 2, amps: 16 } }
          const written = { circuits, strips } as unknown as Plan
          // At most five plugs lie between a strip and the wall.
          const root = (i: number, plugs: number): string | undefined => {
            const { circuit, strip } = rows[i]!
            if (plugs > 5) return undefined
            if (strip) return root(ids.indexOf(strip), plugs + 1)
            return circuit === 'left' || circuit === 'right' ? circuit : undefined
          }
          for (const [i, id] of ids.entries()) expect(circuitOf(written, id)).toBe(root(i, 0))
          for (const circuit of ['left', 'right'])
            expect([...hangingOn(written, circuit)].sort()).toEqual(
              ids.flatMap((_, i) => (root(i, 0) === circuit ? [`d${i}`] : [])),
            )
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('a residual-current protection', () => {
  const behind = (right: object) =>
    show({
      circuits: {
        left: { title: 'Left', order: 1, amps: 16, residual: 'Box', loads: on('pc') },
        right: { title: 'Right', order: 2, amps: 16, loads: on('scr'), ...right },
      },
      strips: { s: { title: 'S', order: 1, circuit: 'right', loads: on('main') } },
    })
  it('takes all circuits behind it along, and is asked in What if where there are several', () => {
    const both = behind({ residual: 'Box' })
    expect([...lostDevices(both.plan, { of: 'protection', id: 'Box' })].sort()).toEqual(['main', 'pc', 'scr'])
    expect([...lostDevices(behind({}).plan, { of: 'protection', id: 'Box' })]).toEqual(['pc'])
    const asked = (traced: typeof both) => lossesOf(traced.plan).filter(({ of }) => of === 'protection')
    expect(asked(both)).toEqual([{ of: 'protection', id: 'Box' }])
    expect(asked(behind({}))).toEqual([])
    expect(asked(behind({ residual: 'Other' }))).toEqual([])
  })
})

describe('a place without an outlet', () => {
  it('is known only once somebody has said where outlets are', () => {
    expect(unsupplied(show({}))).toEqual([])
    expect(unsupplied(show({ circuits: { a: { title: 'A', order: 1, amps: 16 } } }))).toEqual([])
  })
  it('leaves dark exactly what lives on the mains there, hangs on nothing, and is not fed otherwise; over all choices', () => {
    for (let bits = 0; bits < 64; bits++) {
      const has = (bit: number): boolean => (bits & (1 << bit)) !== 0
      const [desk, wall, plugged, strip, pack, usb] = [0, 1, 2, 3, 4, 5].map(has)
      const places = [...(desk ? ['desk'] : []), ...(wall ? ['wall'] : []), 'elsewhere']
      const traced = show({
        devices: { ...DEVICES, up: { model: 'hdmi-to-sdi', place: usb ? 'wall' : 'desk' } },
        circuits: { a: { title: 'A', order: 1, amps: 16, places, ...(plugged ? { loads: on('pc') } : {}) } },
        strips: strip ? { s: { title: 'S', order: 1, circuit: 'a', loads: on('scr') } } : {},
        batteries: pack ? { p: { title: 'P', order: 1, kind: 'bank', wh: 74, loads: on('main') } } : {},
      })
      const screenFed = wall || strip
      const computerFed = desk || plugged
      const dark = [
        ...(computerFed ? [] : ['pc']),
        ...(desk || pack ? [] : ['main']),
        ...(screenFed ? [] : ['scr']),
        // A small box takes USB from the screen or the computer beside it, if that is fed; the camera has its battery.
        ...((usb ? screenFed : computerFed) ? [] : ['up']),
      ]
      expect(
        unsupplied(traced)
          .map(({ node }) => node.id)
          .sort(),
        String(bits),
      ).toEqual(dark.sort())
    }
  })
})

describe('switching on', () => {
  it('goes from what answers to what asks: network, sinks, switchers, converters, sources', () => {
    const traced = show({
      devices: { ...DEVICES, net: 'switch-control', up: 'hdmi-to-sdi', desk: 'desk-8', house: 'desk-house' },
      circuits: { a: { title: 'Left', order: 1, amps: 16, loads: on('pc') } },
      batteries: { p: { title: 'Packs', order: 1, kind: 'pack', wh: 16, count: 3, chargerW: 8, loads: on('cam') } },
    })
    expect(startOf(traced).map(({ node }) => node.id)).toEqual(['net', 'scr', 'main', 'up', 'desk', 'pc', 'cam'])
    expect(startOf(traced).map(({ fed }) => fed)).toEqual([
      'an outlet',
      'an outlet',
      'an outlet',
      'USB',
      'an outlet',
      'Left',
      'Packs',
    ])
    const papers = papersOf(check(traced.plan), { length: 'm' })
    const start = papers.find(({ id }) => id === 'start')!
    expect(start.rows.find(({ device }) => device === 'main')).toMatchObject({
      note: 'no switch',
      wait: expect.stringMatching(/s$/),
    })
    expect(start.rows.filter(({ group }) => group !== '')).toHaveLength(6)
    // 16 Wh / (8 W x 0.85) = 2.35 h.
    expect(rechargeHours(16, 8)).toBeCloseTo(2.353, 3)
    expect(papers.find(({ id }) => id === 'charging')!.rows).toEqual([
      {
        item: 'Packs',
        feeds: 'cam',
        count: '3',
        wh: '16\u00A0Wh',
        hours: '2.4\u00A0h each at 8\u00A0W',
        done: '\u2610\u2610\u2610',
      },
    ])
  })
})

describe('hanging by place', () => {
  const laid = (circuits: object) => {
    const traced = show({ circuits })
    const { edits, left } = layByPlace(traced)
    const applied = applyEdits(traced.plan, [...edits])
    if (!applied.ok) throw new Error(applied.problem.path)
    const loads = Object.fromEntries(
      Object.entries(applied.value.plan.circuits).map(([id, one]) => [id, Object.keys(one.loads ?? {}).sort()]),
    )
    return { loads, left }
  }
  const at = (amps: number, order: number, ...places: string[]) => ({ title: `C${order}`, order, amps, places })
  it('takes the heaviest first, each to the emptiest circuit that has outlets where it stands', () =>
    // Screen 90, computer 65, switcher 12 W; the camera lives on its battery. The wall's own circuit takes the screen; the
    // desk's two are alike, and the switcher goes beside the one that the computer left empty.
    expect(laid({ a: at(16, 1, 'desk'), b: at(16, 2, 'desk'), c: at(10, 3, 'wall') })).toEqual({
      loads: { a: ['pc'], b: ['main'], c: ['scr'] },
      left: [],
    }))
  it('leaves what would fill a circuit above what is safe, and what has no outlet at its place', () =>
    // Up to 180 W at 230 V and 0.6 are 1.3 A, of 0.5 A too much, 130 W of the screen too; the 18 W of the switcher are 26 %.
    expect(laid({ a: at(0.5, 1, 'desk'), c: at(16, 2, 'foyer') })).toEqual({
      loads: { a: ['main'], c: [] },
      left: ['pc', 'scr'],
    }))
  it('keeps what hangs, and is nothing where all does', () =>
    expect(
      layByPlace(show({ circuits: { a: { ...at(16, 1, 'desk', 'wall'), loads: on('pc', 'main', 'scr', 'cam') } } })),
    ).toEqual({ edits: [], hung: 0, left: [] }))
})
