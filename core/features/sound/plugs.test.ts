import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import type { Plan, PortSetting } from '#core/document'
import { cameraPictures, pluggedSounds } from '#core/propose'
import { fmt, plan } from '../../../testing/plans'
import { levelsApart, oneSided, phantomFaults, sampledOtherwise } from './plugs'

const hand = { model: 'camera-hand-hdmi', ports: { hdmi: { format: fmt('1080p59.94') } } } as const
const main = (ports: Record<string, PortSetting> = {}) => ({
  model: 'switcher-4-strict',
  standard: fmt('1080p59.94'),
  ...(Object.keys(ports).length ? { ports } : {}),
})
const camera = 'cam.hdmi > main.in-1 hdmi-passive 2 adapter-hdmi-micro'

describe('line levels', () => {
  /** The desk's jack into the line input of the mixed switcher; each side set as given. */
  const joined = (out: PortSetting | undefined) =>
    levelsApart(
      tracedOf(
        plan({
          devices: {
            desk: { model: 'desk-8', ...(out ? { ports: { main: out } } : {}) },
            main: 'switcher-8-mixed 1080p50',
            mic: 'microphone-speech',
          },
          links: { m: 'mic.out > desk.in-1 xlr-lead 1', d: 'desk.main > main.sound-1 jack-lead 3' },
        }),
      ),
    ).map(({ sentDbu, expectedDbu }) => [sentDbu, expectedDbu])
  it('agree from the factory on, and differ by 11.8 dB when the desk is set to the other', () => {
    expect(joined(undefined)).toEqual([])
    expect(joined({ nominalDbu: 4 })).toEqual([])
    expect(joined({ nominalDbu: -7.8 })).toEqual([[-7.8, 4]])
  })
  it('go through boxes that only balance, and are new behind one that lifts', () => {
    const through = (box: 'balance-box' | 'line-box') =>
      levelsApart(
        tracedOf(
          plan({
            devices: { music: 'player-music', box, main: 'switcher-8-mixed 1080p50' },
            links: { a: 'music.out > box.in mini-jack-lead 1', b: 'box.out > main.sound-1 xlr-jack-lead 3' },
          }),
        ),
      ).map(({ at }) => at.wire.id)
    expect(through('balance-box')).toEqual(['b'])
    expect(through('line-box')).toEqual([])
  })
  it('say nothing of a microphone: that is told as a level of its own', () => {
    const written = plan({
      devices: { mic: 'microphone-speech', main: 'switcher-8-mixed 1080p50' },
      links: { a: 'mic.out > main.sound-1 xlr-jack-lead 3' },
    })
    expect(levelsApart(tracedOf(written))).toEqual([])
  })
})

describe('phantom power', () => {
  const at = (microphone: string, input: PortSetting | undefined, desk = 'desk-8') =>
    phantomFaults(
      tracedOf(
        plan({
          devices: { mic: microphone, desk: { model: desk, ...(input ? { ports: { 'in-1': input } } : {}) } },
          links: { a: 'mic.out > desk.in-1 xlr-lead 1' },
        }),
      ),
    ).map(({ how, switched }) => [how, switched])
  it.each<[string, string, PortSetting | undefined, unknown[]]>([
    ['a condenser with it off', 'microphone-condenser', undefined, [['wanting', true]]],
    ['a condenser with it on', 'microphone-condenser', { phantom: true }, []],
    ['a moving coil with it on, which it does no harm', 'microphone-speech', { phantom: true }, []],
    ['a moving coil with it off', 'microphone-speech', undefined, []],
  ])('%s', (_, microphone, input, faults) => expect(at(microphone, input)).toEqual(faults))
  it('does not go through a transformer, neither to a microphone nor to a line', () => {
    const behind = (source: string, port: string, ports: Record<string, PortSetting>) =>
      phantomFaults(
        tracedOf(
          plan({
            devices: { source, iso: 'isolator-xlr', desk: { model: 'desk-8', ports } },
            links: { a: `source.${port} > iso.in xlr-lead 1`, b: 'iso.out > desk.in-1 xlr-lead 1' },
          }),
        ),
      ).map(({ how, plug, switched }) => [how, plug.node.id, switched])
    expect(behind('microphone-condenser', 'out', { 'in-1': { phantom: true } })).toEqual([['wanting', 'source', false]])
    expect(behind('desk-house', 'feed', { 'in-1': { phantom: true } })).toEqual([])
  })
})

