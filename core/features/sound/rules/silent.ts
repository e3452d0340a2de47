import { portsOf } from '#core/catalog'
import {
  type Traced,
  UNHEARD_DB,
  type DeviceNode,
  endName,
  gainOf,
  openingOf,
  socketKey,
  deviceName,
} from '#core/chain'
import { ghost, text } from '#core/kernel'
import { Draft, type Proposal, bringSound, embed, heardFrom, rule, runFor } from '#core/propose'
import type { SoundWay } from '#core/run'
import { listWords, dbText } from '#core/words'
import { answers, heardWords, nameOf, unsaid } from '../unsaid'
import { type Heard, heardIn, shutRiders } from '../ways'

export const silent = rule({
  code: 'A01',
  about: 'No sound path reaches a deliverable that is to be heard.',
  messages: {
    silent: { severity: 'D', says: 'No sound is open at {stage}, so {sinks} will be silent.' },
    turned: {
      severity: 'D',
      says: '{input} is turned down to {gain}: below {least} nothing is heard, so {sinks} will be silent.',
    },
    faint: {
      severity: 'D',
      says: 'What is open for {sink} is turned down on its way to {gain} in all: below {least} nothing is heard.',
    },
    lost: { severity: 'D', says: '{sink} is to be heard, and no sound gets there with its picture.' },
    moment: {
      severity: 'D',
      says: 'In {moment} nothing is open that is heard at {sinks}: it is silent there.',
    },
    unsaid: {
      severity: 'N',
      says: 'Nothing says whether {sinks} should be heard: with sound, or silent on purpose. As planned, {heard}.',
    },
  },
  find: (traced, say) => {
    const open = unsaid(traced)
    const asked =
      open.length === 0
        ? []
        : [
            ghost(
              'Sound',
              say(
                'unsaid',
                { on: 'show' },
                {
                  sinks: text(listWords(open.map(want => nameOf(traced, want)))),
                  heard: text(heardWords(traced, open)),
                },
              ),
            ),
          ]
    const mute = [...heardFrom(traced)].flatMap(([stage, wants]) => {
      const mute = wants.filter(([, { sink }]) => !traced.sound.heard.get(sink)?.size)
      if (mute.length === 0) return []
      const run = runFor(traced, mute[0]![1])?.id
      // Where a microphone comes by a camera whose input is shut, that is the cause.
      if (stage && shutRiders(traced).some(({ gate }) => gate.device === stage.id)) return []
      const names = listWords(mute.map(([, { sink }]) => traced.chain.nodes.get(sink)!.device.name))
      const down = stage && turnedDown(traced, stage)
      if (stage && down)
        return [
          say(
            'turned',
            { on: 'device', device: stage.id },
            {
              input: text(endName(traced, { device: stage.id, port: down })),
              gain: text(dbText(gainOf({ node: stage, portId: down }))),
              least: text(dbText(UNHEARD_DB)),
              sinks: text(names),
            },
            run,
          ),
        ]
      if (stage && !traced.sound.mixes.get(stage.id)?.size)
        return [
          say(
            'silent',
            { on: 'device', device: stage.id },
            { stage: text(stage.device.name), sinks: text(names) },
            run,
          ),
        ]
      return mute.map(([want, { sink }]) =>
        say(
          'lost',
          { on: 'sink', want, device: sink },
          { sink: text(traced.chain.nodes.get(sink)!.device.name) },
          runFor(traced, traced.plan.wants[want]!)?.id,
        ),
      )
    })
    const looks = silentLooks(traced).map(({ look, sinks }) =>
      say(
        'moment',
        { on: 'look', look },
        {
          moment: text(traced.plan.looks[look]!.title),
          sinks: text(listWords(sinks.map(id => traced.chain.nodes.get(id)!.device.name))),
        },
      ),
    )
    const quiet = faint(traced).map(({ want, sink, gainDb }) =>
      say(
        'faint',
        { on: 'sink', want, device: sink },
        { sink: text(deviceName(traced, sink)), gain: text(dbText(gainDb)), least: text(dbText(UNHEARD_DB)) },
        runFor(traced, traced.plan.wants[want]!)?.id,
      ),
    )
    return [...mute, ...quiet, ...looks, ...asked]
  },
  remedies: (traced, { at, says }) => {
    if (at.on === 'device' && says === 'turned') return turnedUp(traced, at.device)
    if (at.on === 'show') return answers(traced)
    if (at.on === 'look') return openedIn(traced, at.look)
    if (at.on === 'device')
      return [...bringSound(traced, traced.chain.nodes.get(at.device)!), ...giveUpAll(traced, at.device)]
    if (at.on !== 'sink') return []
    if (says === 'faint') return loudAgain(traced, at.device)
    const draft = new Draft(traced.plan)
    draft.set(['wants', at.want, 'sound'])
    return [
      ...embed(traced, at.device),
      {
        title: `Give up sound at ${traced.chain.nodes.get(at.device)!.device.name}`,
        edits: draft.edits,
        givesUp: true,
      },
    ]
  },
})

