import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CableModel } from '#core/cable'
import { MODELS } from '#core/catalog'
import { CLEAN } from '../../testing/clean'
import { FAULTY } from '../../testing/faulty'
import { plan } from '../../testing/plans'
import { REFUSED, changed } from '../../testing/refused'
import { canonicalPlan, canonicalText } from './canonical'
import { type Edit, applyEdits, checkTransaction } from './edit'
import { freshId, slug } from './ids'
import { openFile, openValue } from './open'
import { FORMAT_VERSION, type Plan, emptyShow } from './plan'

import { compileSchema } from '../../scripts/compile-schema'

describe('files that are refused', () => {
  it('are at least sixty', () => expect(new Set(REFUSED.map(({ text }) => text)).size).toBeGreaterThanOrEqual(60))
  it.each(REFUSED.map(bad => [bad.name, bad] as const))('%s', (_, { text, path, found, allowed }) => {
    const opened = openFile(text)
    expect(opened.ok).toBe(false)
    if (opened.ok) return
    expect(opened.problem.path).toBe(path)
    expect(opened.problem.found).toContain(found)
    expect(opened.problem.allowed).toContain(allowed)
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
  })
  it('accepts loose ends, rings and double use', () => {
    for (const { plan: faulty } of FAULTY)
      expect(openValue({ format: FORMAT_VERSION, show: { title: 'x' }, plans: { main: faulty } })).toMatchObject({
        ok: true,
      })
  })
})

describe('files that are opened', () => {
  it('gives the same text again after canonical export', () => {
    for (const written of [...Object.values(CLEAN), ...FAULTY.map(({ plan: faulty }) => faulty)]) {
      const text = canonicalText({ ...emptyShow('Show'), plans: { main: written } })
      const opened = openFile(text)
      expect(opened.ok && canonicalText(opened.value)).toBe(text)
    }
  })
  it('still opens the frozen sample of every version', () => {
    const opened = openFile(readFileSync(new URL('./samples/format-1.json', import.meta.url), 'utf8'))
    expect(opened.ok && Object.keys(opened.value.plans.main!.devices)).toHaveLength(9)
    // Rows that a file of format 1 named by reference alone are the catalogue's of today, which know their sound.
    expect(opened.ok && opened.value.plans.main!.models['phone']).toEqual(MODELS.get('phone'))
  })
  it('reads the second version in its words of today', () => {
    const text = readFileSync(new URL('./samples/format-2.json', import.meta.url), 'utf8')
    const old = JSON.parse(text).plans.main
    const opened = openFile(text)
    if (!opened.ok) throw new Error(`${opened.problem.path}: ${opened.problem.found}`)
    const plan = opened.value.plans.main!
    expect([old.models['switcher-8-mixed'].role, plan.models['switcher-8-mixed']!.role]).toEqual(['stage', 'switcher'])
    for (const [id, model] of Object.entries(plan.models)) expect(model.priceMinor).toBe(old.models[id].minor)
    const [was, now] = [old.leads['coax-rg6'], plan.leads['coax-rg6'] as CableModel]
    expect(now.reach).toEqual({ kind: 'attenuation', k1: was.reach.k1, k2: was.reach.k2 })
    expect(now.stock.map(({ priceMinor }) => priceMinor)).toEqual(was.stock.map((row: { minor: number }) => row.minor))
    expect(Object.values(plan.kit).map(({ kind }) => kind)).toEqual(
      Object.values(old.kit as Record<string, { of: string }>).map(({ of }) => of),
    )
    // Nothing but these words is other, and what is written now is read as it is.
    expect(Object.keys(plan.devices)).toEqual(Object.keys(old.devices))
    expect(openFile(canonicalText(opened.value))).toEqual(opened)
  })
  it('migrates step by step', () => {
    const old = changed(f => {
      f.format = 0
      f.name = f.show.title
      delete f.show
    })
    const steps = {
      0: (f: Record<string, unknown>) => ({ ...f, format: 1, heading: f.name, name: undefined }),
      1: ({ heading, name: _name, ...f }: Record<string, unknown>) => ({ ...f, format: 2, show: { title: heading } }),
      2: (f: Record<string, unknown>) => ({ ...f, format: 3 }),
    }
    const opened = openValue(old, steps, 3)
    expect(opened.ok && opened.value.show.title).toBe('Kiln Night')
    expect(
      openValue(
        changed(f => {
          f.format = -1
        }),
        steps,
        2,
      ),
    ).toMatchObject({ ok: false, problem: { path: '/format' } })
  })
  it('opens every example of the format page', () => {
    const page = readFileSync(new URL('../../docs/plan-format.md', import.meta.url), 'utf8')
    const examples = [...page.matchAll(/```json\n([\s\S]*?)```/g)].map(([, text]) => text!)
    expect(examples.length).toBeGreaterThan(3)
    for (const text of examples) {
      const value = JSON.parse(text) as unknown
      const outcome = Array.isArray(value)
        ? checkTransaction({ client: 'page', seq: 1, title: 'Example', edits: value })
        : openFile(text)
      expect(outcome, text).toMatchObject({ ok: true })
    }
  })
  it('has validators compiled from the schema as it stands', () => {
    expect(readFileSync(new URL('./validators.generated.js', import.meta.url), 'utf8')).toBe(compileSchema())
  })
})