describe('a camera with a socket', () => {
  const plugged = (ports: Record<string, PortSetting>, microphone = 'microphone-radio'): Plan =>
    plan({
      devices: { cam: hand, talk: microphone, main: main(ports), rec: 'recorder-hdmi' },
      links: {
        a: camera,
        m: 'talk.out > cam.microphone mini-jack-lead 1',
        r: 'main.out-1 > rec.in hdmi-passive 1',
      },
      wants: { rec: { feed: 'program', sound: true } },
    })
  it('sends what is plugged in, in the place of its own microphone', () => {
    const { sound } = tracedOf(plugged({ 'in-1': { sound: 'fixed' } }))
    expect([...sound.arriving.get('main/in-1')!.keys()]).toEqual(['talk'])
    expect([...sound.heard.get('rec')!.keys()]).toEqual(['talk'])
  })
  it('sends its own when the lead is gone', () => {
    const { m: _, ...links } = plugged({ 'in-1': { sound: 'fixed' } }).links
    const bare = { ...plugged({ 'in-1': { sound: 'fixed' } }), links }
    expect([...tracedOf(bare).sound.heard.get('rec')!.keys()]).toEqual(['cam'])
  })
  it('carries it with its picture: it is no sound of a plug, and is held against the other cameras', () => {
    const traced = tracedOf(plugged({ 'in-1': { sound: 'fixed' } }))
    const node = traced.chain.nodes.get('main')!
    expect(pluggedSounds(traced, node)).toEqual([])
    expect(cameraPictures(traced, node).map(({ open }) => open)).toEqual([{ heldMs: 0 }])
  })
  it('brings one side alone as far as the mixer, until that brings each to both', () => {
    const sided = (setting: PortSetting) =>
      oneSided(tracedOf(plugged({ 'in-1': setting }, 'microphone-radio-two'))).map(({ node, portId, how }) => [
        node.id,
        portId,
        how,
      ])
    // The recorder hears the mixer, which is no plug of one side.
    expect(sided({ sound: 'fixed' })).toEqual([['main', 'in-1', 'apart']])
    expect(sided({ sound: 'fixed', spread: true })).toEqual([])
    expect(sided({ sound: 'shut' })).toEqual([])
  })
})

describe('samples a second', () => {
  const sent = (soundHz: 44_100 | 48_000 | undefined, sound: 'fixed' | 'shut') =>
    sampledOtherwise(
      tracedOf(
        plan({
          devices: {
            pc: {
              model: 'computer',
              ports: { 'hdmi-1': { format: fmt('1080p59.94'), ...(soundHz ? { soundHz } : {}) } },
            },
            main: main({ 'in-1': { sound } }),
            rec: 'recorder-hdmi',
          },
          links: { a: 'pc.hdmi-1 > main.in-1 hdmi-passive 2', r: 'main.out-1 > rec.in hdmi-passive 1' },
        }),
      ),
    ).map(({ node, hz }) => [node.id, hz])
  it('are told where an open input takes another number', () => {
    expect(sent(44_100, 'fixed')).toEqual([['main', 44_100]])
    expect(sent(44_100, 'shut')).toEqual([])
    expect(sent(48_000, 'fixed')).toEqual([])
    expect(sent(undefined, 'fixed')).toEqual([])
  })
  it('are told at a recorder that a computer feeds straight', () => {
    const written = plan({
      devices: {
        pc: { model: 'computer', ports: { 'hdmi-1': { format: fmt('1080p59.94'), soundHz: 44_100 } } },
        rec: 'recorder-hdmi',
        scr: 'screen',
      },
      links: { a: 'pc.hdmi-1 > rec.in hdmi-passive 2', s: 'rec.loop > scr.in hdmi-passive 1' },
    })
    // Screens take both.
    expect(sampledOtherwise(tracedOf(written)).map(({ node }) => node.id)).toEqual(['rec'])
  })
})
