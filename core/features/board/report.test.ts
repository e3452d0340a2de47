import { describe, expect, it } from 'vitest'
import { check } from '#core/features'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { judgedOf } from './report'

describe('what a page shows of a checked plan', () => {
  // A page gets it as JSON from the server, or as it is from its worker: both must show the same.
  it.each(Object.entries(CLEAN))('passes through JSON unchanged: %s', (_, plan) => {
    const judged = judgedOf(check(plan), 1.5)
    expect(JSON.parse(JSON.stringify(judged))).toEqual(judged)
  })
  it('says every finding in both units, and passes through JSON, for every faulty plan', () => {
    for (const { plan } of FAULTY) {
      const checked = check(plan)
      const judged = judgedOf(checked, 0)
      expect(judged.findings.map(({ key }) => key)).toEqual(checked.findings.map(({ key }) => key))
      for (const { said } of judged.findings)
        for (const unit of ['m', 'ft'] as const) expect(said[unit].map(({ text }) => text).join('')).toMatch(/\w.*\.$/)
      expect(JSON.parse(JSON.stringify(judged))).toEqual(judged)
    }
  })
})
