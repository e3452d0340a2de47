import { describe, expect, it } from 'vitest'
import { MODELS } from '#core/catalog'
import { type Plan, applyEdits, emptyPlan } from '#core/document'
import { check } from '#core/features'
import { CLEAN } from '../../testing/clean'
import { FAULTY } from '../../testing/faulty'
import { fmt, plan } from '../../testing/plans'
import { sampled } from '../../testing/soak'
import { type Addition, additionEdits, removalEdits } from './addition'
import { type Changeable, choicesFor } from './choices'
import { seeded } from './draft'

const plans: [string, Plan][] = [
  ...Object.entries(CLEAN),
  ...FAULTY.map(({ name, plan: faulty }): [string, Plan] => [name, faulty]),
]

/** Every part of every run, and every free input. */
function partsOf(written: Plan): Changeable[] {
  const { traced } = check(written)
  const parts: Changeable[] = []
  for (const { wire } of traced.trace.wires.values()) {
    parts.push({ of: 'cable', link: wire.id }, { of: 'input', link: wire.id })
    if (wire.from?.port) parts.push({ of: 'output', device: wire.from.node.id, port: wire.from.portId, link: wire.id })
    if (wire.from?.node.model.role === 'way')
      parts.push({ of: 'device', device: wire.from.node.id, port: wire.from.portId })
  }
  for (const node of traced.chain.nodes.values()) {
    if (node.model.role === 'switcher')
      parts.push({ of: 'standard', device: node.id }, { of: 'free', device: node.id, port: 'in-4' })
    if (node.model.role === 'source')
      parts.push({ of: 'output', device: node.id, port: Object.keys(node.model.ports)[0]! })
  }
  return parts
}

describe('choices', () => {
  it.each(sampled(plans, 48))('in "%s" are what they say', (_, written) => {
    const checked = check(written)
    const before = new Set(checked.findings.map(({ key }) => key))
    for (const part of partsOf(written)) {
      const choices = choicesFor(checked, part)
      expect(choices.findLastIndex(({ fits }) => fits)).toBe(choices.filter(({ fits }) => fits).length - 1)
      for (const choice of choices) {
        const applied = applyEdits(written, choice.edits)
        if (!applied.ok) throw new Error(`${choice.title}: ${JSON.stringify(applied.problem)}`)
        const after = check(applied.value.plan)
        expect(choice.effect.after).toEqual(after.verdict)
        const grave = after.findings.some(({ key, severity }) => !before.has(key) && 'HDR'.includes(severity))
        expect(choice.fits, choice.title).toBe(!grave && after.verdict.arrive >= checked.verdict.arrive)
        expect(choice.reason === undefined, choice.title).toBe(choice.fits)
      }
    }
  })
  const titles = (written: Plan, part: Changeable) =>
    choicesFor(check(written), part).map(({ title, fits }) => `${fits ? '+' : '-'} ${title}`)
  it('list every format of a source', () => {
    expect(titles(CLEAN['one camera']!, { of: 'output', device: 'cam', port: 'hdmi', link: 'a' })).toEqual([
      '- Set cam to 1080p29.97',
      '- Set cam to 720p59.94',
    ])
  })
  it('list every cable that could be taken, with those that do not reach below', () => {
    const far = plan({
      devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
      links: { a: 'cam.hdmi > main.in-1 hdmi-optical 30' },
    })
    const found = titles(far, { of: 'cable', link: 'a' })
    expect(found).toContain('- Take Passive HDMI')
    expect(found).toContain('- Take Active HDMI')
    expect(found).toContain('+ Put in HDMI to SDI converter, SDI to HDMI converter, 40 m RG-59 size coax')
    expect(found).toContain('- Take the cable out')
  })
  it('offer inputs that are free and inputs to swap with', () => {
    const found = titles(CLEAN['a feeder']!, { of: 'input', link: 'a' })
    expect(found).toEqual(
      expect.arrayContaining([
        '+ Move it to side input 3',
        '+ Move it to side input 4',
        '+ Swap with side input 2 (two)',
      ]),
    )
  })
  it('do not take an input out of a promise: what is kept off the air may not change places', () => {
    expect(
      titles(CLEAN['a ring of switchers whose return is kept off the air']!, { of: 'input', link: 's' }),
    ).toContain('- Swap with a input 2 (b)')
  })
  it('connect what controls to what is controlled', () => {
    const found = titles(
      plan({
        devices: { ctl: 'computer-control', cam: 'camera-ptz-hdmi 1080p50', main: 'switcher-4-computer 1080p50' },
        links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2' },
      }),
      { of: 'output', device: 'ctl', port: 'network' },
    )
    expect(found).toEqual(['+ Connect it to cam Control (network)', '+ Connect it to main Control (network)'])
  })
  it('take a converter out where a cable does', () => {
    const near = plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        to: 'hdmi-to-sdi',
        back: 'sdi-to-hdmi',
        main: 'switcher-4-strict 1080p59.94',
      },
      links: {
        a: 'cam.hdmi > to.in hdmi-passive 0',
        b: 'to.out > back.in coax-rg6 2',
        c: 'back.out > main.in-1 hdmi-passive 0',
      },
    })
    expect(titles(near, { of: 'device', device: 'back', port: 'out' })[0]).toMatch(/^\+ In its place: /)
  })
  it('point an output elsewhere', () => {
    expect(
      titles({ ...CLEAN['a feeder']!, wants: {} }, { of: 'output', device: 'main', port: 'out-3', link: 's' }),
    ).toContain('+ Point it at program')
  })
  it('bring an unconnected source to a free input', () => {
    const waiting = plan({ devices: { cam: 'camera-box-hdmi 720p59.94', main: 'switcher-4-strict 1080p59.94' } })
    expect(titles(waiting, { of: 'free', device: 'main', port: 'in-2' })[0]).toBe(
      '+ Connect cam to main input 2 by Passive HDMI, set to 1080p59.94',
    )
  })
})

