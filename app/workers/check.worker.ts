import { expose } from 'comlink'
import { boardOf } from '#core/board'
import { planMinor, planWatts } from '#core/budget'
import { additionEdits, check, choicesFor, copyRun, copyTargets, effectOf, entryEdits, readEntry, remediesOf, type Checked } from '#core/check'
import { paperHead, papersOf } from '#core/paper'
import { applyEdits, type Plan } from '#core/plan'
import { growthOf, ladder } from '#core/solve'
import { compare } from '#core/versions'
import { seeded } from '#core/ways'
import { inside, lossesOf, whatIf, why, type LossEffect } from '#core/whatif'
import type { Checker, Report } from './protocol'

let held: { name: string, version: number, plan: Plan, checked: Checked } | undefined

function hold(name: string, version: number, plan: Plan): Report {
  const start = performance.now()
  const checked = check(plan)
  const ms = performance.now() - start
  held = { name, version, plan, checked }
  return { plan: name, version, verdict: checked.verdict, findings: checked.findings, board: boardOf(checked), minor: planMinor(plan), watts: planWatts(plan), ms }
}

const current = (version: number): Checked | undefined => (held?.version === version ? held.checked : undefined)

const checker: Checker = {
  open: hold,
  edit(name, from, version, edits) {
    if (held?.name !== name || held.version !== from) return 'gap'
    const applied = applyEdits(held.plan, edits)
    return applied.ok ? hold(name, version, applied.value.plan) : 'gap'
  },
  remedies(version, key) {
    const checked = current(version)
    const finding = checked?.findings.find(candidate => candidate.key === key)
    return checked && finding ? remediesOf(checked, finding) : 'stale'
  },
  choices(version, part) {
    const checked = current(version)
    return checked ? choicesFor(checked, part) : 'stale'
  },
  ladder(version) {
    const checked = current(version)
    return checked ? ladder(checked) : 'stale'
  },
  async losses(version) {
    const effects: LossEffect[] = []
    let turn = performance.now()
    const plan = current(version)?.traced.plan
    for (const loss of plan ? lossesOf(plan) : []) {
      const checked = current(version)
      if (!checked) return 'stale'
      effects.push(whatIf(checked, loss))
      // An edit that waits goes first.
      if (performance.now() - turn > 12) {
        await new Promise(resolve => setTimeout(resolve))
        turn = performance.now()
      }
    }
    return current(version) ? effects : 'stale'
  },
  why(version, spot, symptom, units) {
    const checked = current(version)
    return checked ? why(checked, spot, symptom, units) : 'stale'
  },
  inside(version) {
    const checked = current(version)
    return checked ? inside(checked.traced) : 'stale'
  },
  entry(version, line, seed) {
    const checked = current(version)
    if (!checked) return 'stale'
    const { plan } = checked.traced
    const reading = readEntry(plan, line)
    const edits = reading.ok ? entryEdits(plan, reading.value, seeded(seed)) : []
    return { reading, edits, effect: edits.length ? effectOf(checked, edits) : undefined }
  },
  copy(version, run, sources) {
    const checked = current(version)
    if (!checked) return 'stale'
    const proposal = sources.length ? copyRun(checked.traced, run, sources) : undefined
    return { targets: copyTargets(checked.traced, run).map(({ id, device }) => ({ id, name: device.name })), proposal, effect: proposal && effectOf(checked, proposal.edits) }
  },
  effect(version, edits) {
    const checked = current(version)
    return checked ? effectOf(checked, edits) : 'stale'
  },
  growth(version) {
    const checked = current(version)
    return checked ? growthOf(checked) : 'stale'
  },
  compare(version, other, units) {
    const checked = current(version)
    return checked ? compare(checked, check(other), units) : 'stale'
  },
  papers(version, units) {
    const checked = current(version)
    return checked ? { head: paperHead(checked), papers: papersOf(checked, units) } : 'stale'
  },
  addition(version, addition, seed) {
    const checked = current(version)
    if (!checked) return 'stale'
    const edits = additionEdits(checked.traced.plan, addition, seeded(seed))
    return { edits, effect: effectOf(checked, edits) }
  },
}

expose(checker)
