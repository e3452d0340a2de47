import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { type Plan, applyEdits, copiedDevice, openPlan, routeOf } from '#core/document'
import { check } from '#core/features'
import { receiverEdits, removalEdits } from '#core/propose'
import { fmt, plan } from '../../../testing/plans'
import { weightOf } from '../cost/weight'
import { lossesOf, whatIf } from '../continuity/loss'
import { circuitsFact } from './circuits'

const made = { ports: { hdmi: { format: fmt('1080p59.94') } } }
/** A camera on the floor by radio to the desk and to the hall, a receiver at each, 40 m and 60 m away. */
const twoEnds = (more: object = {}): Plan =>
  plan({
    brief: { mains: '230v-50hz' },
    devices: {
      cam: { model: 'camera-hand-hdmi', place: 'Floor', ...made },
      link: {
        model: 'radio-one-to-two',
        place: 'Floor',
        air: { m: 20 },
        ports: { 'out-1': { receiver: 'near' }, 'out-2': { receiver: 'far' } },
      },
      near: { model: 'radio-one-to-two-receiver', place: 'Desk' },
      far: { model: 'radio-one-to-two-receiver', place: 'Hall' },
      main: { model: 'switcher-4-strict', place: 'Desk', standard: fmt('1080p59.94') },
      scr: { model: 'screen', place: 'Hall' },
      seen: { model: 'screen', place: 'Desk' },
    },
    links: {
      a: 'cam.hdmi > link.in hdmi-passive 1 adapter-hdmi-micro',
      b: 'link.out-1 > main.in-1 hdmi-passive',
      c: 'link.out-2 > scr.in hdmi-passive',
      d: 'main.out-1 > seen.in hdmi-passive 2',
    },
    distances: { d: { between: ['Floor', 'Desk'], m: 40 }, h: { between: ['Floor', 'Hall'], m: 60 } },
    circuits: {
      desk: { title: 'Desk', order: 1, amps: 16, places: ['Desk'], loads: { main: true, near: true, seen: true } },
      hall: { title: 'Hall', order: 2, amps: 16, places: ['Hall'], loads: { far: true, scr: true } },
    },
    ...more,
  } as never)

