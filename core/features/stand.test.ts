import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Edit, type Plan, applyEdits, openFile } from '#core/document'
import { engineOf, onWorkedOut } from '#core/kernel'
import { plan } from '../../testing/plans'
import { FEATURES, check } from './index'

const opened = openFile(readFileSync(new URL('../../demo/three-hall-science-fair.json', import.meta.url), 'utf8'))
if (!opened.ok) throw new Error(opened.problem.path)
const fair = opened.value.plans.main!

/** The facts and rules that are worked out anew by checking a plan after an edit of it. */
function anew(before: Plan, edits: readonly Edit[], segment?: string): string[] {
  check(before, segment)
  const applied = applyEdits(before, edits)
  if (!applied.ok) throw new Error(applied.problem.path)
  const names: string[] = []
  const end = onWorkedOut(name => names.push(name))
  check(applied.value.plan, segment)
  end()
  return names
}

describe('an edit that a fact does not read leaves it standing', () => {
  const lamp = { title: 'Lamps', order: 9, amps: 16 }
  it('a circuit: nothing is traced; what hangs on circuits is asked, and who lives on batteries in their place', () =>
    expect(new Set(anew(fair, [{ do: 'add', collection: 'circuits', id: 'lamps', value: lamp }]))).toEqual(
      new Set([
        ...['circuits', 'distributions', 'batteries', 'devices without supply'],
        ...['rule P01', 'rule P04', 'rule P05', 'rule P06', 'rule P10', 'rule P11', 'rule P12'],
      ]),
    ))
  it('an accepted risk: nothing at all', () => {
    const value = { finding: 'R02:show', reason: 'tested' }
    expect(anew(fair, [{ do: 'add', collection: 'accepted', id: 'air', value }])).toEqual([])
  })
  it('a segment: nothing is traced; what depends on one alone, which are who is needed, what is connected and what lies over pictures then', () => {
    const value = { title: 'Extra', order: 9, sources: [Object.keys(fair.devices)[0]!] }
    expect(new Set(anew(fair, [{ do: 'add', collection: 'segments', id: 'extra', value }]))).toEqual(
      new Set([
        ...['heard in each moment', 'rule A01', 'rule A02', 'rule A03', 'rule A05', 'rule A10', 'rule A11', 'rule A15'],
        ...['microphones behind shut pictures'],
        ...['moments', 'rule O02', 'rule O14', 'rule K01', 'rule K07', 'rule K09', 'rule K14', 'rule K15', 'rule K16'],
        ...['rule N13', 'rule N16', 'rule R03', 'rule R06', 'rule R07', 'rule R08', 'rule R09', 'rule R10'],
      ]),
    )
  })
  it('the brief: no picture is followed again', () => {
    const names = anew(fair, [{ do: 'set', at: ['brief', 'spareInputs'], value: 1 }])
    expect(names).toContain('rule C10')
    for (const fact of ['chain', 'trace', 'runs', 'sound', 'rule F01', 'rule L02']) expect(names).not.toContain(fact)
  })
  it('a device: what stands on the wiring is worked out again', () => {
    const [id] = Object.keys(fair.devices)
    const names = anew(fair, [{ do: 'set', at: ['devices', id!, 'name'], value: 'Another name' }])
    for (const fact of ['chain', 'trace', 'runs', 'rule F01']) expect(names).toContain(fact)
  })
})

describe('a finding that depends on segments', () => {
  const show = plan({
    devices: { pc: 'computer 1080p59.94', cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', b: 'cam.hdmi > main.in-2 hdmi-passive 2' },
    segments: {
      late: { title: 'Late', order: 3, sources: ['gone'] },
      early: { title: 'Early', order: 1, sources: ['pc', 'gone'] },
      middle: { title: 'Middle', order: 2, sources: ['cam'] },
    },
  })
  it('is one, with the list of those in which it holds, in the order of the show', () =>
    expect(check(show).findings).toMatchObject([{ key: 'R07:use/gone', severity: 'D', segments: ['early', 'late'] }]))
  it('asked of one segment, it is told there alone', () => {
    expect(check(show, 'late').findings).toMatchObject([{ key: 'R07:use/gone@late' }])
    expect(check(show, 'middle').findings).toEqual([])
  })
})

describe('features', () => {
  it('may not claim the same rule', () =>
    expect(() =>
      engineOf({
        features: [...FEATURES, FEATURES.find(({ id }) => id === 'power')!] as never,
        view: (() => undefined) as never,
        order: '',
        segments: () => [],
        accepted: () => undefined,
      }),
    ).toThrow('P01 is registered twice'))
  it('have rules with a code, one line, and messages of a known severity', () => {
    for (const { code, about, messages } of FEATURES.flatMap(({ rules = [] }) => rules)) {
      expect(code).toMatch(/^[A-Z]\d\d$/)
      expect(about).toMatch(/^[A-Z0-9].*\.$/)
      for (const { severity, says } of Object.values(messages)) {
        expect('HDRQN').toContain(severity)
        expect(says.length).toBeGreaterThan(20)
      }
    }
  })
})
