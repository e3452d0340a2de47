import { MODELS } from '#core/catalog'
import { tracedOf } from '#core/chain'
import { hitMoments } from './moments'
import { describe, expect, it } from 'vitest'
import type { Plan } from '#core/document'
import { check } from '#core/features'
import { CLEAN } from '../../../testing/clean'
import { fmt, plan } from '../../../testing/plans'
import { type Loss, whatIf } from './loss'
import { singlePoints } from './facts'

/** Two cameras, a feeder with a computer, a splitter with two screens, a recorder whose picture goes on to a capture device. */
const hall = plan({
  devices: {
    cam: 'camera-studio-sdi 1080p50',
    wide: 'camera-studio-sdi 1080p50',
    pc: 'computer 1080p50',
    side: 'switcher-4-strict 1080p50',
    main: 'switcher-8-mixed 1080p50',
    split: 'splitter-hdmi',
    left: 'screen',
    right: 'screen',
    rec: 'recorder-hdmi',
    cap: 'capture-hdmi',
  },
  links: {
    a: 'cam.sdi > main.in-5 coax-rg6 20',
    b: 'wide.sdi > main.in-6 coax-rg6 20',
    c: 'pc.hdmi-1 > side.in-1 hdmi-passive 2',
    up: 'side.out-1 > main.in-1 hdmi-passive 1',
    s: 'main.out-3 > split.in hdmi-passive 1',
    l: 'split.out-1 > left.in hdmi-passive 3',
    r: 'split.out-2 > right.in hdmi-passive 3',
    k: 'main.out-4 > rec.in hdmi-passive 1',
    on: 'rec.loop > cap.in hdmi-passive 1',
  },
  kit: {
    screens: { kind: 'model', id: 'screen', owned: 3 },
    splitters: { kind: 'model', id: 'splitter-hdmi', owned: 1 },
  },
})
// The third output's factory setting is multiview.
const checked = check({
  ...hall,
  devices: { ...hall.devices, main: { ...hall.devices.main!, ports: { 'out-3': { feed: 'program' } } } },
})
const dark = (loss: Loss) =>
  whatIf(checked, loss)
    .sinks.map(({ name }) => name)
    .sort()

/** A speech microphone at the desk, a camera that a joystick moves through a switch, and the projector on a circuit. */
const spoken = check(
  plan({
    devices: {
      cam: 'camera-ptz-hdmi 1080p50',
      mic: 'microphone-speech',
      desk: 'desk-8',
      joy: 'controller-joystick',
      hub: 'switch-control',
      main: 'switcher-8-mixed 1080p50',
      hall: 'projector',
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 5',
      m: 'mic.out > desk.in-1 xlr-lead 10',
      d: 'desk.main > main.sound-1 jack-lead 3',
      j: 'joy.network > hub.in control-network 2',
      k: 'hub.out-2 > cam.control control-network 20',
      p: 'main.out-3 > hall.in hdmi-passive 5',
      r: 'main.out-4 > rec.in hdmi-passive 1',
    },
    circuits: { stage: { title: 'Stage', order: 1, amps: 16, loads: { hall: true } } },
  }),
)

