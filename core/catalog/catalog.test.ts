import { describe, expect, it } from 'vitest'
import { emptyPlan, openPlan } from '#core/document'
import { CONSTRAINTS } from './constraints'
import { portsOf } from './model'
import { MODELS } from './models'
import { portRows, portsOfRows } from './table'

const rows = [...MODELS]

describe('the catalogue', () => {
  it('has at least ninety models, and every one is a valid model', () => {
    expect(rows.length).toBeGreaterThanOrEqual(90)
    const opened = openPlan({ ...emptyPlan('All'), models: Object.fromEntries(rows) })
    expect(opened.ok || opened.problem).toBe(true)
  })
  it('has no two that differ only in name, price or draw', () => {
    const seen = new Map<string, string>()
    for (const [id, { title: _t, short: _s, from: _f, priceMinor: _m, watts: _w, ...rest }] of rows) {
      const what = JSON.stringify(rest).replace(/"title":"[^"]*"/g, '')
      expect(seen.get(what), `${id} is ${seen.get(what)}`).toBeUndefined()
      seen.set(what, id)
    }
  })
  it('gives every switcher a path from each picture input to each picture output', () => {
    for (const [id, model] of rows.filter(([, { role }]) => role === 'switcher')) {
      const path = model.paths.find(({ format }) => format === 'standard')!
      const pictures = (dir: 'in' | 'out') =>
        portsOf(model, dir)
          .filter(([, { carries }]) => carries !== 'sound' && carries !== 'control')
          .map(([port]) => port)
      expect([path.from, path.to], id).toEqual([pictures('in'), pictures('out')])
    }
  })
  it.each(CONSTRAINTS.map(({ title, has }) => [title, has] as const))('has at least three models for: %s', (_, has) =>
    expect(rows.filter(([, model]) => has(model)).length).toBeGreaterThanOrEqual(3),
  )
})

describe('ports as a table', () => {
  it.each(rows.map(([id, model]) => [id, model] as const))('%s comes back as it was', (_, model) => {
    const read = portsOfRows(portRows(model), model.ports)
    expect(read.ok && read.ports).toEqual(model.ports)
  })
  const row = { port: 'in', title: 'In', dir: 'in', carries: 'hdmi', connector: 'hdmi-a' }
  it('reads what somebody typed', () => {
    expect(portsOfRows([{ ...row, takes: '1080p50 1080p59.94 720p50', maxMHz: '165', sound: '2' }])).toEqual({
      ok: true,
      ports: {
        in: {
          title: 'In',
          dir: 'in',
          carries: 'hdmi',
          connector: 'hdmi-a',
          maxMHz: 165,
          sound: 2,
          takes: [
            { raster: '1920x1080', scan: 'p', rates: ['50/1', '60000/1001'] },
            { raster: '1280x720', scan: 'p', rates: ['50/1'] },
          ],
        },
      },
    })
  })
  it.each([
    [{ ...row, port: 'In 1' }, 'port'],
    [{ ...row, port: 'constructor' }, 'port'],
    [{ ...row, title: ' ' }, 'title'],
    [{ ...row, dir: 'both' }, 'dir'],
    [{ ...row, carries: 'light' }, 'carries'],
    [{ ...row, connector: 'round' }, 'connector'],
    [{ ...row, number: '1.5' }, 'number'],
    [{ ...row, maxMHz: 'many' }, 'maxMHz'],
    [{ ...row, classes: '3G 5G' }, 'classes'],
    [{ ...row, takes: '1080p51' }, 'takes'],
    [{ ...row, makes: 'all' }, 'makes'],
    [{ ...row, feeds: 'everything' }, 'feeds'],
    [{ ...row, sound: '-1' }, 'sound'],
  ])('tells the cell that is wrong: %j', (bad, column) => {
    expect(portsOfRows([row, { ...bad, ...(bad.port === 'in' ? { port: 'other' } : {}) }])).toMatchObject({
      ok: false,
      problem: { row: 2, column },
    })
  })
  it('has each port once', () =>
    expect(portsOfRows([row, row])).toMatchObject({
      ok: false,
      problem: { row: 2, column: 'port', allowed: 'each port once' },
    }))
})
