import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits } from '#core/document'
import { remediesOf } from '#core/propose'
import { fmt, plan } from '../../testing/plans'
import { check } from './index'

const grave = (written: Plan): string[] =>
  check(written)
    .findings.filter(({ severity }) => severity !== 'N')
    .map(({ id }) => id)
    .sort()

/** A camera that can send either level, three transfers and its readouts, through up to two devices into a switcher. */
const sdi = fc.record({
  level: fc.constantFrom('A' as const, 'B' as const),
  transfer: fc.constantFrom('sdr' as const, 'log' as const, 'hlg' as const),
  clean: fc.boolean(),
  standard: fc.constantFrom('1080p50', '1080p25'),
  strict: fc.boolean(),
  boxes: fc.array(
    fc.constantFrom('level-converter A', 'level-converter B', 'look-converter', 'repeater-sdi', 'delay-sdi'),
    { maxLength: 2 },
  ),
})
function sdiPlan({
  level,
  transfer,
  clean,
  standard,
  strict,
  boxes,
}: typeof sdi extends fc.Arbitrary<infer T> ? T : never): Plan {
  const devices: Parameters<typeof plan>[0]['devices'] = {
    cam: {
      model: 'camera-cinema-sdi',
      ports: { sdi: { format: fmt(standard), level, transfer, ...(clean ? { clean: true } : {}) } },
    },
    main: { model: strict ? 'switcher-8-level-a' : 'switcher-12-sdi', standard: fmt(standard) },
  }
  const links: Record<string, string> = {}
  let from = 'cam.sdi'
  boxes.forEach((box, i) => {
    const [model, set] = box.split(' ') as [string, 'A' | 'B' | undefined]
    devices[`box${i}`] = { model, ...(set ? { ports: { out: { level: set } } } : {}) }
    links[`l${i}`] = `${from} > box${i}.in coax-rg6 5`
    from = `box${i}.${model === 'repeater-sdi' ? 'out-1' : 'out'}`
  })
  links.last = `${from} > main.in-1 coax-rg6 5`
  return plan({ devices, links })
}

/** A computer or a player by HDMI, perhaps through a splitter, into inputs that scale and read a range. */
const hdmi = fc.record({
  what: fc.constantFrom('laptop-office', 'player-stream', 'console-game'),
  range: fc.constantFrom('narrow' as const, 'full' as const),
  reads: fc.constantFrom(undefined, 'narrow' as const, 'full' as const),
  aspect: fc.constantFrom('16:10' as const, '16:9' as const),
  fit: fc.constantFrom(undefined, 'crop' as const, 'box' as const, 'stretch' as const),
  open: fc.boolean(),
  transfer: fc.constantFrom('sdr' as const, 'pq' as const),
  split: fc.boolean(),
})
type Hdmi = typeof hdmi extends fc.Arbitrary<infer T> ? T : never
function hdmiPlan({ what, range, reads, aspect, fit, open, transfer, split }: Hdmi): Plan {
  const settings = {
    format: fmt('1080p59.94'),
    ...(what === 'player-stream' ? { transfer } : { range }),
    ...(what === 'laptop-office' ? { aspect } : open ? { unprotected: true as const } : {}),
  }
  const input = { ...(reads ? { range: reads } : {}), ...(fit ? { fit } : {}) }
  return plan({
    devices: {
      src: { model: what, limitsOff: true, ports: { hdmi: settings } },
      x: 'splitter-hdmi',
      main: {
        model: 'switcher-6-combo',
        standard: fmt('1080p59.94'),
        ...(Object.keys(input).length ? { ports: { 'in-3': input } } : {}),
      },
    },
    links: split
      ? { a: 'src.hdmi > x.in hdmi-passive 1', b: 'x.out-1 > main.in-3 hdmi-passive 1' }
      : { a: 'src.hdmi > main.in-3 hdmi-passive 1' },
  })
}

describe('what a picture is besides its format', () => {
  it('is carried, changed and judged along SDI as the data sheets say', () => {
    const seen = new Map<string, number>()
    fc.assert(
      fc.property(sdi, shape => {
        const { level, transfer, clean, standard, strict, boxes } = shape
        // The last level converter decides; all else hands the level on. It exists at 3G alone, and 1080p25 is HD.
        const last = boxes.findLast(box => box.startsWith('level'))?.split(' ')[1] ?? level
        const dark = strict && standard === '1080p50' && last === 'B'
        const expected = [
          ...(dark ? ['F07'] : []),
          ...(!dark && transfer !== 'sdr' && !boxes.includes('look-converter') ? ['F19'] : []),
          // Readouts are told where they leave the camera, as far as that cable brings them.
          ...(!clean && (boxes.length > 0 || !dark) ? ['F11'] : []),
        ].sort()
        expect(grave(sdiPlan(shape)), JSON.stringify(shape)).toEqual(expected)
        for (const id of expected.length ? expected : ['clean']) seen.set(id, (seen.get(id) ?? 0) + 1)
      }),
      { numRuns: 400, seed: 425 },
    )
    for (const id of ['clean', 'F07', 'F11', 'F19']) expect(seen.get(id) ?? 0, id).toBeGreaterThan(10)
  })

  it('is carried, changed and judged along HDMI as the data sheets say', () => {
    const seen = new Map<string, number>()
    fc.assert(
      fc.property(hdmi, shape => {
        const { what, range, reads, aspect, fit, open, transfer } = shape
        const dark = what !== 'laptop-office' && !open
        const sent = what === 'player-stream' ? 'narrow' : range
        const expected = dark
          ? ['F10']
          : [
              ...(sent !== (reads ?? 'narrow') ? ['F09'] : []),
              ...(what === 'player-stream' && transfer === 'pq' ? ['F19'] : []),
              ...(what === 'laptop-office' && aspect === '16:10' && !fit ? ['E04'] : []),
            ].sort()
        expect(grave(hdmiPlan(shape)), JSON.stringify(shape)).toEqual(expected)
        for (const id of expected.length ? expected : ['clean']) seen.set(id, (seen.get(id) ?? 0) + 1)
      }),
      { numRuns: 400, seed: 861 },
    )
    for (const id of ['clean', 'F09', 'F10', 'F19', 'E04']) expect(seen.get(id) ?? 0, id).toBeGreaterThan(10)
  })

  it('is put right by the remedies in turn, until nothing is left', () => {
    fc.assert(
      fc.property(fc.oneof(sdi.map(sdiPlan), hdmi.map(hdmiPlan)), written => {
        let now = written
        for (let step = 0; step < 6; step++) {
          const checked = check(now)
          const remedy = checked.findings
            .filter(({ severity }) => severity !== 'N')
            .flatMap(finding => remediesOf(checked, finding).slice(0, 1))[0]
          if (!remedy) break
          const applied = applyEdits(now, remedy.edits)
          if (!applied.ok) throw new Error(applied.problem.path)
          now = applied.value.plan
        }
        expect(grave(now)).toEqual([])
      }),
      { numRuns: 60, seed: 13 },
    )
  })
})
