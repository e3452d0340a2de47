import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { check, say } from '#core/features'
import { boardOf } from '#core/features/board'
import { papersOf } from '#core/asked'
import { changed } from '../../testing/refused'
import { canonicalText } from './canonical'
import { openFile } from './open'

/** Every place of a document, as the keys that lead there. */
function places(value: unknown, path: readonly string[] = []): string[][] {
  if (value === null || typeof value !== 'object') return [[...path]]
  return [[...path], ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...path, key]))]
}

function put(document: unknown, path: readonly string[], value: unknown): unknown {
  const [key, ...rest] = path
  if (key === undefined) return value
  const copy: Record<string, unknown> | unknown[] = Array.isArray(document)
    ? [...document]
    : { ...(document as Record<string, unknown>) }
  const target = copy as Record<string, unknown>
  if (rest.length === 0 && value === REMOVED) {
    if (Array.isArray(copy)) copy.splice(Number(key), 1)
    else delete target[key]
  } else target[key] = put(target[key], rest, value)
  return copy
}

const REMOVED = Symbol('removed')
const junk = fc.oneof(
  fc.constant(REMOVED),
  fc.constantFrom<unknown>(
    null,
    true,
    false,
    '',
    0,
    -1,
    0.5,
    1e308,
    1e9,
    [],
    {},
    '\u0000',
    'x'.repeat(2000),
    '../../etc/passwd',
    '<img src=x onerror=1>',
    '=1+1',
    '1920x1080',
    'p',
    '25/1',
    'main',
    'wide',
    'in-1',
    'hdmi-passive',
  ),
  fc.string({ maxLength: 20 }),
  fc.integer(),
  fc.double(),
  fc.array(fc.string({ maxLength: 4 }), { maxLength: 3 }),
  fc.dictionary(fc.string({ maxLength: 6 }), fc.integer(), { maxKeys: 3 }),
)

describe('a good file with damage done to it', () => {
  for (const name of ['kiln', 'harbour'] as const) {
    const base = changed(() => {}, name)
    const all = places(base).filter(path => path.length > 0)
    it(`${name}: is refused with its place, or taken whole and judged; it never throws`, () => {
      let refused = 0
      let taken = 0
      fc.assert(
        fc.property(fc.array(fc.tuple(fc.nat(all.length - 1), junk), { minLength: 1, maxLength: 2 }), damage => {
          let file: unknown = base
          for (const [at, value] of damage) {
            try {
              file = put(file, all[at]!, value)
            } catch {
              /* an earlier damage took this place away */
            }
          }
          const opened = openFile(JSON.stringify(file) ?? '')
          if (!opened.ok) {
            refused++
            const { path, found, allowed } = opened.problem
            expect(path.startsWith('/')).toBe(true)
            for (const words of [found, allowed]) expect(words.length).toBeGreaterThan(0)
            expect(found.length).toBeLessThan(400)
            return
          }
          taken++
          const text = canonicalText(opened.value)
          const again = openFile(text)
          expect(again.ok && canonicalText(again.value)).toBe(text)
          for (const plan of Object.values(opened.value.plans)) {
            const checked = check(plan)
            for (const finding of checked.findings) expect(say(finding)).not.toMatch(/undefined|NaN/)
            expect(boardOf(checked).lanes.length).toBeGreaterThanOrEqual(0)
            expect(papersOf(checked, { length: 'm' })[0]!.rows).toHaveLength(Object.keys(plan.links).length)
            expect(checked.verdict.arrive).toBeLessThanOrEqual(checked.verdict.wanted)
          }
        }),
        { numRuns: 800, seed: 13 },
      )
      expect(refused).toBeGreaterThan(200)
      expect(taken).toBeGreaterThan(15)
    })
  }
  it('reads text of any kind without throwing', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 200 }), fc.json()), text => {
        expect(openFile(text).ok).toBe(false)
      }),
      { numRuns: 500, seed: 17 },
    )
  })
})
