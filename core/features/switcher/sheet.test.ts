import { describe, expect, it } from 'vitest'
import { type Device, type Plan, type PortSetting, openPlan } from '#core/document'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { SOAK } from '../../../testing/soak'
import { check } from '../index'
import { paperText } from '../paper'
import { setupSheets } from './paper'

/** Each setting with what it can be flipped to; what the plan does not take is passed over. */
const PORT: { readonly [K in keyof PortSetting]-?: readonly (PortSetting[K] | undefined)[] } = {
  format: [
    undefined,
    { raster: '1280x720', scan: 'p', rate: '50/1' },
    { raster: '1920x1080', scan: 'p', rate: '25/1' },
  ],
  feed: [undefined, 'program', 'clean', 'preview', 'multiview'],
  of: [undefined, 'in-1', 'in-2'],
  label: [undefined, 'FLIPPED'],
  sound: [undefined, 'shut', 'fixed', 'follows'],
  soundDelayMs: [undefined, 1000],
  level: [undefined, 'A', 'B'],
  division: [undefined, 'square', 'interleave'],
  unprotected: [undefined, true],
  range: [undefined, 'narrow', 'full'],
  transfer: [undefined, 'sdr', 'hlg', 'pq', 'log'],
  clean: [undefined, true],
  aspect: [undefined, '16:9', '4:3', '16:10', '9:16'],
  fit: [undefined, 'zoom', 'crop', 'stretch', 'box'],
  reserved: [undefined, 'Guest'],
  offAir: [undefined, true],
}
const DEVICE: Partial<Record<keyof Device, readonly unknown[]>> = {
  mode: [undefined],
  standard: [undefined, { raster: '1280x720', scan: 'p', rate: '50/1' }],
  shutter: [undefined, 40, 50, 120],
  limitsOff: [undefined, true],
}

function* flips(plan: Plan): Generator<[string, Plan]> {
  for (const [id, device] of Object.entries(plan.devices)) {
    const model = plan.models[device.model]!
    const withDevice = (next: Record<string, unknown>): Plan => ({
      ...plan,
      devices: { ...plan.devices, [id]: JSON.parse(JSON.stringify({ ...device, ...next })) },
    })
    for (const [field, values] of Object.entries(DEVICE))
      for (const value of [...values!, ...(field === 'mode' ? Object.keys(model.modes ?? {}) : [])])
        yield [`${id}.${field} = ${JSON.stringify(value)}`, withDevice({ [field]: value })]
    if (device.air) yield [`${id}.air.channel`, withDevice({ air: { ...device.air, channel: 1 } })]
    for (const port of Object.keys(model.ports))
      for (const [field, values] of Object.entries(PORT))
        for (const value of values)
          yield [
            `${id}.${port}.${field} = ${JSON.stringify(value)}`,
            withDevice({ ports: { ...device.ports, [port]: { ...device.ports?.[port], [field]: value } } }),
          ]
  }
}

/** Of all plans every so many-th. */
const EVERY = SOAK ? 1 : 32

describe('the settings sheet', () => {
  it('shows every setting on which a finding rests', () => {
    let rests = 0
    const plans: [string, Plan][] = [
      ...Object.entries(CLEAN).filter((_, i) => i % EVERY === 0),
      ...FAULTY.filter((_, i) => i % EVERY === 0).map(({ name, plan }): [string, Plan] => [name, plan]),
    ]
    for (const [name, plan] of plans) {
      const before = check(plan)
      const told = ({ findings }: typeof before) => JSON.stringify(findings.map(({ key, severity }) => [key, severity]))
      const sheet = paperText(setupSheets(before))
      for (const [what, flipped] of flips(plan)) {
        if (JSON.stringify(flipped) === JSON.stringify(plan) || !openPlan(flipped).ok) continue
        const after = check(flipped)
        if (told(after) === told(before)) continue
        rests++
        expect(paperText(setupSheets(after)) === sheet, `${name}: ${what}`).toBe(false)
      }
    }
    expect(rests).toBeGreaterThan(100)
  }, 1_800_000)
})
