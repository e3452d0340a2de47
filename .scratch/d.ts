import { CLEAN } from '../core/tests/clean'
import { FAULTY } from '../core/tests/faulty'
import { check, remediesOf, say, ruleOf } from '#core/check'
import { tryEdits } from '../core/check/remedy'
for (const name of process.argv.slice(2)) {
  const p = CLEAN[name] ?? FAULTY.find(f => f.name === name)!.plan
  const c = check(p)
  console.log('##', name, JSON.stringify(c.verdict))
  for (const f of c.findings) {
    console.log(f.severity, f.key, say(f))
    for (const r of ruleOf(f).remedies(c.traced, f)) { const t = tryEdits(c, r.edits); console.log('    ?', r.title, t ? JSON.stringify({ gone: t.removes, adds: t.adds.map(a => a.key), arrive: t.after.arrive }) : 'CANNOT') }
    for (const r of remediesOf(c, f)) console.log('   ', r.title)
  }
}
