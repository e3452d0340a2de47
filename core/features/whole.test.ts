import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits } from '#core/document'
import { remediesOf } from '#core/propose'
import { formatLabel } from '#core/signal'
import { build, shapes } from '../../testing/random'
import { SOAK } from '../../testing/soak'
import { check, say } from './index'

/** What people read in "1080i59.94": lines, scan, and the rate they say. */
interface Said {
  readonly lines: string
  readonly scan: string
  readonly rate: string
}
function said(label: string): Said {
  const [, lines, scan, rate] = /^(\d+)([a-z]+)([\d.]+)$/.exec(label)!
  return { lines: lines!, scan: scan!, rate: rate! }
}

/** Every format that the sources of the generated plans can make, typed off their data sheets. */
const MAKES: Readonly<Record<string, readonly string[]>> = {
  'camera-studio-sdi': [
    '1080p23.98',
    '1080p25',
    '1080p29.97',
    '1080p50',
    '1080p59.94',
    '1080i50',
    '1080i59.94',
    '1080i60',
    '1080psf25',
    '1080psf29.97',
    '720p50',
    '720p59.94',
  ],
  'camera-shoulder-sdi': ['1080i50'],
  'camera-box-hdmi': ['1080p59.94', '1080p29.97', '720p59.94'],
  'camera-ptz': [
    '1080p25',
    '1080p29.97',
    '1080p50',
    '1080p59.94',
    '1080i50',
    '1080i59.94',
    '1080i60',
    '720p50',
    '720p59.94',
  ],
  'computer': [
    '1080p60',
    '1080p59.94',
    '1080p50',
    '1080p30',
    '1080p29.97',
    '1080p25',
    '1080p24',
    '720p60',
    '720p59.94',
    '720p50',
    '2160p30',
    '2160p29.97',
    '2160p25',
  ],
  'laptop': ['1080p25', '1080p30', '1080p50', '1080p60', '720p50', '720p60'],
}
const THOUSANDTH = new Map([
  ['23.98', '24'],
  ['29.97', '30'],
  ['59.94', '60'],
])
const nominal = (rate: string) => THOUSANDTH.get(rate) ?? rate

/** Which of F01 to F04 a strict input answers with, by the catalogue of faults; nothing where the standard comes. */
function expected(model: string, sent: string, standard: string): string | undefined {
  if (sent === standard) return undefined
  if (!MAKES[model]!.includes(standard)) return 'F04'
  const [a, b] = [said(sent), said(standard)]
  if (a.lines === b.lines && a.scan === b.scan && nominal(a.rate) === nominal(b.rate)) return 'F02'
  // 1080i50 has 25 frames, 1080p25 too: only the scan differs.
  const frames = ({ scan, rate }: Said) =>
    scan === 'i' ? { 50: 25, 59.94: 29.97, 60: 30 }[rate as '50']! : Number(rate)
  if (a.lines === b.lines && a.scan !== b.scan && frames(a) === frames(b)) return 'F03'
  return 'F01'
}

/** Longest piece of RG-6 that 20 dB recover: k1 = 0.585 and k2 = 0.0006 dB per 100 m, at half the class's clock (SMPTE ST 292-1, ST 424). */
function tooLong(label: string, cutM: number): boolean {
  const { lines, scan, rate } = said(label)
  const fast = lines === '1080' && scan === 'p' && Number(rate) > 30
  const mhz = fast ? 1485 : 742.5
  return (cutM / 100) * (0.585 * Math.sqrt(mhz) + 0.0006 * mhz) > 20
}
const STOCK = [1, 2, 3, 5, 10, 15, 20, 25, 30, 40, 50, 75, 100]
/** Slack of a tenth, at least 2 m; then the next stock piece. */
const pieceFor = (routeM: number) => STOCK.find(m => m >= routeM + Math.max(2, routeM / 10) - 1e-9)!

