import { describe, expect, it } from 'vitest'
import { type Device, type Plan, type PortSetting, applyEdits, openPlan, setEdit } from '#core/document'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { SOAK, sampled } from '../../../testing/soak'
import { check } from '../index'
import { whoSees } from '../outputs/seen'
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
  gainDb: [undefined, -12],
  minus: [undefined, 'in-1', 'in-3'],
  tiles: [undefined, ['in-2', 'in-1']],
  phantom: [undefined, true],
  nominalDbu: [undefined, 4, -7.8],
  spread: [undefined, true],
  soundHz: [undefined, 44_100, 48_000],
  level: [undefined, 'A', 'B'],
  division: [undefined, 'square', 'interleave'],
  unprotected: [undefined, true],
  range: [undefined, 'narrow', 'full'],
  transfer: [undefined, 'sdr', 'hlg', 'pq', 'log'],
  clean: [undefined, true],
  aspect: [undefined, '16:9', '4:3', '16:10', '9:16'],
  fit: [undefined, 'zoom', 'crop', 'stretch', 'box'],
  receiver: [undefined, 'pit-receiver'],
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
const EVERY = SOAK ? 1 : 192

/** Looks and overlays of a plan, each field altered. */
function* lookFlips(plan: Plan): Generator<[string, Plan]> {
  const edited = (edits: Parameters<typeof applyEdits>[1], what: string): [string, Plan][] => {
    const applied = applyEdits(plan, edits)
    return applied.ok ? [[what, applied.value.plan]] : []
  }
  const set = (...at: string[]) => ({
    to: (value: unknown) =>
      edited([setEdit(at as never, value as never)], `${at.join('.')} = ${JSON.stringify(value)}`),
  })
  const mixers = Object.entries(plan.devices).filter(([, { model }]) => plan.models[model]!.role === 'switcher')
  const sources = Object.entries(plan.devices).filter(([, { model }]) => plan.models[model]!.role === 'source')
  for (const look of Object.keys(plan.looks)) {
    for (const [id, { model }] of mixers) {
      for (const port of ['in-1', 'in-2', 'in-6', 'black', undefined]) yield* set('looks', look, 'program', id).to(port)
      for (const value of [true, false, undefined]) yield* set('looks', look, 'faded', id).to(value)
      for (const key of ['1', '2'])
        for (const value of ['off', undefined, ...Object.keys(plan.overlays)])
          yield* set('looks', look, 'keys', id, key).to(value)
      for (const [port, row] of Object.entries(plan.models[model]!.ports))
        if (row.feeds)
          for (const feed of ['program', 'clean', 'preview']) yield* set('looks', look, 'outputs', id, port).to(feed)
    }
    for (const [id] of sources) {
      for (const value of ['full', 'caption', 'blank', undefined]) yield* set('looks', look, 'contents', id).to(value)
      for (const value of ['elsewhere', undefined]) yield* set('looks', look, 'presets', id).to(value)
    }
  }
  for (const overlay of Object.keys(plan.overlays)) {
    for (const kind of ['luma', 'linear', 'chroma', 'pattern', 'box']) yield* set('overlays', overlay, 'kind').to(kind)
    for (const [id] of sources) yield* set('overlays', overlay, 'fill').to(id)
    for (const [field, values] of Object.entries({
      clip: [0.5, undefined],
      gain: [0.5, undefined],
      invert: [true, undefined],
      premultiplied: [true, undefined],
      sends: ['straight', 'premultiplied'],
      graphic: Object.keys(plan.graphics),
      screen: [[0, 0, 200]],
      tolerance: [0.3],
      edge: [0.3],
      spill: [0.3],
    }))
      for (const value of values) yield* set('overlays', overlay, field).to(value)
    for (const mask of [undefined, { x: 0.1, y: 0.1, w: 0.3, h: 0.3 }]) yield* set('overlays', overlay, 'mask').to(mask)
    for (const box of [undefined, { x: 0.1, y: 0.1, w: 0.3, h: 0.3 }]) yield* set('overlays', overlay, 'box').to(box)
  }
}

describe('the settings sheet', () => {
  it('shows every part of a look and of an overlay on which a picture that is seen rests', () => {
    const plan = CLEAN['a whole running order: people, looks, cues, keys and a guest']!
    const shown = (written: Plan) => {
      const { cells, pictures, instants } = whoSees(check(written).traced)
      return JSON.stringify([
        cells.map(row => row.map(({ picture }) => pictures[picture])),
        instants.map(({ presets }) => presets),
      ])
    }
    const before = check(plan)
    const [sheet, seen] = [paperText(setupSheets(before)), shown(plan)]
    let rests = 0
    for (const [what, flipped] of lookFlips(plan)) {
      if (shown(flipped) === seen) continue
      rests++
      expect(paperText(setupSheets(check(flipped))) === sheet, what).toBe(false)
    }
    expect(rests).toBeGreaterThan(20)
  })
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
      for (const [what, flipped] of sampled([...flips(plan)], 4)) {
        if (JSON.stringify(flipped) === JSON.stringify(plan) || !openPlan(flipped).ok) continue
        const after = check(flipped)
        if (told(after) === told(before)) continue
        rests++
        expect(paperText(setupSheets(after)) === sheet, `${name}: ${what}`).toBe(false)
      }
    }
    expect(rests).toBeGreaterThan(30)
  }, 1_800_000)
})
