import { isSink } from '#core/catalog'
import { gathers, isSwitcher, planMinor, slowestMs } from '#core/chain'
import { type Edit, applyEdits } from '#core/document'
import type { Severity, Verdict } from '#core/kernel'
import type { Checked } from '#core/propose'
import { RATE_TEXTS, type VideoFormat, formatLabel, listFormats, raster, rate, sameFormat } from '#core/signal'
import { type Planner, inPlace } from './standard'

/** How a source or a sink comes out: lit as it is, lit after a setting, lit through a converter, or dark. */
export type Glow = 'lit' | 'setting' | 'converter' | 'dark'

export interface Lamp {
  readonly device: string
  readonly name: string
  readonly end: 'source' | 'sink'
  readonly glow: Glow
  /** What is changed for it, or why it stays dark. */
  readonly words: string
}

/** What a whole plan would be in one operating standard: computed by making the change to a copy. */
export interface Rung {
  readonly standard: VideoFormat
  readonly label: string
  /** Every switcher stands in it already. */
  readonly now: boolean
  /** Switchers whose model does not offer it: they stay as they are. */
  readonly without: readonly string[]
  readonly lamps: readonly Lamp[]
  /** One transaction that makes the change. */
  readonly edits: readonly Edit[]
  readonly before: Verdict
  readonly after: Verdict
  /** Outputs whose format is set anew; switchers themselves are not counted. */
  readonly settings: number
  readonly converters: number
  /** Change of the planning price, minor units. */
  readonly minor: number
  /** Change of the slowest picture at any switcher's outputs, typical, ms. */
  readonly delayMs: number
  /** Findings of severity H, D, R or Q that would come, in words. */
  readonly breaks: readonly { readonly severity: Severity; readonly words: string }[]
  /** Why it stands where it does against the next one. */
  readonly why: string
}

/** Every standard that some switcher of the plan offers, by raster, scan and rate. */
export function standardsOf({ traced: { chain } }: Checked): VideoFormat[] {
  const found: VideoFormat[] = []
  for (const node of chain.nodes.values()) {
    if (!isSwitcher(node)) continue
    for (const format of listFormats(node.model.standards ?? []))
      if (!found.some(known => sameFormat(known, format))) found.push(format)
  }
  return found.sort(
    (a, b) =>
      raster(b.raster).height - raster(a.raster).height ||
      (a.scan < b.scan ? 1 : a.scan > b.scan ? -1 : 0) ||
      RATE_TEXTS.indexOf(b.rate) - RATE_TEXTS.indexOf(a.rate),
  )
}

/**
 * One rung for each standard that the switchers offer, the best first: more pictures arrive, then fewer findings, fewer
 * converters, fewer settings, less delay, lower price; the one in use wins a tie. Takes one check per rung.
 */
export function ladder(checked: Checked, planner: Planner = inPlace): Rung[] {
  const rungs = standardsOf(checked)
    .map(standard => rungOf(checked, standard, planner))
    .sort(better)
  return rungs.map((rung, i) => ({ ...rung, why: i + 1 < rungs.length ? whyBetter(rung, rungs[i + 1]!) : '' }))
}

