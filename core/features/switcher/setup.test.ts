import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { MODELS } from '#core/catalog'
import { openFile } from '#core/document'
import { fmt, plan } from '../../../testing/plans'
import { check } from '../index'
import { sheetOf, sheetsOf } from './setup'
import { stripsOf } from './strip'

const tracedOf = (...of: Parameters<typeof plan>) => check(plan(...of)).traced
const small = tracedOf({
  devices: {
    cam: 'camera-box-hdmi 1080p59.94',
    pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94') } } },
    main: {
      model: 'switcher-4-strict',
      standard: fmt('1080p59.94'),
      ports: { 'in-1': { label: 'Stage left wide' }, 'sound': { soundDelayMs: 40 }, 'out-2': { feed: 'clean' } },
    },
    hall: 'projector',
  },
  links: {
    a: 'cam.hdmi > main.in-1 hdmi-passive 5',
    b: 'pc.hdmi-1 > main.in-2 hdmi-passive 3',
    p: 'main.out-1 > hall.in hdmi-passive 2',
  },
  wants: { hall: 'program' },
})
const steps = (id: string) => sheetOf(small, small.chain.nodes.get(id)!).steps

describe('a set-up sheet', () => {
  it('goes in the order of the work: on, standard, names, outputs, sound, each input pressed, kept', () =>
    expect(steps('main').map(({ title, port, value }) => [title, port, value].filter(Boolean).join(' / '))).toEqual([
      'Switch on / 8\u00A0s until pictures pass',
      'Operating standard / 1080p59.94',
      'Label / HDMI in 1 / Stage left wide',
      'Carries / HDMI out 2 / clean',
      'Sound held back / Sound in (3.5 mm) / 40\u00A0ms',
      'Press each input in turn / every picture under its label',
      'Switch it off as it is to start / the first picture of the show on air',
      'Cover the key that resets / it puts back sound',
    ]))
  it('brings the first look back after power on as the unit starts, and tells what a reset key takes away', () => {
    const of = (model: string) => {
      const traced = tracedOf({
        devices: { cam: 'camera-box-hdmi 1080p50', main: `${model} 1080p50`, hall: 'projector' },
        links: { a: 'cam.hdmi > main.in-2 hdmi-passive 5', p: 'main.out-1 > hall.in hdmi-passive 2' },
        wants: { hall: 'program' },
        looks: {
          late: { title: 'Late', order: 2, program: { main: 'in-1' } },
          early: { title: 'Early', order: 1, program: { main: 'in-1' } },
          first: { title: 'Doors', order: 3, program: { main: 'in-2' } },
        },
        segments: {
          second: { title: 'Talk', order: 2, opens: 'late' },
          first: { title: 'Before', order: 1, opens: 'first' },
        },
      })
      return sheetOf(traced, traced.chain.nodes.get('main')!)
        .steps.filter(({ title }) => !['Operating standard', 'Switch on', 'Look', 'Sound', 'Carries'].includes(title))
        .map(({ title, value }) => `${title}: ${value}`)
        .filter(words => !words.startsWith('Press each') && !words.startsWith('Format'))
    }
    // Kept inside, its reset key among those that are pressed; the plain one that always starts alike has none.
    expect(of('switcher-8-hdmi')).toEqual([
      'Keep it as the state that it starts in: or as a file, with Doors: main input 2 on air',
      'Cover the key that resets: it puts back sound, key set-up and outputs',
    ])
    expect(of('switcher-4-fixed-rate')).toEqual(['After each start: Doors: main input 2 on air'])
  })
  it('says from where each can be done, and what a unit has no room for', () => {
    const at = (title: string) => steps('main').find(step => step.title === title)!
    // Its panel reaches the standard and the sound; names only a computer writes, in twelve letters.
    expect(at('Operating standard').where).toBe('at its panel')
    expect(at('Label')).toMatchObject({
      where: 'only from a computer',
      hint: 'It has room for 12 letters: Stage left w.',
      when: 'once',
    })
  })
  it('is there for every device on which something is set, and for no other', () => {
    expect(sheetsOf(small).map(({ device }) => device)).toEqual(['cam', 'pc', 'main'])
    expect(steps('hall')).toEqual([])
  })
  it('stands for every device of the demo that a setting was given to', () => {
    const opened = openFile(readFileSync('demo/harbour-robotics-cup.json', 'utf8'))
    if (!opened.ok) throw new Error(opened.problem.path)
    const { devices } = opened.value.plans.main!
    const sheets = new Set(sheetsOf(check(opened.value.plans.main!).traced).map(({ device }) => device))
    for (const [id, device] of Object.entries(devices))
      if (device.ports ?? device.standard ?? device.mode ?? device.shutter) expect(sheets, id).toContain(id)
  })
})

describe('a strip', () => {
  it('shows each input with what comes in, each output with who sees it, and the data sheet', () => {
    const [main] = stripsOf(small)
    expect(main!.inputs.map(({ number, from, label, lit }) => [number, from, label, lit])).toEqual([
      [1, 'cam', 'Stage left wide', true],
      [2, 'pc', undefined, true],
      [3, undefined, undefined, false],
      [4, undefined, undefined, false],
      [undefined, undefined, undefined, false],
    ])
    expect(main!.outputs.map(({ feed, to }) => [feed, to])).toEqual([
      ['program', ['hall']],
      ['clean', []],
    ])
    expect(main!.inputs.filter(({ inset }) => inset).map(({ number }) => number)).toEqual([1])
  })
})

describe('what a switcher can do', () => {
  const switchers = [...MODELS].filter(([, { standards }]) => standards?.length)
  it.each(switchers)('%s: keys agree with their number, and every act is reached from somewhere', (_, model) => {
    const mix = model.mix!
    expect(mix.keyers.length).toBe(model.keyers)
    const reached = new Set(mix.surfaces.flatMap(({ reaches }) => reaches))
    const needed = [
      'cut',
      'transition',
      ...(mix.keyers.length ? ['key'] : []),
      ...(mix.stills ? ['stills'] : []),
      ...(mix.macros ? ['macros'] : []),
    ]
    for (const act of needed) expect(reached, act).toContain(act)
    // A name of no letters is none; a still that is there takes time to load.
    expect(mix.shortName).toBeLessThanOrEqual(mix.longName)
    expect(mix.stills > 0).toBe(mix.stillFrames > 0)
  })
  it('is told of fifteen rows or more', () => expect(switchers.length).toBeGreaterThanOrEqual(15))
})