describe('edits', () => {
  const base = plan({
    devices: {
      cam: 'camera-hand-hdmi 1080p25',
      pc: 'computer 1080p25',
      main: 'switcher-4-strict 1080p25',
      rec: 'recorder-hdmi',
    },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3 adapter-hdmi-micro', b: 'main.out-1 > rec.in hdmi-passive 1' },
    wants: { rec: 'program' },
  })
  const edits: Edit[] = [
    { do: 'set', at: ['title'], value: 'New title' },
    { do: 'set', at: ['brief', 'cableSchool'], value: 'usual' },
    { do: 'set', at: ['brief', 'cableSchool'] },
    { do: 'set', at: ['devices', 'cam', 'ports'] },
    { do: 'set', at: ['devices', 'cam', 'ports', 'hdmi', 'format'] },
    { do: 'set', at: ['devices', 'main', 'ports', 'in-2', 'label'], value: 'PC' },
    { do: 'set', at: ['devices', 'cam', 'mode'], value: 'inside-2160' },
    { do: 'set', at: ['links', 'a', 'routeM'], value: 7.25 },
    { do: 'set', at: ['links', 'a', 'pieces'], value: [5, 5] },
    { do: 'set', at: ['links', 'a', 'adapters'] },
    { do: 'set', at: ['wants', 'rec-sees', 'feed'], value: 'clean' },
    { do: 'disconnect', id: 'a' },
    { do: 'move', id: 'a', end: 'to', to: { device: 'main', port: 'in-3' } },
    { do: 'move', id: 'a', end: 'from' },
    { do: 'move', id: 'b', end: 'to' },
    {
      do: 'connect',
      id: 'c',
      link: { from: { device: 'pc', port: 'hdmi-1' }, to: { device: 'main', port: 'in-2' }, cable: 'hdmi-passive' },
    },
    { do: 'add', collection: 'devices', id: 'two', value: { model: 'camera-hand-hdmi', name: 'Two', order: 2 } },
    { do: 'add', collection: 'segments', id: 'talk', value: { title: 'Talk', order: 1 } },
    { do: 'remove', collection: 'wants', id: 'rec-sees' },
    { do: 'remove', collection: 'devices', id: 'pc' },
  ]
  it('leads back exactly by the inverse, for any sequence', () => {
    let applied = 0
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...edits), { minLength: 1, maxLength: 8 }), sequence => {
        const before = canonicalPlan(base)
        const forward = applyEdits(base, sequence)
        expect(canonicalPlan(base)).toBe(before)
        if (!forward.ok) return
        applied++
        const back = applyEdits(forward.value.plan, forward.value.inverse)
        if (!back.ok) throw new Error(back.problem.path)
        expect(canonicalPlan(back.value.plan)).toBe(before)
        const again = applyEdits(back.value.plan, back.value.inverse)
        expect(again.ok && canonicalPlan(again.value.plan)).toBe(canonicalPlan(forward.value.plan))
      }),
      { numRuns: 400 },
    )
    expect(applied).toBeGreaterThan(50)
  })
  it.each<[string, unknown[], string]>([
    ['a device that links hold', [{ do: 'remove', collection: 'devices', id: 'cam' }], '/links/a/from/device'],
    ['an id in use', [{ do: 'add', collection: 'devices', id: 'cam', value: {} }], '/edits/0/id'],
    ['an entry that is gone', [{ do: 'remove', collection: 'segments', id: 'x' }], '/edits/0/id'],
    ['an unknown field', [{ do: 'set', at: ['devices', 'cam', 'colour'], value: 1 }], '/devices/cam/colour'],
    ['a required field', [{ do: 'set', at: ['devices', 'cam', 'name'] }], '/devices/cam'],
    ['a whole collection', [{ do: 'set', at: ['devices'], value: {} }], '/edits/0/at'],
    ['an entry that is not there', [{ do: 'set', at: ['devices', 'x', 'name'], value: 'x' }], '/edits/0/at'],
    [
      'a half good sequence',
      [
        { do: 'set', at: ['title'], value: 'x' },
        { do: 'disconnect', id: 'zz' },
      ],
      '/edits/1/id',
    ],
    [
      'both ends loose',
      [
        { do: 'move', id: 'a', end: 'from' },
        { do: 'move', id: 'a', end: 'to' },
      ],
      '/links/a',
    ],
    ['an empty title', [{ do: 'set', at: ['title'], value: '' }], '/title'],
  ])('refuses %s as a whole', (_, sequence, path) => {
    const outcome = applyEdits(base, sequence as Edit[])
    expect(outcome.ok ? 'accepted' : outcome.problem.path).toBe(path)
  })
  it('lets two people take the same row of the catalogue, and either take theirs back', () => {
    const camera = (id: string): Edit[] => [
      { do: 'add', collection: 'models', id: 'phone', value: MODELS.get('phone')! },
      { do: 'add', collection: 'devices', id, value: { model: 'phone', name: id, order: 9 } },
    ]
    const first = applyEdits(base, camera('mine'))
    if (!first.ok) throw new Error(first.problem.path)
    const second = applyEdits(first.value.plan, camera('theirs'))
    if (!second.ok) throw new Error(second.problem.path)
    const undone = applyEdits(second.value.plan, first.value.inverse)
    if (!undone.ok) throw new Error(undone.problem.path)
    expect(Object.keys(undone.value.plan.devices)).toEqual(['cam', 'pc', 'main', 'rec', 'theirs'])
    expect(undone.value.plan.models.phone).toEqual(MODELS.get('phone'))
    const again = applyEdits(undone.value.plan, undone.value.inverse)
    expect(again.ok && canonicalPlan(again.value.plan)).toBe(canonicalPlan(second.value.plan))
    expect(
      applyEdits(base, [{ do: 'add', collection: 'models', id: 'computer', value: MODELS.get('phone')! }]),
    ).toMatchObject({ ok: false, problem: { path: '/edits/0/id' } })
    expect(applyEdits(base, [{ do: 'remove', collection: 'models', id: 'computer' }])).toMatchObject({
      ok: true,
      value: { plan: base, inverse: [] },
    })
  })
  it.each<[string, unknown]>([
    ['no client', { seq: 1, title: 'x', edits: [{ do: 'disconnect', id: 'a' }] }],
    ['unknown verb', { client: 'test', seq: 1, title: 'x', edits: [{ do: 'explode', id: 'a' }] }],
    [
      'a path into Object.prototype',
      { client: 'test', seq: 1, title: 'x', edits: [{ do: 'set', at: ['devices', '__proto__', 'x'], value: 1 }] },
    ],
    ['no edit', { client: 'test', seq: 1, title: 'x', edits: [] }],
    ['an unknown key', { client: 'test', seq: 1, title: 'x', edits: [{ do: 'disconnect', id: 'a', force: true }] }],
  ])('refuses a transaction with %s', (_, value) => expect(checkTransaction(value).ok).toBe(false))
})

describe('ids', () => {
  it.each([
    ['Wide camera', 'wide-camera'],
    ['  Über-Kamera (2)  ', 'uber-kamera-2'],
    ['***', 'item'],
    ['constructor', 'item'],
  ])('%j gives %s', (name, id) => expect(slug(name)).toBe(id))
  it('avoids what is taken', () => {
    const numbers = [0, 0, 0.5]
    const taken: Plan['segments'] = { 'a-0000': { title: 'x', order: 1 } }
    expect(freshId('A', taken, () => numbers.shift()!)).not.toBe('a-0000')
  })
})

describe('the rate of an interlaced format', () => {
  it('counts frames, and who wrote fields is told which rate is meant', () => {
    const opened = openFile(
      JSON.stringify({
        format: FORMAT_VERSION,
        show: { title: 'x' },
        plans: { main: { title: 'y', brief: { standard: { raster: '1920x1080', scan: 'i', rate: '50/1' } } } },
      }),
    )
    // 1080i50: fifty fields are twenty-five frames a second.
    expect(opened.ok ? '' : opened.problem.allowed).toContain('1080i50 has the rate 25/1')
  })
})