describe('any plan of one or two switchers', () => {
  it('is judged at every strict input as a second reckoning from data sheets and standards says', () => {
    let judged = 0
    const seen = new Map<string, number>()
    fc.assert(
      fc.property(shapes, shape => {
        const plan = build(shape)
        const { traced, findings } = check(plan)
        for (const [id, link] of Object.entries(plan.links)) {
          if (!id.startsWith('l')) continue
          const source = plan.devices[link.from!.device]!
          const sent = formatLabel(Object.values(source.ports!)[0]!.format!)
          const standard = formatLabel(plan.devices[link.to!.device]!.standard!)
          if (sent.startsWith('2160')) {
            // 8.91 Gb/s: a long passive cable stops it, a short one lets it come to the input, which works in another raster.
            expect(traced.runs.find(candidate => candidate.id === id)!.lit).toBe(false)
            expect(findings.filter(finding => finding.run === id).map(finding => finding.id)).toEqual([
              expect.stringMatching(/^(F01|F04|L01)$/),
            ])
            continue
          }
          const long = link.cable === 'coax-rg6' && tooLong(sent, pieceFor(link.routeM!))
          const fault = long ? 'L02' : expected(source.model, sent, standard)
          const run = traced.runs.find(candidate => candidate.id === id)!
          expect(run.lit, `${sent} by ${link.routeM} m of ${link.cable} into ${standard}`).toBe(fault === undefined)
          const told = findings
            .filter(finding => finding.run === id && /^(F0[1-4]|L02)$/.test(finding.id))
            .map(finding => finding.id)
          expect(told, `${source.model} ${sent} into ${standard}`).toEqual(fault === undefined ? [] : [fault])
          seen.set(fault ?? 'lit', (seen.get(fault ?? 'lit') ?? 0) + 1)
          judged++
        }
      }),
      { numRuns: 500, seed: 292 },
    )
    expect(judged).toBeGreaterThan(800)
    for (const outcome of ['lit', 'F01', 'F02', 'F03', 'F04', 'L02'])
      expect(seen.get(outcome) ?? 0, outcome).toBeGreaterThan(0)
  })

  it('joins its switchers when they work in the same standard, and says so when not', () => {
    fc.assert(
      fc.property(shapes, shape => {
        const plan = build({ ...shape, two: true })
        const { traced, findings } = check(plan)
        const same = shape.standard === shape.other
        const fed = traced.runs.some(run => run.id !== 'up' && run.end?.device === 'side' && run.lit)
        expect(traced.runs.find(({ id }) => id === 'up')!.lit).toBe(same && fed)
        // A feeder in which nothing arrives is dark by another cause, which is told there.
        if (fed) expect(findings.some(({ id }) => id === 'F16')).toBe(!same)
      }),
      { numRuns: 200, seed: 424 },
    )
  })

  it('loses no picture elsewhere, and gains none, when a source\u2019s cable is taken out', () => {
    fc.assert(
      fc.property(shapes, fc.nat(5), (shape, nth) => {
        const plan = build({ ...shape, two: false })
        const ids = Object.keys(plan.links).filter(id => id.startsWith('l'))
        const id = ids[nth % Math.max(1, ids.length)]
        if (id === undefined) return
        const before = check(plan)
        const applied = applyEdits(plan, [{ do: 'disconnect', id }])
        if (!applied.ok) throw new Error(applied.problem.path)
        const after = check(applied.value.plan)
        const lit = (checked: typeof before) =>
          checked.traced.runs.filter(run => run.lit && run.id !== id && run.id.startsWith('l')).map(run => run.id)
        expect(lit(after)).toEqual(lit(before))
        expect(
          after.findings.some(
            finding => finding.at.on === 'device' && finding.at.device === plan.links[id]!.from!.device,
          ),
        ).toBe(true)
      }),
      { numRuns: 200, seed: 7 },
    )
  })

  it('speaks only in whole sentences, in metres and in feet, and names what it speaks of', () => {
    fc.assert(
      fc.property(shapes, shape => {
        const { findings } = check(build(shape))
        for (const finding of findings) {
          for (const length of ['m', 'ft'] as const) {
            const words = say(finding, { length })
            expect(words).toMatch(/^\S.*[.!]$/s)
            expect(words).not.toMatch(/undefined|NaN|\{|\}|\[object/)
          }
        }
      }),
      { numRuns: 150, seed: 11 },
    )
  })

  it('gets better by each remedy in turn, until none is offered', () => {
    fc.assert(
      fc.property(shapes, shape => {
        // A feeder without any source has nothing that could be mended.
        let plan: Plan = build({ ...shape, two: shape.two && shape.sources.some(({ feeder }) => feeder) })
        let checked = check(plan)
        for (let step = 0; step < 12; step++) {
          const offer = checked.findings
            .filter(({ severity }) => 'HDR'.includes(severity))
            .map(finding => remediesOf(checked, finding)[0])
            .find(remedy => remedy && !remedy.givesUp)
          if (!offer) break
          const applied = applyEdits(plan, offer.edits)
          if (!applied.ok) throw new Error(applied.problem.path)
          const next = check(applied.value.plan)
          const grave = (of: typeof next) => of.findings.filter(({ severity }) => 'HDR'.includes(severity)).length
          expect(grave(next)).toBeLessThan(grave(checked))
          expect(next.verdict.arrive).toBeGreaterThanOrEqual(checked.verdict.arrive)
          plan = applied.value.plan
          checked = next
        }
        // Nothing generated here is beyond the catalogue.
        expect(checked.verdict.D, checked.findings.map(finding => say(finding)).join('\n')).toBe(0)
      }),
      { numRuns: SOAK ? 40 : 15, seed: 5 },
    )
  })
})