describe('additions', () => {
  const add = (written: Plan, addition: Addition, seed = 'x'): Plan => {
    const applied = applyEdits(written, additionEdits(written, addition, seeded(seed)))
    if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
    return applied.value.plan
  }
  const main = plan({ devices: { main: 'switcher-4-strict 1080p59.94' } })
  it.each([...MODELS.keys()].map(model => [model] as const))(
    '%s can be added to an empty plan and taken out again',
    model => {
      const with1 = add(emptyPlan('Empty'), { model, name: 'One', connect: 'next' })
      const [id] = Object.keys(with1.devices)
      const out = applyEdits(with1, removalEdits(with1, id!))
      expect(out.ok && [out.value.plan.devices, out.value.plan.links, out.value.plan.wants]).toEqual([{}, {}, {}])
    },
  )
  it.each<[string, Addition, number]>([
    [
      'a camera',
      { model: 'camera-box-hdmi', name: 'Camera', format: fmt('1080p59.94'), connect: 'next', routeM: 4 },
      1,
    ],
    [
      'a camera far away',
      { model: 'camera-box-hdmi', name: 'Camera', format: fmt('1080p59.94'), connect: 'next', routeM: 80 },
      1,
    ],
    [
      'a camera with a cable that does not reach',
      {
        model: 'camera-box-hdmi',
        name: 'Camera',
        format: fmt('1080p59.94'),
        connect: 'next',
        routeM: 22,
        cable: 'hdmi-passive',
      },
      0,
    ],
    [
      'an SDI camera',
      { model: 'camera-studio-sdi', name: 'Camera', format: fmt('1080p59.94'), connect: 'next', routeM: 50 },
      1,
    ],
    [
      'a phone',
      { model: 'phone', name: 'Phone', format: fmt('1080p59.94'), connect: { device: 'main', port: 'in-3' } },
      1,
    ],
    [
      'a camera in the mode that a format needs',
      { model: 'camera-hand-hdmi', name: 'Camera', format: fmt('2160p25'), connect: 'next', routeM: 2 },
      1,
    ],
    ['a camera that is not connected', { model: 'camera-box-hdmi', name: 'Camera' }, 0],
  ])('%s: pictures that arrive', (_, addition, arrive) => {
    expect(check(add(main, addition)).verdict).toMatchObject({ arrive, wanted: 1 })
  })
  it('fill the inputs one after the other, then stay unconnected', () => {
    let grown = main
    for (let i = 0; i < 5; i++)
      grown = add(
        grown,
        { model: 'camera-box-hdmi', name: `Camera ${i}`, format: fmt('1080p59.94'), connect: 'next', routeM: 2 },
        String(i),
      )
    expect(Object.values(grown.links).map(({ to }) => to?.port)).toEqual(['in-1', 'in-2', 'in-3', 'in-4'])
    expect(check(grown).verdict).toMatchObject({ arrive: 4, wanted: 5, D: 1 })
  })
  it('write down who must see what, and point the output at it', () => {
    const grown = add(
      add(main, { model: 'camera-box-hdmi', name: 'Camera', format: fmt('1080p59.94'), connect: 'next', routeM: 2 }),
      { model: 'screen', name: 'Side screen', feed: 'clean', connect: 'next', routeM: 2 },
    )
    expect(Object.values(grown.wants)).toEqual([{ sink: expect.stringMatching(/^side-screen-/), feed: 'clean' }])
    expect(grown.devices.main!.ports).toEqual({ 'out-2': { feed: 'clean' } })
    expect(check(grown).verdict).toMatchObject({ arrive: 2, wanted: 2 })
  })
})

