import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { answerAhead, checkerAhead } from './ahead'

const answer = () => Promise.resolve(new Response('{}'))
// The page has just begun, however long the tests have run.
beforeEach(() => {
  vi.spyOn(performance, 'now').mockReturnValue(400)
})
afterEach(() => {
  globalThis.interlumenAhead = undefined
  vi.restoreAllMocks()
})

describe('what the page began before its program', () => {
  it('is nothing where it began nothing', () => {
    expect(checkerAhead()).toBeUndefined()
    expect(answerAhead('/shows/a/plans/main?client=x')).toBeUndefined()
  })
  it('is one worker, once', () => {
    const worker = {} as Worker
    globalThis.interlumenAhead = { checker: worker, path: '/shows/a/plans/main', answer: answer() }
    expect(checkerAhead()).toBe(worker)
    expect(checkerAhead()).toBeUndefined()
    // The answer is still there for who asks for it.
    expect(answerAhead('/shows/a/plans/main')).toBeDefined()
  })
  it.each([
    ['/shows/a/plans/main', '/shows/a/plans/main', true],
    // A browser that is here for the first time had no label when the page began.
    ['/shows/a/plans/main', '/shows/a/plans/main?client=browser-1', true],
    ['/shows/a/plans/main?client=browser-1', '/shows/a/plans/main?client=browser-1', true],
    ['/shows/a/plans/main?client=browser-1', '/shows/a/plans/main?client=browser-2', false],
    ['/shows/a/plans/main', '/shows/a/plans/main-2', false],
    ['/shows/a/plans/main', '/shows/b/plans/main?client=browser-1', false],
    ['/shows/a/plans/main', '/shows/a/plans/main/transactions', false],
  ])('begun for %s, it answers %s: %s', (path, asked, serves) => {
    globalThis.interlumenAhead = { path, answer: answer() }
    expect(answerAhead(asked) !== undefined).toBe(serves)
    // Once it is taken it is gone; what it does not answer it keeps.
    expect(answerAhead(path) !== undefined).toBe(!serves)
  })
  it('is too old after ten seconds: the plan may have gone on', () => {
    globalThis.interlumenAhead = { path: '/shows/a/plans/main', answer: answer() }
    vi.spyOn(performance, 'now').mockReturnValue(10_001)
    expect(answerAhead('/shows/a/plans/main')).toBeUndefined()
  })
})
