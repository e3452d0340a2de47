import { type Edit, type Plan, applyEdits, own } from '#core/document'
import { isGrave, type Finding, type Measured, type Verdict } from '#core/kernel'
import type { Checked, Proposal } from './rule'

/** What a change would do, computed by doing it to a copy. */
export interface Effect {
  readonly before: Verdict
  readonly after: Verdict
  /** Keys of the findings that go, and the findings that come. */
  readonly removes: readonly string[]
  readonly adds: readonly Pick<Finding, 'id' | 'key' | 'severity'>[]
  /** What it does to each measure of the plan. */
  readonly change: Measured
}

export interface Remedy extends Proposal {
  readonly effect: Effect
}

export interface Tried extends Effect {
  readonly checked: Checked
}

/** Applies the edits to a copy and compares; undefined where they cannot be applied. */
export function tryEdits(checked: Checked, edits: readonly Edit[]): Tried | undefined {
  const { traced, by } = checked
  const applied = applyEdits(traced.plan, edits)
  if (!applied.ok) return undefined
  const next = by.again(traced, applied.value.plan)
  const before = new Set(checked.findings.map(({ key }) => key))
  const after = new Set(next.findings.map(({ key }) => key))
  return {
    checked: next,
    before: checked.verdict,
    after: next.verdict,
    removes: [...before].filter(key => !after.has(key)),
    adds: next.findings.filter(({ key }) => !before.has(key)),
    change: by.changed(traced, next.traced),
  }
}

/** An effect as plain data, with the findings that come by their names alone. */
export const plainEffect = ({ before, after, removes, adds, change }: Effect): Effect => ({
  before,
  after,
  removes,
  adds: adds.map(({ id, key, severity }) => ({ id, key, severity })),
  change,
})

/** What the edits would do to the plan; undefined where they cannot be applied. */
export function effectOf(checked: Checked, edits: readonly Edit[]): Effect | undefined {
  const tried = tryEdits(checked, edits)
  return tried && plainEffect(tried)
}

/**
 * The remedies of a finding that keep their word, best first: applied, the finding is gone, no D or R finding comes,
 * and no fewer pictures arrive. Where a change only uncovers the next fault of the run, the best remedy of that one
 * is joined to it. Those that give up a demand stand last. Each is tried, so this takes at least a check per offer.
 */
export function remediesOf(checked: Checked, finding: Finding, most = 8): Remedy[] {
  const offered = checked.by.ruleOf(finding).remedies(checked.traced, finding)
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
  return kept
    .sort((a, b) => Number(a.givesUp ?? false) - Number(b.givesUp ?? false) || a.steps - b.steps)
    .map(({ steps: _steps, ...remedy }) => remedy)
}

const MOST_STEPS = 4
const MOST_ALONE = 2

/** Joins further remedies to a proposal until it keeps its word; undefined where a few do not suffice. */
function complete(
  checked: Checked,
  proposal: Proposal,
  finding: Finding,
): (Remedy & { readonly steps: number }) | undefined {
  const titles = [proposal.title]
  let edits = proposal.edits
  for (let step = 0; step < MOST_STEPS; step++) {
    const tried = tryEdits(checked, edits)
    if (!tried?.removes.includes(finding.key)) return undefined
    const uncovered = tried.adds.find(isGrave) as Finding | undefined
    if (!uncovered)
      return losesNothing(tried, proposal)
        ? { ...proposal, title: joined(titles), edits, effect: plainEffect(tried), steps: step }
        : undefined
    if (proposal.alone) return undefined
    const next = tried.checked.by
      .ruleOf(uncovered)
      .remedies(tried.checked.traced, uncovered)
      .filter(offer => !offer.givesUp)
      .find(offer => {
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
export const touchesPinned = ({ links }: Plan, edits: readonly Edit[]): boolean =>
  edits.some(edit =>
    edit.do === 'disconnect' || edit.do === 'move'
      ? own(links, edit.id)?.pinned === true
      : edit.do === 'set' &&
        edit.at[0] === 'links' &&
        edit.at[2] !== 'pinned' &&
        own(links, edit.at[1])?.pinned === true,
  )

function joined(titles: readonly string[]): string {
  const [first, ...rest] = titles
  const whole = [first, ...rest.map(title => title[0]!.toLowerCase() + title.slice(1))].join(', and ')
  return whole.length <= 120
    ? whole
    : `${first!.slice(0, 90)}, and ${rest.length} more change${rest.length > 1 ? 's' : ''}`
}