describe('removals', () => {
  it.each(sampled(plans, 3))('of any device of "%s" leave a valid plan without it', (_, written) => {
    for (const id of Object.keys(written.devices)) {
      const applied = applyEdits(written, removalEdits(written, id))
      if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
      expect(applied.value.plan.devices).not.toHaveProperty([id])
    }
  })
  it('take along the devices on the way that served it alone, and no others', () => {
    const split = CLEAN['program through a splitter and a loop']!
    const gone = applyEdits(split, removalEdits(split, 'west'))
    expect(gone.ok && Object.keys(gone.value.plan.devices)).toEqual(['cam', 'main', 'split', 'rec', 'east'])
    const far = CLEAN['to SDI and back']!
    const alone = applyEdits(far, removalEdits(far, 'cam'))
    expect(alone.ok && Object.keys(alone.value.plan.devices)).toEqual(['main'])
  })
})

describe('inputs that move', () => {
  const show = plan({
    devices: {
      a: 'camera-box-hdmi 1080p59.94',
      b: 'camera-box-hdmi 1080p59.94',
      main: 'switcher-4-strict 1080p59.94',
      hall: 'projector',
    },
    links: {
      a: 'a.hdmi > main.in-1 hdmi-passive 2',
      b: 'b.hdmi > main.in-2 hdmi-passive 2',
      h: 'main.out-1 > hall.in hdmi-passive 3',
    },
    wants: { hall: 'program' },
    segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
    looks: {
      wide: { title: 'Wide', order: 1, program: { main: 'in-1' }, sound: { main: { 'in-1': 'fixed' } } },
      close: { title: 'Close', order: 2, program: { main: 'in-2' }, preview: { main: 'in-1' } },
    },
  })
  const after = (title: RegExp) => {
    const choice = choicesFor(check(show), { of: 'input', link: 'a' }).find(one => title.test(one.title))
    const applied = applyEdits(show, choice!.edits)
    if (!applied.ok) throw new Error(applied.problem.path)
    return applied.value.plan.looks
  }
  it('take along what looks say of them: the same picture is shown as before', () =>
    expect(after(/^Move it to main input 3/)).toMatchObject({
      wide: { program: { main: 'in-3' }, sound: { main: { 'in-3': 'fixed' } } },
      close: { program: { main: 'in-2' }, preview: { main: 'in-3' } },
    }))
  it('change places in the looks too where they are swapped', () =>
    expect(after(/^Swap with main input 2/)).toMatchObject({
      wide: { program: { main: 'in-2' }, sound: { main: { 'in-2': 'fixed' } } },
      close: { program: { main: 'in-1' }, preview: { main: 'in-2' } },
    }))
})
