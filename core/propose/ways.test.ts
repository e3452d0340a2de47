import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type CableModel, LEADS, choosePieces, cutLengthM, piecesMinor } from '#core/cable'
import { MODELS } from '#core/catalog'
import { planMinor, resolve, trace } from '#core/chain'
import { type Plan, applyEdits } from '#core/document'
import { plan } from '../../testing/plans'
import { Draft, seeded } from './draft'
import { waysBetween } from './search'
import { type Way, layWay, wayTitle } from './ways'

/** A plan of two devices and the ways between their ports. */
function between(
  source: string,
  switcher: string,
  routeM: number | undefined,
  from: string,
  to: string,
): { plan: Plan; ways: Way[] } {
  const written = plan({ devices: { src: source, dst: switcher } })
  const { nodes } = resolve(written)
  const [src, dst] = [nodes.get('src')!, nodes.get('dst')!]
  const laid = plan({
    devices: { src: source, dst: switcher },
    links: { a: { from: { device: 'src', port: from }, to: { device: 'dst', port: to }, cable: 'hdmi-passive' } },
  })
  const signal = trace(resolve(laid)).wires.get('a')!.signal!
  return {
    plan: written,
    ways: waysBetween(
      written,
      { port: src.model.ports[from]!, signal },
      { node: dst, portId: to, port: dst.model.ports[to]! },
      routeM === undefined ? {} : { routeM },
    ),
  }
}

const STRICT_HDMI = 'switcher-4-strict 1080p59.94'
const MIXED = 'switcher-8-mixed 1080p59.94'

describe('ways', () => {
  it.each<[string, string, string, number, string, string, string]>([
    // 3 m are cut at 5 m, and 5 m of passive HDMI hold at 4.45 Gb/s
    ['near', 'camera-box-hdmi 1080p59.94', STRICT_HDMI, 3, 'hdmi', 'in-1', '5 m Passive HDMI'],
    // 8 m are cut at 10 m: beyond the 7.5 m that always hold, so active copper stands first
    ['a little farther', 'camera-box-hdmi 1080p59.94', STRICT_HDMI, 8, 'hdmi', 'in-1', '10 m Active HDMI'],
    ['far', 'camera-box-hdmi 1080p59.94', STRICT_HDMI, 22, 'hdmi', 'in-1', '30 m Optical HDMI'],
    [
      'with a small plug',
      'camera-hand-hdmi 1080p59.94',
      STRICT_HDMI,
      3,
      'hdmi',
      'in-1',
      '5 m Passive HDMI with adapter',
    ],
    ['by coax', 'camera-studio-sdi 1080p59.94', MIXED, 20, 'sdi', 'in-5', '25 m RG-59 size coax'],
    // 60 m are cut at 66 m: RG-59 carries 68 m at 3G, but no 75 m piece; RG-6 carries 85 m
    ['by better coax', 'camera-studio-sdi 1080p59.94', MIXED, 60, 'sdi', 'in-5', '75 m RG-6 size coax'],
    // 75 m of RG-6 at 3G use 88 % of reach; on the HDMI side 2 m remain
    [
      'from SDI to HDMI',
      'camera-studio-sdi 1080p59.94',
      STRICT_HDMI,
      60,
      'sdi',
      'in-1',
      'SDI to HDMI converter, 75 m RG-6 size coax',
    ],
    [
      'with a rate that does not fit',
      'computer 1080p60',
      STRICT_HDMI,
      1,
      'hdmi-1',
      'in-1',
      'HDMI scaler and rate converter',
    ],
    [
      'from interlaced SDI',
      'camera-shoulder-sdi',
      STRICT_HDMI,
      60,
      'sdi',
      'in-1',
      'SDI to HDMI scaler and rate converter, 75 m RG-59 size coax',
    ],
    [
      'from a phone',
      'phone 1080p59.94',
      STRICT_HDMI,
      4,
      'usb-c',
      'in-1',
      'USB-C to HDMI converter with charging, 7.5 m Passive HDMI',
    ],
  ])('%s: the first offer is right', (_, source, switcher, routeM, from, to, title) => {
    expect(wayTitle(between(source, switcher, routeM, from, to).ways[0]!)).toBe(title)
  })

  it('are cheapest first among the safe ones, and the risky ones come last', () => {
    const { ways } = between('camera-box-hdmi 1080p59.94', STRICT_HDMI, 8, 'hdmi', 'in-1')
    const safe = ways.filter(({ risky }) => !risky)
    expect(safe.map(({ minor }) => minor)).toEqual(safe.map(({ minor }) => minor).sort((a, b) => a - b))
    expect(ways.findIndex(({ risky }) => risky)).toBe(safe.length)
    expect(ways.filter(({ risky }) => risky).map(wayTitle)).toContain('10 m Passive HDMI')
  })

  it('have none where nothing on sale reaches', () => {
    expect(between('camera-box-hdmi 1080p59.94', STRICT_HDMI, 900, 'hdmi', 'in-1').ways).toEqual([])
  })

  it('arrive when they are laid, at the price that they say, whatever the distance', () => {
    const cases = [
      ['camera-box-hdmi 1080p59.94', STRICT_HDMI, 'hdmi', 'in-1'],
      ['camera-studio-sdi 1080i50', STRICT_HDMI, 'sdi', 'in-2'],
      ['computer 1080p60', MIXED, 'hdmi-2', 'in-6'],
      ['phone 1080p30', 'switcher-4-scaling 1080p50', 'usb-c', 'in-3'],
      ['camera-hand-hdmi 1080p25', MIXED, 'hdmi', 'in-1'],
    ] as const
    let laid = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...cases),
        fc.integer({ min: 0, max: 1200 }),
        ([source, switcher, from, to], decimetres) => {
          const { plan: written, ways } = between(source, switcher, decimetres / 10, from, to)
          for (const way of ways.slice(0, 6)) {
            const draft = new Draft(written)
            layWay(draft, way, { device: 'src', port: from }, { device: 'dst', port: to }, 'src', 'run')
            const applied = applyEdits(written, draft.edits)
            if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
            const traced = trace(resolve(applied.value.plan)).wires.get('run')!
            expect(traced.arrives, wayTitle(way)).toBe(true)
            expect(planMinor(applied.value.plan) - planMinor(written)).toBe(way.minor)
            laid++
          }
        },
      ),
      { numRuns: 60 },
    )
    expect(laid).toBeGreaterThan(100)
  })
})