function rungOf(checked: Checked, standard: VideoFormat, planner: Planner): Rung {
  const { traced } = checked
  const { plan, chain } = traced
  const { edits, needs } = planner(traced, standard)
  const applied = applyEdits(plan, edits)
  if (!applied.ok) throw new Error(`the planner's edits do not apply: ${applied.problem.path}`)
  const next = edits.length ? checked.by.again(checked.traced, applied.value.plan) : checked
  const known = new Set(checked.findings.map(({ key }) => key))
  const switchers = [...chain.nodes.values()].filter(isSwitcher)
  const needOf = new Map(needs.map(need => [need.run, need]))
  const lamps = [...chain.nodes.values()]
    .filter(({ model }) => model.role === 'source' || isSink(model))
    .flatMap((node): Lamp[] => {
      const end = isSink(node.model) ? 'sink' : 'source'
      const mine = (run: { origin?: { device: string } | undefined; end?: { device: string } | undefined }) =>
        end === 'sink'
          ? run.end?.device === node.id
          : run.origin?.device === node.id && run.end !== undefined && gathers(chain.nodes.get(run.end.device)!)
      const runs = traced.runs.filter(run => !run.beside && mine(run))
      if (runs.length === 0) return []
      // A converter before the input makes the run's last link another one: the same end is looked for.
      const after = runs.map(run =>
        next.traced.runs.find(
          other =>
            other.end &&
            run.end &&
            other.end.device === run.end.device &&
            other.end.port === run.end.port &&
            !other.beside,
        ),
      )
      const dark = after.findIndex(run => !run?.lit)
      const made = runs.map(run => needOf.get(run.id)).filter(need => need !== undefined)
      if (dark >= 0) {
        const finding = next.findings.find(({ run, severity }) => severity === 'D' && run === after[dark]?.id)
        return [
          {
            device: node.id,
            name: node.device.name,
            end,
            glow: 'dark',
            words: finding ? checked.by.say(finding) : 'no picture comes',
          },
        ]
      }
      const hardest = made.find(({ need }) => need === 'converter') ?? made.find(({ need }) => need === 'setting')
      return [
        {
          device: node.id,
          name: node.device.name,
          end,
          glow: hardest ? (hardest.need as Glow) : 'lit',
          words: hardest?.words ?? '',
        },
      ]
    })
  return {
    standard,
    label: formatLabel(standard),
    edits,
    lamps: inOrder(chain, lamps),
    why: '',
    now: switchers.every(node => node.standard && sameFormat(node.standard, standard)),
    without: switchers
      .filter(node => !listFormats(node.model.standards ?? []).some(format => sameFormat(format, standard)))
      .map(({ device }) => device.name),
    before: checked.verdict,
    after: next.verdict,
    settings: edits.filter(
      edit => edit.do === 'set' && edit.at[0] === 'devices' && edit.at[2] === 'ports' && edit.at[4] === 'format',
    ).length,
    converters: edits.filter(edit => edit.do === 'add' && edit.collection === 'devices').length,
    minor: planMinor(applied.value.plan) - planMinor(plan),
    delayMs: slowestMs(next.traced.trace) - slowestMs(traced.trace),
    breaks: next.findings
      .filter(({ key, severity }) => severity !== 'N' && !known.has(key))
      .map(finding => ({ severity: finding.severity, words: checked.by.say(finding) })),
  }
}

/** Sources before sinks, each as they are ordered in the plan. */
function inOrder(chain: Checked['traced']['chain'], lamps: readonly Lamp[]): Lamp[] {
  const order = ({ device }: Lamp) => chain.nodes.get(device)!.device.order
  return [...lamps].sort((a, b) => Number(a.end === 'sink') - Number(b.end === 'sink') || order(a) - order(b))
}

const grave = ({ H, D, R, Q }: Verdict): number => 1000 * (H + D) + 30 * R + Q

interface Measure {
  readonly of: (rung: Rung) => number
  readonly words: (by: number, other: string) => string
}

const plural = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`

/** What rungs are compared by, first to last; less is better. */
const MEASURES: readonly Measure[] = [
  { of: rung => -rung.after.arrive, words: (by, other) => `${plural(by, 'picture')} more than ${other}` },
  { of: rung => grave(rung.after), words: (_, other) => `fewer or lighter findings than ${other}` },
  { of: rung => rung.converters, words: (by, other) => `${plural(by, 'converter')} fewer than ${other}` },
  { of: rung => rung.settings, words: (by, other) => `${plural(by, 'setting')} fewer than ${other}` },
  { of: rung => Math.round(rung.delayMs), words: (by, other) => `${by}\u00A0ms faster than ${other}` },
  { of: rung => rung.minor, words: (_, other) => `cheaper than ${other}` },
  { of: rung => Number(!rung.now), words: (_, other) => `level with ${other}; kept, since it is set already` },
]

/** Negative where a stands before b. Equal in everything measured, the higher raster and rate come first. */
function better(a: Rung, b: Rung): number {
  for (const { of } of MEASURES) if (of(a) !== of(b)) return of(a) - of(b)
  return (
    raster(b.standard.raster).height - raster(a.standard.raster).height ||
    RATE_TEXTS.indexOf(b.standard.rate) - RATE_TEXTS.indexOf(a.standard.rate)
  )
}

function whyBetter(a: Rung, b: Rung): string {
  for (const { of, words } of MEASURES) if (of(a) !== of(b)) return words(of(b) - of(a), b.label)
  const taller = raster(a.standard.raster).height !== raster(b.standard.raster).height
  return `level with ${b.label}; before it for its ${taller ? 'larger picture' : `rate of ${rate(a.standard.rate).label} frames/s`}`
}