describe('what if', () => {
  it.each<[string, Loss, string[], string[], string[]]>([
    ['the desk', { of: 'device', id: 'desk' }, [], ['hall', 'rec'], []],
    ['the microphone’s lead', { of: 'link', id: 'm' }, [], ['hall', 'rec'], []],
    ['the joystick', { of: 'device', id: 'joy' }, [], [], ['cam']],
    ['the switch', { of: 'device', id: 'hub' }, [], [], ['cam']],
    ['the projector’s circuit', { of: 'circuit', id: 'stage' }, ['hall'], [], []],
    ['the camera, whose control goes with it', { of: 'device', id: 'cam' }, ['hall', 'rec'], [], []],
  ])('%s is lost: what is dark, silent and without control', (_, loss, sinks, silent, uncontrolled) => {
    const effect = whatIf(spoken, loss)
    expect({ ...effect, sinks: effect.sinks.map(({ name }) => name) }).toMatchObject({ sinks, silent, uncontrolled })
  })
  it.each<[string, Loss, string[], string[]]>([
    ['the last switcher', { of: 'device', id: 'main' }, ['cap', 'left', 'rec', 'right'], ['cam', 'wide']], // the computer still reaches its feeder
    ['the splitter', { of: 'device', id: 'split' }, ['left', 'right'], []],
    ['the recorder, which passes its picture on', { of: 'device', id: 'rec' }, ['cap'], []],
    ['one leg of the splitter', { of: 'link', id: 'r' }, ['right'], []],
    ['a screen, which darkens nobody else', { of: 'device', id: 'left' }, [], []],
    ['a camera', { of: 'device', id: 'cam' }, [], ['cam']],
    ['the feeder', { of: 'device', id: 'side' }, [], ['pc']],
  ])('%s fails', (_, loss, sinks, sources) => {
    expect(dark(loss)).toEqual(sinks)
    expect([...whatIf(checked, loss).sources].sort()).toEqual(sources.sort())
  })
  it('counts screens that are lost with others as dark', () => {
    const written = plan({
      devices: {
        cam: { model: 'camera-box-hdmi', place: 'stage', ports: { hdmi: { format: fmt('1080p59.94') } } },
        main: { model: 'switcher-4-strict', place: 'desk', standard: fmt('1080p59.94') },
        left: { model: 'screen', place: 'hall' },
        right: { model: 'screen', place: 'hall' },
      },
      links: {
        a: 'cam.hdmi > main.in-1 hdmi-passive 3',
        l: 'main.out-1 > left.in hdmi-passive 3',
        r: 'main.out-2 > right.in hdmi-passive 3',
      },
    })
    const sinks = (loss: Loss) => whatIf(check(written), loss).sinks.map(({ name }) => name)
    expect(sinks({ of: 'place', id: 'hall' })).toEqual(['left', 'right'])
    expect(sinks({ of: 'power', id: 'mains' })).toEqual(['left', 'right'])
    expect(sinks({ of: 'device', id: 'left' })).toEqual([])
  })
  it('takes what hangs on a computer with it, and all radio at once', () => {
    const written = plan({
      devices: {
        cam: 'camera-box-hdmi 1080p59.94',
        two: 'camera-box-hdmi 1080p59.94',
        x: { model: 'radio-hdmi', air: { m: 15, channel: 1 } },
        y: { model: 'radio-hdmi', air: { m: 15, channel: 2 } },
        main: 'switcher-4-strict 1080p59.94',
        pc: 'computer 1080p59.94',
        cap: { model: 'capture-hdmi', in: 'pc' },
      },
      links: {
        a: 'cam.hdmi > x.in hdmi-passive 0',
        b: 'x.out > main.in-1 hdmi-passive 1',
        c: 'two.hdmi > y.in hdmi-passive 0',
        d: 'y.out > main.in-2 hdmi-passive 1',
        e: 'main.out-1 > cap.in hdmi-passive 1',
      },
    })
    expect(whatIf(check(written), { of: 'device', id: 'pc' }).sinks.map(({ device }) => device)).toEqual(['cap'])
    const { sinks, sources } = whatIf(check(written), { of: 'radio', id: 'radio' })
    expect([sinks.map(({ device }) => device), [...sources].sort()]).toEqual([['cap'], ['cam', 'two']])
  })
  it('says what can still be cut to, and who sees it', () => {
    expect(whatIf(checked, { of: 'device', id: 'side' }).still).toEqual([
      {
        switcher: 'main',
        name: 'main',
        sources: ['cam', 'wide'],
        sinks: expect.arrayContaining(['left', 'right', 'rec', 'cap']),
      },
    ])
    expect(whatIf(checked, { of: 'device', id: 'main' }).still).toEqual([])
  })
  it('takes a spare from the kit where one is idle', () => {
    // Three screens are owned and two are used; of splitters one is owned and used.
    expect(whatIf(checked, { of: 'device', id: 'left' })).toMatchObject({ spareMinor: 0, inKit: true })
    expect(whatIf(checked, { of: 'device', id: 'split' })).toMatchObject({
      spareMinor: hall.models['splitter-hdmi']!.priceMinor,
      inKit: false,
    })
  })
  it('ranks single points by the program that they darken, and groups those that darken the same', () => {
    const points = singlePoints(checked)
    expect(points.map(({ sinks, things }) => [sinks.length, things.map(({ loss }) => loss.id).sort()])).toEqual([
      [4, ['main']],
      [2, ['k']],
      [2, ['s', 'split']],
      [1, ['on', 'rec']],
      [1, ['l']],
      [1, ['r']],
    ])
  })
  it('throws on what the plan does not have', () => {
    expect(() => whatIf(checked, { of: 'device', id: 'gone' })).toThrow('no device gone')
    expect(() => whatIf(checked, { of: 'link', id: 'constructor' })).toThrow('no link constructor')
  })
})