describe('a radio link with its boxes at several places', () => {
  const traced = tracedOf(twoEnds())

  it('draws and weighs at each place what stands there', () => {
    // The catalogue: screen 90 W (130 at the most), receiver 4 W (7); the sender lives on its battery on the floor.
    expect(traced.ask(circuitsFact).circuits[1]).toMatchObject({ watts: 94, mostWatts: 137 })
    const { positions, known, of } = weightOf(traced)
    const at = Object.fromEntries(positions.map(one => [one.place, one]))
    // Camera 900 g and sender 600 g; a screen of 7500 g and a receiver of 500 g.
    expect([at.Floor!.grams, at.Hall!.grams]).toEqual([1500, 8000])
    // Seven boxes, and four cables or adapters are weighed apart.
    expect(of - known).toBe(0)
    const alone = twoEnds()
    const { near: _, ...devices } = alone.devices
    const without = weightOf(tracedOf({ ...alone, devices }))
    expect(without.of - without.known).toBe(1)
  })

  it('has its outputs where the receivers are, so that no cable is asked to go through the hall', () => {
    const at = (written: Plan, link: string) => routeOf(written, written.links[link]!)
    expect(at(twoEnds(), 'b')).toEqual({ m: 3, by: 'assumed' })
    const written = twoEnds()
    const { receiver: _, ...apart } = written.devices.link!.ports!['out-1']! as { receiver: string }
    const whole = { ...written.devices.link!, ports: { 'out-1': { ...apart, clean: true as const } } }
    // As one box on the floor its cable goes all the way.
    expect(at({ ...written, devices: { ...written.devices, link: whole } }, 'b')).toEqual({ m: 40, by: 'said' })
  })

  it.each([
    ['a receiver takes its output alone', { of: 'device', id: 'far' }, ['scr']],
    [
      'the circuit of a receiver that lives on USB takes only what is on the mains',
      { of: 'circuit', id: 'hall' },
      ['scr'],
    ],
    ['the place of a receiver takes its picture', { of: 'place', id: 'Desk' }, ['seen']],
    ['the sender takes both, and with them all that the switcher has', { of: 'device', id: 'link' }, ['scr', 'seen']],
  ] as const)('%s', (_, loss, dark) => {
    const fed = {
      desk: { title: 'Desk', order: 1, amps: 16, loads: { scr: true } },
      hall: { title: 'Hall', order: 2, amps: 16, loads: { far: true } },
    }
    expect(
      whatIf(check(twoEnds(loss.of === 'circuit' ? { circuits: fed } : {})), loss).sinks.map(({ device }) => device),
    ).toEqual(dark)
  })
  it('can fail at each end, as What if asks', () => {
    const asked = lossesOf(twoEnds()).flatMap(({ of, id }) => (of === 'device' ? [id] : []))
    expect(asked).toEqual(expect.arrayContaining(['link', 'near', 'far']))
    const mains = twoEnds({ circuits: {} })
    const models = { ...mains.models, far: { ...mains.models['radio-one-to-two-receiver']!, supply: 'mains' as const } }
    const devices = { ...mains.devices, far: { ...mains.devices.far!, model: 'far' } }
    const lost = whatIf(check({ ...mains, models, devices }), { of: 'power', id: 'mains' })
    expect(lost.sinks.map(({ device }) => device)).toContain('scr')
  })

  it('is put in with its receivers, each where its cable leads and on a circuit there, and taken out with them', () => {
    const written = twoEnds()
    const { near: _, far: __, ...devices } = written.devices
    const bare = {
      ...written,
      devices: { ...devices, link: { ...devices.link!, ports: undefined } },
    } as unknown as Plan
    const opened = openPlan(JSON.parse(JSON.stringify(bare)) as unknown)
    if (!opened.ok) throw new Error(JSON.stringify(opened.problem))
    const put = applyEdits(opened.value, receiverEdits(tracedOf(opened.value), 'link'))
    if (!put.ok) throw new Error(JSON.stringify(put.problem))
    const { ports } = put.value.plan.devices.link!
    const boxes = ['out-1', 'out-2'].map(port => ports![port]!.receiver!)
    expect(boxes.map(id => put.value.plan.devices[id]!.place)).toEqual(['Desk', 'Hall'])
    expect(Object.keys(put.value.plan.circuits.hall!.loads!)).toContain(boxes[1])
    expect(receiverEdits(tracedOf(put.value.plan), 'link')).toEqual([])
    // So is one whose row was copied into the plan when it was both boxes.
    const { receiver: ___, ...old } = opened.value.models['radio-one-to-two']!
    const before = { ...opened.value, models: { ...opened.value.models, 'radio-one-to-two': old } }
    expect(receiverEdits(tracedOf(before), 'link').filter(({ do: what }) => what === 'add').length).toBe(
      receiverEdits(tracedOf(opened.value), 'link').filter(({ do: what }) => what === 'add').length,
    )
    const out = applyEdits(put.value.plan, removalEdits(put.value.plan, 'link'))
    expect(out.ok && boxes.some(id => out.value.plan.devices[id])).toBe(false)
  })

  it('is copied with receivers of its own, without what may be there once', () => {
    const written = twoEnds()
    const named = { ...written.devices.link!, address: '10.0.0.5/24', controllerNumber: 4, call: 7, short: 'LNK' }
    let n = 0
    const { device, receivers } = copiedDevice(written, named, 'Second', name => `${name} ${n++}`)
    expect(receivers.map(([id, { name, place, model }]) => [id, name, place, model])).toEqual([
      ['Receiver of Second 0', 'Receiver of Second', 'Desk', 'radio-one-to-two-receiver'],
      ['Receiver of Second 1', 'Receiver of Second', 'Hall', 'radio-one-to-two-receiver'],
    ])
    expect(device).toEqual({
      model: 'radio-one-to-two',
      name: 'Second',
      order: named.order,
      place: 'Floor',
      air: { m: 20 },
      ports: { 'out-1': { receiver: 'Receiver of Second 0' }, 'out-2': { receiver: 'Receiver of Second 1' } },
    })
    // A receiver that is gone is not copied, and named by nobody.
    const { near: _, ...devices } = written.devices
    const alone = copiedDevice({ devices }, written.devices.link!, 'Third', name => name)
    expect([Object.keys(alone.device.ports!), alone.receivers.length]).toEqual([['out-2'], 1])
  })

  it.each([
    ['main', 'out-1', 'near', 'only outputs of radio links'],
    ['link', 'in', 'near', 'only outputs of radio links'],
    ['link', 'out-1', 'main', 'of the kind receiver'],
    ['link', 'out-1', 'far', 'that is not that of'],
  ])('is refused where it cannot be: %s %s by %s', (device, port, receiver, allowed) => {
    const at = ['devices', device, 'ports', port, 'receiver']
    const tried = applyEdits(twoEnds(), [{ do: 'set', at, value: receiver } as never])
    expect(!tried.ok && JSON.stringify(tried.problem)).toContain(allowed)
  })
})
