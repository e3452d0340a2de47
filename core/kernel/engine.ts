import { type Stretch, type Units, stretches } from '#core/words'
import { type Anchor, BASE_ANCHORS } from './anchor'
import { type Fact, type Scope, type View, fact } from './fact'
import type { Feature } from './feature'
import { type Finding, type Found, SEVERITIES, type Severity, isAcceptable } from './finding'
import type { Measure, Measured } from './measure'
import { BASE_QUANTITIES, type Quantity } from './quantity'
import type { Rule } from './rule'

/** The title of the work: how many of the wanted pictures arrive, and how many findings there are of each severity. */
export interface Verdict extends Readonly<Record<Severity, number>> {
  readonly arrive: number
  readonly wanted: number
}

/** A plan and all that was found in it. */
export interface Checked<V, E> {
  readonly traced: V
  readonly verdict: Verdict
  /** The gravest first; those that are accepted stay where they are; then in the order of rules and places. */
  readonly findings: readonly Finding[]
  /** By what it was checked. */
  readonly by: Engine<V, E>
}

/** The features of the program at work: checks plans and puts findings into words. */
export interface Engine<V, E> {
  readonly features: readonly Feature<V, E>[]
  readonly rules: readonly Rule<V, E>[]
  readonly measures: readonly Measure<V>[]
  /** Looks at a plan again as at `like`: in the same scope, by the same rules. */
  readonly again: (like: V, plan: unknown) => Checked<V, E>
  readonly ruleOf: (finding: Pick<Finding, 'id'>) => Rule<V, E>
  /** The finding as one sentence. */
  readonly say: (finding: Finding, units?: Units) => string
  /** The same with its names and figures told apart from its own words. */
  readonly sayParts: (finding: Finding, units?: Units) => readonly Stretch[]
  readonly words: (quantity: Quantity, units: Units) => string
  /** For programs: numbers with their unit. */
  readonly plain: (quantity: Quantity) => unknown
  readonly measured: (view: V) => Measured
  /** What the step from one plan to another does to each measure. */
  readonly changed: (before: V, after: V) => Measured
  /** Id of the screen that shows a place. */
  readonly screenOf: (at: Anchor) => string
}

interface Parts<P extends object, V extends View<P>, E> {
  readonly features: readonly Feature<V, E>[]
  readonly view: (plan: P, scope: Scope) => V
  /** The letters of the rules' codes in the order of the catalogue of faults. */
  readonly order: string
  /** Ids of the segments of a plan, in the order of the show. */
  readonly segments: (view: V) => readonly string[]
  /** The reason for which somebody accepts a finding. */
  readonly accepted: (view: V, key: string) => string | undefined
}