describe('prices', () => {
  it('add devices, pieces and adapters', () => {
    const written = plan({
      devices: { cam: 'camera-hand-hdmi 1080p25', main: 'switcher-4-strict 1080p25' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-passive 5 adapter-hdmi-micro' },
    })
    // 5 m are cut at 7 m: the 7.5 m piece at 22.00, an adapter at 9.00, the camera 950.00, the switcher 380.00
    expect(planMinor(written)).toBe(2200 + 900 + 95000 + 38000)
  })
  it('of joined pieces are the sum of the pieces', () => {
    const cable = LEADS.get('hdmi-passive') as CableModel
    const pieces = choosePieces(cable, cutLengthM(22))!
    expect(pieces).toEqual({ pieces: [20, 5], minor: 6500 + 1500 })
    expect(piecesMinor(cable, pieces.pieces)).toBe(8000)
  })
})

describe('drafts', () => {
  it('embed a row of the catalogue once, and find it under another name', () => {
    const written = plan({ devices: { cam: 'camera-box-hdmi' } })
    const renamed: Plan = {
      ...written,
      models: { mine: written.models['camera-box-hdmi']! },
      devices: { cam: { ...written.devices.cam!, model: 'mine' } },
    }
    const draft = new Draft(renamed)
    expect(draft.model('camera-box-hdmi')).toBe('mine')
    expect(draft.model('phone')).toBe('phone')
    expect(draft.model('phone')).toBe('phone')
    expect(draft.edits).toEqual([{ do: 'add', collection: 'models', id: 'phone', value: MODELS.get('phone') }])
  })
  it('do not take the id of a model that only has the same name', () => {
    const written = plan({ devices: { cam: 'camera-box-hdmi' } })
    const odd: Plan = {
      ...written,
      models: {
        ...written.models,
        phone: { ...written.models['camera-box-hdmi']!, from: undefined, title: 'Own phone' },
      },
    }
    const id = new Draft(odd).model('phone')
    expect(id).toMatch(/^phone-[a-z0-9]{4}$/)
  })
  it('make the same ids from the same seed', () => {
    const numbers = (seed: string) => Array.from({ length: 5 }, seeded(seed))
    expect(numbers('a')).toEqual(numbers('a'))
    expect(numbers('a')).not.toEqual(numbers('b'))
    for (const value of numbers('c')) expect(value >= 0 && value < 1).toBe(true)
  })
})
