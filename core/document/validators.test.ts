import { describe, expect, it } from 'vitest'
import * as compiled from './validators.generated'
import * as later from './validators-later'
import * as now from './validators-now'

describe('the validators of the schema', () => {
  it('are there from the start where a program is read from the disk', () => {
    expect(now.validatorsReady()).toBeUndefined()
    expect(now.validators().plan).toBe(compiled.plan)
  })
  it('come to a browser when they are asked for: once, and until then nothing is checked by them', async () => {
    expect(() => later.validators()).toThrow(/before their validators are there/)
    const first = later.validatorsReady()
    expect(later.validatorsReady()).toBe(first)
    await first
    expect(later.validatorsReady()).toBeUndefined()
    expect(later.validators().plan({ title: 1 })).toBe(now.validators().plan({ title: 1 }))
    expect(Object.keys(later.validators()).sort()).toEqual(Object.keys(now.validators()).sort())
  })
})
