import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { fmt, plan } from '../../../testing/plans'
import { circuitsFact } from './circuits'
import { CLASSES, atTheSwitchW, poeOf } from './poe'

describe('what leaves the switch for a device at the end of a lead', () => {
  it.each([
    // Class 3, 100 m: 20 ohm at 44 V: (44 - sqrt(44 x 44 - 4 x 20 x 12.95)) / 40 = 0.35 A, 15.4 W, which is the class.
    [12.95, 100, 3, 15.4],
    // Class 4, 100 m: 12.5 ohm at 50 V: 0.6 A, 30 W.
    [25.5, 100, 4, 30],
    // Class 6, four pairs: 6.25 ohm at 50 V: 1.2 A, 60 W.
    [51, 100, 6, 60],
    // Class 8 at 52 V: 1.73 A, 90 W.
    [71.3, 100, 8, 90],
  ])('%f W over %i m of class %i are %f W', (watts, metres, poeClass, atSwitch) =>
    expect(atTheSwitchW(watts, metres, poeClass)!).toBeCloseTo(atSwitch, 0),
  )
  it('is what the device draws where the lead is nothing, and more the longer it is', () => {
    expect(atTheSwitchW(12, 0, 4)).toBe(12)
    const byLength = [10, 30, 50, 80, 100].map(metres => atTheSwitchW(12, metres, 4)!)
    expect(byLength).toEqual([...byLength].sort((a, b) => a - b))
    // U x U / (4 R) is the most that a lead can bring: 44 x 44 / (4 x 0.2 x 300 m) = 8.07 W.
    expect(atTheSwitchW(8.1, 300, 3)).toBeUndefined()
    expect(atTheSwitchW(8, 300, 3)).toBeDefined()
  })
  it('has the classes of the standard', () =>
    expect(CLASSES.map(({ switchW, deviceW }) => [switchW, deviceW])).toEqual([
      [4, 3.84],
      [7, 6.49],
      [15.4, 12.95],
      [30, 25.5],
      [45, 40],
      [60, 51],
      [75, 62],
      [90, 71.3],
    ]))
})

describe('who is fed over the network', () => {
  const show = (said: 'poe' | 'supply' | undefined, model = 'camera-ptz-hdmi') =>
    check(
      plan({
        devices: {
          cam: { model, ports: { hdmi: { format: fmt('1080p50') } }, ...(said ? { fed: said } : {}) },
          ctl: 'computer-control',
          hub: 'switch-control-poe',
        },
        links: { u: 'ctl.network > hub.in control-network 2', c: 'hub.out-2 > cam.control control-network 40' },
        circuits: { one: { title: 'One', order: 1, amps: 16, loads: { ctl: true } } },
      }),
    ).traced
  const fed = (traced: ReturnType<typeof show>) => poeOf(traced).switches[0]!.fed.map(({ device }) => device)
  it('is whoever holds on its socket, unless a supply is said', () => {
    expect(fed(show(undefined))).toEqual(['cam'])
    expect(fed(show('poe'))).toEqual(['cam'])
    expect(fed(show('supply'))).toEqual([])
  })
  it('is not one whose class the socket does not give, until somebody says so', () => {
    expect(fed(show(undefined, 'camera-ptz-2160'))).toEqual([])
    expect(fed(show('poe', 'camera-ptz-2160'))).toEqual(['cam'])
  })
  it('hangs on no circuit, and is not missed on one', () => {
    const loose = (traced: ReturnType<typeof show>) => traced.ask(circuitsFact).loose.map(({ device }) => device)
    expect(loose(show(undefined))).toEqual(['hub'])
    expect(loose(show('supply'))).toEqual(['cam', 'hub'])
  })
})