/** Which sinks are reached, by nothing but links and the paths of models: right wherever every format fits. */
function reached({ devices, links, models }: Plan, lost: Loss): Set<string> {
  const lit = new Set<string>()
  // A capture goes with the computer that it hangs on.
  const gone = (device: string): boolean =>
    lost.of === 'device' && (lost.id === device || (devices[device]!.in !== undefined && gone(devices[device]!.in)))
  for (let grown = true; grown;) {
    const size = lit.size
    for (const [id, { from, to }] of Object.entries(links)) {
      if (!from || !to || (lost.of === 'link' && lost.id === id) || gone(from.device) || gone(to.device)) continue
      // A radio link gives nothing where its receiver is gone.
      const receiver = devices[from.device]!.ports?.[from.port]?.receiver
      if (receiver !== undefined && gone(receiver)) continue
      const model = models[devices[from.device]!.model]!
      const gives =
        model.role === 'source' ||
        (model.role === 'switcher' || model.kind === 'multiviewer'
          ? Object.entries(model.ports).some(
              ([port, { dir, carries }]) =>
                (devices[from.device]!.ports?.[from.port]?.feed !== 'input' ||
                  devices[from.device]!.ports?.[from.port]?.of === port) &&
                dir === 'in' &&
                carries !== 'sound' &&
                carries !== 'control' &&
                lit.has(`${from.device}/${port}`),
            )
          : model.paths.some(
              path =>
                path.to.includes(from.port) &&
                path.from.some(
                  port =>
                    lit.has(`${from.device}/${port}`) &&
                    // A matrix shows what its output is set to: where nothing is set, the input of the same number.
                    (path.format !== 'chosen' ||
                      (devices[from.device]!.ports?.[from.port]?.of ?? from.port.replace('out', 'in')) === port),
                ),
            ))
      if (gives) lit.add(`${to.device}/${to.port}`)
    }
    grown = lit.size > size
  }
  return new Set(
    [...lit].filter(key => {
      const { role, kind } = models[devices[key.split('/')[0]!]!.model]!
      // A recorder that plays as well is a source by its row.
      return role === 'sink' || kind === 'recorder'
    }),
  )
}

describe('in every clean plan', () => {
  it.each(Object.entries(CLEAN))('%s: each loss darkens what a walk along the links no longer reaches', (_, clean) => {
    const before = check(clean)
    const whole = reached(clean, { of: 'link', id: '' })
    const losses: Loss[] = [
      ...Object.keys(clean.devices).map((id): Loss => ({ of: 'device', id })),
      ...Object.keys(clean.links).map((id): Loss => ({ of: 'link', id })),
    ]
    for (const loss of losses) {
      const left = reached(clean, loss)
      const expected = [...whole].filter(
        key => !left.has(key) && !(loss.of === 'device' && key.startsWith(`${loss.id}/`)),
      )
      expect(
        whatIf(before, loss)
          .sinks.map(({ device, port }) => `${device}/${port}`)
          .sort(),
        `${loss.of} ${loss.id}`,
      ).toEqual(expected.sort())
    }
  })
})

