import { own, type Plan } from '#core/plan'
import { isAcceptable, SEVERITIES, type Finding, type Severity } from './finding'
import type { Rule, Traced } from './rule'
import { RULES } from './rules'
import { tracedOf } from './traced'
import { fill, type Units } from './words'

/** The title of the work: how many of the wanted pictures arrive, and how many findings there are of each severity. */
export interface Verdict extends Readonly<Record<Severity, number>> {
  readonly arrive: number
  readonly wanted: number
}

export interface Checked {
  readonly traced: Traced
  readonly verdict: Verdict
  /** The gravest first; those that are accepted stay where they are; then in the order of rules and places. */
  readonly findings: readonly Finding[]
}

/** Traces and checks a valid plan, or one segment of it (where only the segment's sources count as wanted). */
export function check(plan: Plan, segmentId?: string): Checked {
  const segment = own(plan.segments, segmentId)
  const context = tracedOf(plan, segment)
  const { chain, runs, pictures } = context
  const inactive = (finding: Finding): boolean => {
    const device = runs.find(run => run.id === finding.run)?.origin?.device ?? (finding.at.on === 'device' ? finding.at.device : undefined)
    return Boolean(segment?.sources && device !== undefined && chain.nodes.get(device)?.model.role === 'source' && !segment.sources.includes(device))
  }
  const findings = RULES.flatMap(rule => rule.find(context))
    .filter(finding => !segment || !inactive(finding))
    .map(finding => withAcceptance(plan, segment ? withSegment(finding, segmentId!) : finding))
    .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
  return { traced: context, findings, verdict: verdictOf(pictures, findings) }
}

function verdictOf(pictures: Traced['pictures'], findings: readonly Finding[]): Verdict {
  const counts: Record<Severity, number> = { H: 0, D: 0, R: 0, Q: 0, N: 0 }
  for (const { severity, accepted } of findings) if (accepted === undefined) counts[severity]++
  return { arrive: pictures.filter(({ lit }) => lit).length, wanted: pictures.length, ...counts }
}

/** What is accepted for the whole show holds in each of its segments. */
function withAcceptance({ accepted }: Plan, finding: Finding): Finding {
  if (!isAcceptable(finding)) return finding
  const found = Object.values(accepted).find(({ finding: key }) => key === finding.key || key === finding.key.split('@')[0])
  return found ? { ...finding, accepted: found.reason } : finding
}

const withSegment = (finding: Finding, segment: string): Finding => ({ ...finding, key: `${finding.key}@${segment}`, at: { ...finding.at, segment } })

export function ruleOf(finding: Pick<Finding, 'id'>): Rule {
  return RULES.find(rule => rule.id === finding.id)!
}

/** The finding as one sentence. */
export function say(finding: Finding, units: Units = { length: 'm' }): string {
  return fill(ruleOf(finding).says[finding.says]!, finding.with, units)
}

/** True when nothing hurts, is dark or may fail: what the command line's exit status says. */
export const isClean = ({ H, D, R }: Verdict): boolean => H + D + R === 0
