import { type Edit, type Plan, applyEdits, own } from '#core/document'
import { isGrave, type Finding, type Measured, type Verdict } from '#core/kernel'
import { MERITS, type Merit, kindOfChange, meritOf, overrules } from './merit'
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
 * The remedies of a finding that keep their word: applied, the finding is gone, no D or R finding comes, and no fewer
 * pictures arrive. Where a change only uncovers the next fault of the run, the best remedy of that one is joined to it.
 * First what a technician would try first, then what costs least; those that give up a demand stand last. Sockets that
 * are alike are one remedy. Each is tried, so this takes at least a check per offer.
 */
export function remediesOf(checked: Checked, finding: Finding, most = 8): Remedy[] {
  const { plan } = checked.traced
  const offered = checked.by
    .ruleOf(finding)
    .remedies(checked.traced, finding)
    .filter(({ edits }) => edits.length > 0)
    .map(proposal => ({ proposal, ...meritOf(plan, proposal.edits) }))
    .sort((a, b) => byMerit(a, b) || a.devices - b.devices)
  const seen = new Set<string>()
  const kept: Kept[] = []
  for (const { proposal } of offered) {
    const kind = kindOfChange(plan, proposal.edits)
    if (seen.has(proposal.title) || seen.has(kind) || (kept.length >= most && !proposal.givesUp)) continue
    if (proposal.alone && kept.filter(({ remedy }) => remedy.alone).length === MOST_ALONE) continue
    if (touchesPinned(plan, proposal.edits)) continue
    const whole = complete(checked, proposal, finding)
    if (!whole || touchesPinned(plan, whole.remedy.edits) || seen.has(whole.remedy.title)) continue
    seen.add(proposal.title).add(kind).add(whole.remedy.title)
    kept.push({ ...whole, ...meritOf(plan, whole.remedy.edits), proposal })
  }
  return kept
    .sort(
      (a, b) =>
        wantsLess(a) - wantsLess(b) ||
        byMerit(a, b) ||
        a.steps - b.steps ||
        worsens(a) - worsens(b) ||
        a.devices - b.devices ||
        costOf(a.remedy) - costOf(b.remedy),
    )
    .map(({ remedy }) => remedy)
}

interface Kept extends Ranked {
  readonly remedy: Remedy
  readonly steps: number
}

interface Ranked {
  readonly proposal: Proposal
  readonly merit: Merit
  readonly devices: number
}

const byMerit = (a: Ranked, b: Ranked): number =>
  Number(a.proposal.givesUp ?? false) - Number(b.proposal.givesUp ?? false) ||
  MERITS.indexOf(a.merit) - MERITS.indexOf(b.merit)

/** A cable that is taken out takes a picture with it that somebody planned. */
const wantsLess = ({ remedy: { effect, givesUp } }: Kept): number =>
  Number(!givesUp && effect.after.wanted < effect.before.wanted)

/** How much looks or sounds worse for it. */
const worsens = ({ remedy }: Kept): number => remedy.effect.adds.filter(({ severity }) => severity === 'Q').length

const costOf = ({ effect }: Remedy): number => effect.change.price ?? 0

const MOST_STEPS = 4
const MOST_ALONE = 2

/** Joins further remedies to a proposal until it keeps its word; undefined where a few do not suffice. */
function complete(
  checked: Checked,
  proposal: Proposal,
  finding: Finding,
): { readonly remedy: Remedy; readonly steps: number } | undefined {
  const titles = [proposal.title]
  let edits = proposal.edits
  for (let step = 0; step < MOST_STEPS; step++) {
    const tried = tryEdits(checked, edits)
    if (!tried?.removes.includes(finding.key)) return undefined
    const uncovered = tried.adds.find(isGrave) as Finding | undefined
    if (!uncovered)
      return losesNothing(tried, proposal)
        ? { remedy: { ...proposal, title: joined(titles), edits, effect: plainEffect(tried) }, steps: step }
        : undefined
    if (proposal.alone) return undefined
    const next = tried.checked.by
      .ruleOf(uncovered)
      .remedies(tried.checked.traced, uncovered)
      .filter(offer => !offer.givesUp && !overrules(edits, offer.edits))
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
  if (whole.length <= 120) return whole
  const more = `, and ${rest.length} more change${rest.length > 1 ? 's' : ''}`
  return `${first!.length <= 90 ? first : `${first!.slice(0, 89).replace(/[\s,]+\S*$/, '')} \u2026`}${more}`
}
