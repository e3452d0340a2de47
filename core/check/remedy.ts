import { planMinor, planWatts } from '#core/budget'
import { applyEdits, own, type Edit, type Plan } from '#core/plan'
import { check, ruleOf, type Checked, type Verdict } from './check'
import type { Finding } from './finding'
import type { Proposal } from './rule'

/** What a change would do, computed by doing it to a copy. */
export interface Effect {
  readonly before: Verdict
  readonly after: Verdict
  /** Keys of the findings that go, and the findings that come. */
  readonly removes: readonly string[]
  readonly adds: readonly Pick<Finding, 'id' | 'key' | 'severity'>[]
  /** Change of the planning price, minor units, and of the draw, watts. */
  readonly minor: number
  readonly watts: number
  /** Largest change of a run's typical delay, milliseconds. */
  readonly delayMs: number
}

export interface Remedy extends Proposal {
  readonly effect: Effect
}

export interface Tried extends Effect {
  readonly checked: Checked
}

/** Applies the edits to a copy and compares; undefined where they cannot be applied. */
export function tryEdits(checked: Checked, edits: readonly Edit[]): Tried | undefined {
  const { plan, segment } = checked.traced
  const applied = applyEdits(plan, edits)
  if (!applied.ok) return undefined
  const segmentId = segment && Object.keys(plan.segments).find(id => plan.segments[id] === segment)
  const next = check(applied.value.plan, segmentId)
  const before = new Set(checked.findings.map(({ key }) => key))
  const after = new Set(next.findings.map(({ key }) => key))
  const delays = new Map(checked.traced.runs.map(run => [run.id, run.links.at(-1)!.signal?.delay.typ]))
  const shifts = next.traced.runs.map(run => (run.links.at(-1)!.signal?.delay.typ ?? NaN) - (delays.get(run.id) ?? NaN)).filter(Number.isFinite)
  return {
    checked: next,
    before: checked.verdict,
    after: next.verdict,
    removes: [...before].filter(key => !after.has(key)),
    adds: next.findings.filter(({ key }) => !before.has(key)),
    minor: planMinor(applied.value.plan) - planMinor(plan),
    watts: planWatts(applied.value.plan) - planWatts(plan),
    delayMs: shifts.reduce((largest, shift) => (Math.abs(shift) > Math.abs(largest) ? shift : largest), 0),
  }
}

/** What the edits would do to the plan; undefined where they cannot be applied. */
export function effectOf(checked: Checked, edits: readonly Edit[]): Effect | undefined {
  const tried = tryEdits(checked, edits)
  return tried && plain(tried)
}

function plain({ checked: _checked, adds, ...rest }: Tried): Effect {
  return { ...rest, adds: adds.map(({ id, key, severity }) => ({ id, key, severity })) }
}

/**
 * The remedies of a finding that keep their word, best first: applied, the finding is gone, no D or R finding comes,
 * and no fewer pictures arrive. Where a change only uncovers the next fault of the run, the best remedy of that one
 * is joined to it. Those that give up a demand stand last. Each is tried, so this takes at least a check per offer.
 */
export function remediesOf(checked: Checked, finding: Finding, most = 8): Remedy[] {
  const offered = ruleOf(finding).remedies(checked.traced, finding)
  const seen = new Set<string>()
  const kept: (Remedy & { readonly steps: number })[] = []
  for (const proposal of [...offered.filter(offer => !offer.givesUp), ...offered.filter(offer => offer.givesUp)]) {
    if (seen.has(proposal.title) || (kept.length >= most && !proposal.givesUp)) continue
    if (proposal.alone && kept.filter(({ alone }) => alone).length === MOST_ALONE) continue
    if (touchesPinned(checked.traced.plan, proposal.edits)) continue
    const whole = complete(checked, proposal, finding)
    if (!whole || touchesPinned(checked.traced.plan, whole.edits) || seen.has(whole.title)) continue
    seen.add(proposal.title).add(whole.title)
    kept.push(whole)
  }
  // What suffices by itself stands before what needs a second change.
  return kept.sort((a, b) => Number(a.givesUp ?? false) - Number(b.givesUp ?? false) || a.steps - b.steps).map(({ steps: _steps, ...remedy }) => remedy)
}

const MOST_STEPS = 4
const MOST_ALONE = 2
export const isGrave = ({ severity, accepted }: Pick<Finding, 'severity' | 'accepted'>): boolean => severity !== 'Q' && severity !== 'N' && accepted === undefined

/** Joins further remedies to a proposal until it keeps its word; undefined where a few do not suffice. */
function complete(checked: Checked, proposal: Proposal, finding: Finding): Remedy & { readonly steps: number } | undefined {
  const titles = [proposal.title]
  let edits = proposal.edits
  for (let step = 0; step < MOST_STEPS; step++) {
    const tried = tryEdits(checked, edits)
    if (!tried?.removes.includes(finding.key)) return undefined
    const uncovered = tried.adds.find(isGrave) as Finding | undefined
    if (!uncovered) return losesNothing(tried, proposal) ? { ...proposal, title: joined(titles), edits, effect: plain(tried), steps: step } : undefined
    if (proposal.alone) return undefined
    const next = ruleOf(uncovered).remedies(tried.checked.traced, uncovered).filter(offer => !offer.givesUp).find((offer) => {
      const effect = tryEdits(tried.checked, offer.edits)
      return effect?.removes.includes(uncovered.key) && !effect.adds.some(isGrave)
    })
    if (!next) return undefined
    titles.push(next.title)
    edits = [...edits, ...next.edits]
  }
  return undefined
}

/** As many pictures arrive as before; where one is given up, no more are dark than before. */
const losesNothing = ({ before, after }: Effect, { givesUp }: Proposal): boolean =>
  after.arrive >= before.arrive || (givesUp === true && after.wanted - after.arrive <= before.wanted - before.arrive)

/** True where an edit would take away, lead elsewhere or change a link that somebody pinned. A pin itself may be set. */
export const touchesPinned = ({ links }: Plan, edits: readonly Edit[]): boolean => edits.some(edit =>
  (edit.do === 'disconnect' || edit.do === 'move') ? own(links, edit.id)?.pinned === true : edit.do === 'set' && edit.at[0] === 'links' && edit.at[2] !== 'pinned' && own(links, edit.at[1])?.pinned === true)

function joined(titles: readonly string[]): string {
  const [first, ...rest] = titles
  const whole = [first, ...rest.map(title => title[0]!.toLowerCase() + title.slice(1))].join(', and ')
  return whole.length <= 120 ? whole : `${first!.slice(0, 90)}, and ${rest.length} more change${rest.length > 1 ? 's' : ''}`
}
