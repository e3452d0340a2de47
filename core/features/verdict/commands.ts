import { applyEdits, canonicalText, problemText } from '#core/document'
import { isClean, Unusable, type Command } from '#core/kernel'
import { remediesOf, type Checked, type CommandContext } from '#core/propose'

/** The form of the JSON that commands print; keys are added to it, never taken away. */
const JSON_VERSION = 1

function reportJson(checked: Checked): string {
  const { by, verdict } = checked
  const findings = checked.findings.map(finding => ({
    id: finding.id,
    key: finding.key,
    severity: finding.severity,
    at: finding.at,
    ...(finding.segments ? { segments: finding.segments } : {}),
    message: by.say(finding),
    ...(finding.accepted === undefined ? {} : { accepted: finding.accepted }),
    numbers: Object.fromEntries(Object.entries(finding.with).map(([name, quantity]) => [name, by.plain(quantity)])),
    remedies: remediesOf(checked, finding).map(({ title, edits }) => ({ title, edits })),
  }))
  return JSON.stringify({ version: JSON_VERSION, verdict, findings }, null, 2)
}

function reportText(checked: Checked, strong: CommandContext['strong']): string {
  const { arrive, wanted, ...counts } = checked.verdict
  const lines = [
    `${arrive} of ${wanted} pictures arrive  H ${counts.H}  D ${counts.D}  R ${counts.R}  Q ${counts.Q}  N ${counts.N}`,
  ]
  for (const finding of checked.findings) {
    const words = checked.by
      .sayParts(finding)
      .map(({ text, given }) => (given ? strong(text) : text))
      .join('')
    lines.push('', `${finding.severity}  ${finding.key}`, `   ${words}`)
    if (finding.accepted !== undefined) {
      lines.push(`   Accepted: ${finding.accepted}`)
      continue
    }
    for (const [i, { title, effect }] of remediesOf(checked, finding).entries())
      lines.push(`   ${i + 1}. ${title}  (then ${effect.after.arrive} of ${effect.after.wanted})`)
  }
  return lines.join('\n')
}

const check: Command<CommandContext> = {
  name: 'check',
  about: 'exits 0 when nothing is a hazard, dark or a risk, 1 when something is, 2 when the file cannot be used.',
  options: {},
  json: true,
  run: ({ checked, json, strong }) => ({
    out: json ? reportJson(checked) : reportText(checked, strong),
    exit: isClean(checked.verdict) ? 0 : 1,
  }),
}

const apply: Command<CommandContext> = {
  name: 'apply',
  about: 'prints the file with remedy N (from 1, as check --json lists them) of the finding applied.',
  options: { finding: { value: 'KEY', required: true }, remedy: { value: 'N', required: true } },
  run: ({ show, planId, plan, checked, values }) => {
    const key = values.get('finding')
    const finding = checked.findings.find(candidate => candidate.key === key)
    if (!finding) {
      const keys = checked.findings.map(candidate => candidate.key)
      throw new Unusable(`no finding ${key ?? '(--finding is missing)'}; there are: ${keys.join(', ') || 'none'}`)
    }
    const remedies = remediesOf(checked, finding)
    const number = Number(values.get('remedy'))
    const remedy = Number.isInteger(number) ? remedies[number - 1] : undefined
    if (!remedy) {
      const allowed = remedies.length ? `there are 1 to ${remedies.length}` : 'the finding has none'
      throw new Unusable(`no remedy ${values.get('remedy') ?? '(--remedy is missing)'}; ${allowed}`)
    }
    const applied = applyEdits(plan, remedy.edits)
    if (!applied.ok) throw new Error(problemText(applied.problem))
    return { out: canonicalText({ ...show, plans: { ...show.plans, [planId]: applied.value.plan } }), exit: 0 }
  },
}

export const COMMANDS = [check, apply]