/** Sinks to be heard at which, in every moment, all that is open is too quiet for the gains of several inputs together. */
function faint(traced: Traced): { want: string; sink: string; gainDb: number; ways: readonly SoundWay[] }[] {
  return Object.entries(traced.plan.wants).flatMap(([want, { sink, sound }]) => {
    if (!sound || !traced.sound.heard.get(sink)?.size) return []
    const mine = heardIn(traced).filter(({ node }) => node.id === sink)
    const ways = mine.flatMap(heard => heard.ways).filter(({ gates }) => gates.every(({ open }) => open))
    if (ways.length === 0 || ways.some(({ open }) => open)) return []
    return [{ want, sink, gainDb: Math.max(...ways.map(way => way.gainDb)), ways }]
  })
}

/** Every input that turns down what is loudest there, as it comes. */
function loudAgain(traced: Traced, sink: string): Proposal[] {
  const found = faint(traced).find(one => one.sink === sink)
  const way = found?.ways.find(({ gainDb }) => gainDb === found.gainDb)
  const draft = new Draft(traced.plan)
  for (const { device, port, gainDb } of way?.gates ?? [])
    if (gainDb < 0) draft.set(['devices', device, 'ports', port, 'gainDb'])
  return draft.edits.length ? [{ title: 'Take it as it comes at every input on its way', edits: draft.edits }] : []
}

/** An input to which sound comes, which is open, and which is turned down until nobody hears it. */
const turnedDown = (traced: Traced, node: DeviceNode): string | undefined =>
  portsOf(node.model, 'in').find(
    ([portId, port]) =>
      port.sound &&
      openingOf({ node, portId, port }) !== 'shut' &&
      gainOf({ node, portId }) < UNHEARD_DB &&
      traced.sound.arriving.get(socketKey(node.id, portId))?.size,
  )?.[0]

function turnedUp(traced: Traced, device: string): Proposal[] {
  const port = turnedDown(traced, traced.chain.nodes.get(device)!)
  if (port === undefined) return []
  const draft = new Draft(traced.plan)
  draft.set(['devices', device, 'ports', port, 'gainDb'])
  return [
    { title: `Take ${endName(traced, { device, port })} as it comes`.slice(0, 120), edits: draft.edits },
    ...giveUpAll(traced, device),
  ]
}

function giveUpAll(traced: Traced, device: string) {
  const wants = [...heardFrom(traced)].flatMap(([stage, found]) => (stage?.id === device ? found : []))
  const draft = new Draft(traced.plan)
  for (const [id] of wants) draft.set(['wants', id, 'sound'])
  return [
    {
      title:
        `Give up sound at ${listWords(wants.map(([, { sink }]) => traced.chain.nodes.get(sink)!.device.name))}`.slice(
          0,
          120,
        ),
      edits: draft.edits,
      givesUp: true as const,
    },
  ]
}

/** Looks in which nothing is heard at a sink that is to be heard and hears something in other moments. */
function silentLooks(traced: Traced): { look: string; sinks: string[] }[] {
  const all = heardIn(traced).filter(({ want }) => want?.sound)
  const open = ({ ways }: Heard) => ways.some(way => way.open)
  const found = new Map<string, string[]>()
  for (const heard of all) {
    const { look } = heard.moment
    const elsewhere = all.some(other => other.node === heard.node && open(other))
    if (look === undefined || !elsewhere || open(heard)) continue
    const there = found.get(look) ?? []
    if (!there.includes(heard.node.id)) found.set(look, [...there, heard.node.id])
  }
  return [...found].map(([look, sinks]) => ({ look, sinks }))
}

/** What the look shuts is left open, or what follows another picture is opened in it. */
function openedIn(traced: Traced, look: string): Proposal[] {
  const heard = heardIn(traced).find(
    ({ moment, ways, want }) => want?.sound && moment.look === look && !ways.some(way => way.open),
  )
  const plugged = (way: SoundWay) => Number(traced.chain.nodes.get(way.origin)!.model.role === 'sound')
  const ways = (heard?.ways ?? []).toSorted((a, b) => plugged(b) - plugged(a))
  const offers = ways.map((way): Proposal => {
    const draft = new Draft(traced.plan)
    for (const { device, port, open } of way.gates)
      if (!open) draft.set(['looks', look, 'sound', device, port], 'fixed')
    const name = traced.chain.nodes.get(way.origin)!.device.name
    return { title: `Open the sound of ${name} in ${traced.plan.looks[look]!.title}`.slice(0, 120), edits: draft.edits }
  })
  return offers.slice(0, 3)
}
