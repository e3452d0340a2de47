import { describe, expect, it } from 'vitest'
import { type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { formatLabel } from '#core/signal'
import { fmt, plan } from '../../testing/plans'
import { copyRun, copyTargets } from './copy'
import { seeded } from './draft'
import { entryEdits, readEntry } from './entry'

const two = plan({
  devices: {
    main: { model: 'switcher-8-mixed', name: 'Main', standard: fmt('1080p50') },
    side: { model: 'switcher-4-strict', name: 'Side hall', standard: fmt('1080p50') },
    cam: { model: 'camera-studio-sdi', name: 'Gallery', ports: { sdi: { format: fmt('1080p50') } } },
  },
  links: { a: 'cam.sdi > main.in-5 coax-rg6 30' },
})
const read = (line: string, on: Plan = two) => readEntry(on, line)
const made = (line: string, on: Plan = two) => {
  const found = read(line, on)
  if (!found.ok) throw new Error(found.problem.what)
  const applied = applyEdits(on, entryEdits(on, found.value, seeded('entry')))
  if (!applied.ok) throw new Error(applied.problem.path)
  return applied.value.plan
}

describe('a line that adds devices', () => {
  it.each([
    ['slides: office laptop to main 4', 'Slides', 'laptop-office', undefined],
    ['2x Referees, court two: studio camera to main 6-7', 'Referees, court two', 'camera-studio-sdi', undefined],
    ['grandma\u2019s laptop 12 m to main 4', 'Grandma\u2019s laptop', 'laptop', 12],
    ['laptop 30 ft to main 4', 'Laptop', 'laptop', 9.144],
  ])('%s: is called %s', (line, name, model, routeM) => {
    const found = read(line)
    if (!found.ok) throw new Error(found.problem.what)
    expect(found.value.additions[0]).toMatchObject({ model, name })
    expect(found.value.additions[0]!.routeM).toBe(routeM)
  })
  it.each([
    ['2x studio cam SDI 1080p50 45m to main 6-7', 2, 'camera-studio-sdi', ['Main/in-6', 'Main/in-7'], '1080p50', 45],
    ['studio camera to main 8', 1, 'camera-studio-sdi', ['Main/in-8'], '1080p50', undefined],
    [
      '3\u00D7 laptop 10ft to side hall 1,2,4',
      3,
      'laptop',
      ['Side hall/in-1', 'Side hall/in-2', 'Side hall/in-4'],
      '1080p50',
      3.048,
    ],
    ['ptz cam SDI HDMI 1080i50 22,5m to Main 7', 1, 'camera-ptz', ['Main/in-7'], '1080i50', 22.5],
  ] as const)('%s', (line, count, model, places, format, routeM) => {
    const found = read(line)
    if (!found.ok) throw new Error(found.problem.what)
    const { additions } = found.value
    expect(additions).toHaveLength(count)
    for (const [i, addition] of additions.entries()) {
      expect(addition.model).toBe(model)
      expect(formatLabel(addition.format!)).toBe(format)
      const { device, port } = addition.connect as { device: string; port: string }
      expect(`${two.devices[device]!.name}/${port}`).toBe(places[i])
      if (routeM === undefined) expect(addition.routeM).toBeUndefined()
      else expect(addition.routeM).toBeCloseTo(routeM, 9)
    }
    expect(new Set(additions.map(({ name }) => name)).size).toBe(count)
  })
  it('lays what it says: two cameras, each by 50 m of coax for its 45 m, arrive', () => {
    const after = check(made('2x studio cam 1080p50 45m to main 6-7'))
    expect(after.verdict).toMatchObject({ arrive: 3, wanted: 3, D: 0 })
    const runs = after.traced.runs.filter(({ end }) => end?.port === 'in-6' || end?.port === 'in-7')
    expect(runs.map(({ links }) => links.at(-1)!.figures!.lengthM)).toEqual([50, 50])
  })
  it('leads a screen from an output, and wants its feed', () => {
    const after = made('projector, HDMI program 3m from main 4 as Hall west')
    const [id] = Object.entries(after.devices).find(([, { name }]) => name === 'Hall west')!
    expect(Object.values(after.wants)).toEqual([{ sink: id, feed: 'program' }])
    expect(Object.values(after.links).some(({ from, to }) => from?.port === 'out-4' && to?.device === id)).toBe(true)
    expect(check(after).verdict).toMatchObject({ arrive: 2, wanted: 2 })
  })
  it('takes the cable that is named, whether it reaches or not', () => {
    const after = made('studio camera 90m by miniature to main 8')
    expect(Object.values(after.links).map(({ cable }) => cable)).toContain('coax-miniature')
    expect(check(after).findings.map(({ id }) => id)).toEqual(['L02'])
  })
  it.each([
    ['', 0, 'What is it?'],
    ['40x studio camera', 0, 'From 1 to 24'],
    ['2x box cam SDI 45m', 11, 'Nothing in the catalogue goes on with "SDI".'],
    ['studio camera 2160p50', 14, 'has no 2160p50'],
    ['studio camera 1080p51', 14, 'No standard has this format'],
    ['studio camera to gallery', 17, 'No switcher is called so. There is Main, Side hall.'],
    ['studio camera to main 5', 22, 'Main input 5 is taken by Gallery.'],
    ['studio camera to main 9', 22, 'Main has no input 9.'],
    ['2x studio camera to main 6', 25, '1 inputs for 2 devices.'],
    ['studio camera from main 2', 14, 'leads "to" a switcher'],
    ['studio camera program', 14, 'Only what shows or takes a picture'],
    ['studio camera 45m quickly', 18, 'Not understood here'],
    ['studio camera by rope to main', 17, 'No cable for it is called so'],
    ['studio camera as', 16, 'A name comes behind'],
  ])('"%s" is wrong at %d', (line, from, words) => {
    const found = read(line)
    expect(found.ok).toBe(false)
    if (found.ok) return
    expect(found.problem.from).toBe(from)
    expect(found.problem.what).toContain(words)
  })
  it('says where a switcher is missing', () =>
    expect(read('laptop to main 1', plan({ devices: {} }))).toMatchObject({
      ok: false,
      problem: { what: 'There is no switcher yet.' },
    }))
})

describe('a run laid again', () => {
  const many = plan({
    devices: {
      main: 'switcher-8-mixed 1080p50',
      one: 'camera-ptz 1080p50',
      conv: 'hdmi-to-sdi',
      two: { model: 'camera-ptz' },
      three: { model: 'camera-ptz' },
      pad: { model: 'tablet-drawing' },
      four: { model: 'camera-ptz' },
      five: { model: 'camera-ptz' },
    },
    links: { a: 'one.hdmi > conv.in hdmi-passive 1', b: 'conv.out > main.in-5 coax-rg6 40' },
  })
  it('could be laid for idle sources with the same plug', () =>
    expect(copyTargets(check(many).traced, 'b').map(({ id }) => id)).toEqual(['two', 'three', 'four', 'five']))
  it('has the same devices, cables and ways, into the next inputs', () => {
    const before = check(many)
    const copied = copyRun(before.traced, 'b', ['two', 'three'])!
    const applied = applyEdits(many, copied.edits)
    if (!applied.ok) throw new Error(applied.problem.path)
    const after = check(applied.value.plan)
    const runs = after.traced.runs.filter(({ origin }) => origin?.device === 'two' || origin?.device === 'three')
    expect(
      runs.map(({ end, lit, links }) => [end!.port, lit, links.map(({ wire: { link } }) => [link.cable, link.routeM])]),
    ).toEqual([
      [
        'in-7',
        true,
        [
          ['hdmi-passive', 1],
          ['coax-rg6', 40],
        ],
      ],
      [
        'in-6',
        true,
        [
          ['hdmi-passive', 1],
          ['coax-rg6', 40],
        ],
      ],
    ])
    expect(after.verdict.arrive).toBe(before.verdict.arrive + 2)
  })
  it('is not laid where the inputs do not suffice', () => {
    // Inputs 6, 7 and 8 take SDI.
    expect(copyRun(check(many).traced, 'b', ['two', 'three', 'four'])).toBeDefined()
    expect(copyRun(check(many).traced, 'b', ['two', 'three', 'four', 'five'])).toBeUndefined()
    expect(copyRun(check(many).traced, 'gone', ['two'])).toBeUndefined()
  })
})