describe('the moments of the show', () => {
  const show = plan({
    devices: {
      cam: 'camera-box-hdmi 1080p59.94',
      pc: 'computer 1080p59.94',
      mic: 'microphone-radio',
      main: 'switcher-4-strict 1080p59.94',
      hall: 'projector',
      rec: 'recorder-hdmi',
    },
    links: {
      a: 'cam.hdmi > main.in-1 hdmi-passive 2',
      b: 'pc.hdmi-1 > main.in-2 hdmi-passive 2',
      m: 'mic.out > main.sound mini-jack-lead 1',
      h: 'main.out-1 > hall.in hdmi-passive 2',
      r: 'main.out-2 > rec.in hdmi-passive 2',
    },
    wants: { hall: 'program', rec: { feed: 'program', sound: true } },
    overlays: { names: { title: 'Names', order: 1, kind: 'luma', fill: 'pc' } },
    segments: { talk: { title: 'Talk', order: 1, opens: 'wide' } },
    looks: {
      wide: { title: 'Wide', order: 1, program: { main: 'in-1' } },
      named: { title: 'Named', order: 2, keys: { main: { '1': 'names' } } },
      pages: { title: 'Pages', order: 3, program: { main: 'in-2' }, keys: { main: { '1': 'off' } } },
    },
    cues: {
      on: { segment: 'talk', title: 'Names', order: 1, look: 'named' },
      page: { segment: 'talk', title: 'Pages', order: 2, look: 'pages' },
    },
  })
  const told = (loss: Loss) => {
    const { of, hit } = hitMoments(tracedOf(show), loss)
    return [
      of,
      ...hit.map(
        ({ title, sinks }) =>
          `${title}: ${sinks.map(({ name, dark, without, silent }) => `${name} ${dark ? 'dark' : without.join()}${silent ? ' silent' : ''}`).join(', ')}`,
      ),
    ]
  }
  it('miss what the loss takes, one by one', () => {
    expect(told({ of: 'device', id: 'cam' })).toEqual([
      3,
      'opens: hall dark, rec dark',
      // The names lie over nothing.
      'Names: hall dark, rec dark',
    ])
    expect(told({ of: 'link', id: 'b' })).toEqual([3, 'Names: hall pc, rec pc', 'Pages: hall dark, rec dark'])
    expect(told({ of: 'device', id: 'mic' })).toEqual([
      3,
      'opens: rec  silent',
      'Names: rec  silent',
      'Pages: rec  silent',
    ])
    // Switcher, projector and recorder live on the mains: nobody sees anything, whatever they would show.
    expect(told({ of: 'power', id: 'mains' })).toEqual([
      3,
      ...['opens', 'Names', 'Pages'].map(at => `${at}: hall dark, rec dark silent`),
    ])
    // What is lost itself misses nothing.
    expect(told({ of: 'device', id: 'rec' })).toEqual([3])
  })
})

describe('an uninterruptible supply', () => {
  const kept = (keeps: { wh: number; mostW: number } | undefined, of: Loss) =>
    whatIf(
      check(
        plan({
          devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94', rec: 'recorder-hdmi' },
          links: { a: 'cam.hdmi > main.in-1 hdmi-passive 2', r: 'main.out-1 > rec.in hdmi-passive 2' },
          wants: { rec: 'program' },
          circuits: { wall: { title: 'Wall', order: 1, amps: 16 } },
          strips: {
            ups: { title: 'Supply', order: 1, circuit: 'wall', ...(keeps ? { keeps } : {}), loads: { main: true } },
            more: { title: 'Strip', order: 2, strip: 'ups', loads: { cam: true, rec: true } },
          },
        }),
      ),
      of,
    )
  const watts = ['camera-box-hdmi', 'switcher-4-strict', 'recorder-hdmi'].reduce(
    (sum, id) => sum + MODELS.get(id)!.watts,
    0,
  )
  it('keeps what hangs on it, by a strip of it too, for as long as its battery does', () => {
    for (const of of [
      { of: 'circuit', id: 'wall' },
      { of: 'power', id: 'mains' },
    ] as const) {
      expect(kept(undefined, of).sinks.map(({ device }) => device)).toEqual(['rec'])
      const held = kept({ wh: 200, mostW: 300 }, of)
      expect(held.sinks).toEqual([])
      // 200 Wh, four fifths of it usable, 0.85 of that after its own loss.
      expect(held.kept[0]).toMatchObject({ name: 'Supply' })
      expect(held.kept[0]!.minutes).toBeCloseTo(((200 * 0.8 * 0.85) / watts) * 60, 6)
      expect([...held.kept[0]!.devices].sort()).toEqual(
        ['cam', 'main', 'rec'].filter(id => id !== 'cam' || MODELS.get('camera-box-hdmi')!.supply === 'mains'),
      )
    }
  })
  it('keeps nothing where more hangs on it than it gives', () =>
    expect(kept({ wh: 200, mostW: watts - 1 }, { of: 'power', id: 'mains' })).toMatchObject({
      kept: [],
      sinks: [{ device: 'rec' }],
    }))
})
