import type { Edit } from '#core/document'
import {
  additionEdits,
  choicesFor,
  copyRun,
  copyTargets,
  effectOf,
  entryEdits,
  readEntry,
  remediesOf,
  removalEdits,
  seeded,
  type Addition,
  type Checked,
  type Changeable,
  type Remedy,
} from '#core/propose'

/** What would mend a finding, each tried; none where it is gone. */
function remedies(checked: Checked, key: string): readonly Remedy[] {
  const finding = checked.findings.find(candidate => candidate.key === key)
  return finding ? remediesOf(checked, finding) : []
}

const choices = (checked: Checked, part: Changeable) => choicesFor(checked, part)

const effect = (checked: Checked, edits: readonly Edit[]) => effectOf(checked, edits)

/** A line of words as it was read, and what it would do. */
function entry(checked: Checked, line: string, seed: string) {
  const { plan } = checked.traced
  const reading = readEntry(plan, line)
  const edits = reading.ok ? entryEdits(plan, reading.value, seeded(seed)) : []
  return { reading, edits, effect: edits.length ? effectOf(checked, edits) : undefined }
}

/** For whom a run could be laid again, and what that would do for those that are chosen. */
function copy(checked: Checked, run: string, sources: readonly string[]) {
  const proposal = sources.length ? copyRun(checked.traced, run, sources) : undefined
  return {
    targets: copyTargets(checked.traced, run).map(({ id, device }) => ({ id, name: device.name })),
    proposal,
    effect: proposal && effectOf(checked, proposal.edits),
  }
}

/** The edits that add a device, and what they would do. */
function addition(checked: Checked, wanted: Addition, seed: string) {
  const edits = additionEdits(checked.traced.plan, wanted, seeded(seed))
  return { edits, effect: effectOf(checked, edits) }
}

/** The edits that take a device out, with all that serves it alone. */
const removal = ({ traced }: Checked, device: string) => removalEdits(traced.plan, device)

export const QUERIES = { remedies, choices, effect, entry, copy, addition, removal }