/** Puts features together. Throws where two of them claim the same rule, anchor, quantity or measure. */
export function engineOf<P extends object, V extends View<P>, E>(parts: Parts<P, V, E>) {
  const { features } = parts
  const all = <T>(list: (feature: Feature<V, E>) => readonly T[] | undefined): T[] =>
    features.flatMap(feature => list(feature) ?? [])
  const rules = all(({ rules }) => rules).sort(
    ({ code: a }, { code: b }) => parts.order.indexOf(a[0]!) - parts.order.indexOf(b[0]!) || (a < b ? -1 : 1),
  )
  const measures = all(({ measures }) => measures)
  const byCode = unique(rules, ({ code }) => code)
  const quantities = unique([...BASE_QUANTITIES, ...all(({ quantities }) => quantities)], ({ is }) => is)
  const anchors = unique([...BASE_ANCHORS, ...all(({ anchors }) => anchors)], ({ on }) => on)
  unique(measures, ({ id }) => id)
  const facts = rules.map(rule => [rule, fact<V, readonly Found[]>(`rule ${rule.code}`, rule.find)] as const)

  const keyOf = (code: string, { at, says }: Pick<Found, 'at' | 'says'>): string => {
    const apart = byCode.get(code)!.messages[says]?.apart ? `+${says}` : ''
    return `${code}:${anchors.get(at.on)!.key(at)}${apart}${at.segment ? `@${at.segment}` : ''}`
  }

  function findIn(view: V, rule: Rule<V, E>, find: Fact<V, readonly Found[]>): Finding[] {
    const segment = view.scoped('segment')
    if (rule.asks === 'segments' && segment === undefined && parts.segments(view).length)
      return findInEach(view, rule, find)
    return view
      .ask(find as Fact<View<P>, readonly Found[]>)
      .filter(found => segment === undefined || !features.some(feature => feature.idle?.(view, found)))
      .map(found => named(rule.code, segment === undefined ? found : { ...found, at: { ...found.at, segment } }))
  }

  /** One finding that holds in several segments is one, with their list. */
  function findInEach(view: V, { code }: Rule<V, E>, find: Fact<V, readonly Found[]>): Finding[] {
    const merged = new Map<string, Finding & { readonly segments: string[] }>()
    for (const segment of parts.segments(view)) {
      for (const found of parts.view(view.plan, { segment }).ask(find as Fact<View<P>, readonly Found[]>)) {
        const finding = named(code, found)
        const there = merged.get(finding.key)
        if (there) there.segments.push(segment)
        else merged.set(finding.key, { ...finding, segments: [segment] })
      }
    }
    return [...merged.values()]
  }

  const named = (code: string, found: Found): Finding => ({ id: code, key: keyOf(code, found), ...found })

  function withAcceptance(view: V, finding: Finding): Finding {
    if (!isAcceptable(finding)) return finding
    const reason = parts.accepted(view, finding.key) ?? parts.accepted(view, finding.key.split('@')[0]!)
    return reason === undefined ? finding : { ...finding, accepted: reason }
  }

  function checkView(view: V): Checked<V, E> {
    const findings = facts
      .flatMap(([rule, find]) => findIn(view, rule, find))
      .map(finding => withAcceptance(view, finding))
      .sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
    return { traced: view, findings, verdict: verdictOf(engine.measured(view), findings), by: engine }
  }

  const engine: Engine<V, E> = {
    features: features as readonly Feature<V, E>[],
    rules,
    measures,
    again: (like, plan) => checkView(parts.view(plan as P, like.scope)),
    ruleOf: ({ id }) => byCode.get(id)!,
    say: (finding, units) =>
      engine
        .sayParts(finding, units)
        .map(part => part.text)
        .join(''),
    sayParts: (finding, units = { length: 'm' }) =>
      stretches(byCode.get(finding.id)!.messages[finding.says]!.says, name => {
        const quantity = finding.with[name]
        return quantity && engine.words(quantity, units)
      }),
    words: (quantity, units) => quantities.get(quantity.is)!.words(quantity, units),
    plain: quantity => quantities.get(quantity.is)!.plain(quantity),
    measured: view => Object.fromEntries(measures.map(({ id, of }) => [id, of(view)])),
    changed: (before, after) =>
      Object.fromEntries(
        measures.map(({ id, of, change }) => [id, change ? change(before, after) : of(after) - of(before)]),
      ),
    screenOf: at => anchors.get(at.on)!.screen,
  }
  return { ...engine, check: (plan: P, segment?: string) => checkView(parts.view(plan, segment ? { segment } : {})) }
}

function unique<T>(rows: readonly T[], name: (row: T) => string): ReadonlyMap<string, T> {
  const map = new Map<string, T>()
  for (const row of rows) {
    if (map.has(name(row))) throw new Error(`${name(row)} is registered twice`)
    map.set(name(row), row)
  }
  return map
}

function verdictOf(measured: Measured, findings: readonly Finding[]): Verdict {
  const counts: Record<Severity, number> = { H: 0, D: 0, R: 0, Q: 0, N: 0 }
  for (const { severity, accepted } of findings) if (accepted === undefined) counts[severity]++
  return { arrive: measured.arrive ?? 0, wanted: measured.wanted ?? 0, ...counts }
}

/** True when nothing hurts, is dark or may fail: what the command line's exit status says. */
export const isClean = ({ H, D, R }: Verdict): boolean => H + D + R === 0
