import type { CableModel } from '#core/cable'
import { type Delay, mixOf, portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Run,
  type Socket,
  type WireTrace,
  delayMs,
  gathers,
  lengthOf,
  openingOf,
  socketName,
} from '#core/chain'
import { own } from '#core/document'
import type { Finding } from '#core/kernel'
import type { Checked } from '#core/propose'
import { formatLabel } from '#core/signal'
import { type Units, figure, lengthText, msText } from '#core/words'

/** What somebody sees or hears that should not be so. */
export const SYMPTOMS = {
  'black': 'no picture',
  'sparkles': 'sparkles, dots or drop-outs',
  'rolling': 'a rolling, torn or combed picture',
  'small': 'a picture that does not fill the frame',
  'silent': 'no sound',
  'late': 'lips late or early',
  'one-sided': 'sound on one side only',
  'uncontrolled': 'picture but no control',
  'two-tallies': 'two tallies lit at once',
  'stuck-clip': 'a clip that does not play',
  'washed': 'a flat, grey or crushed picture',
} as const
export type Symptom = keyof typeof SYMPTOMS

/** One thing that would explain a symptom. */
export interface Cause {
  readonly what: string
  /** Hops from where the symptom is seen: 0 is the place itself. */
  readonly far: number
  /** A hazard or darkness of the plan; risks and quality faults of it stand next, then what can only be found on the spot. */
  readonly certain: boolean
  /** What in this plan speaks for it; absent where it is as likely as in any plan. */
  readonly because?: string
  /** The quickest way to know. */
  readonly test: string
  readonly link?: string
  readonly device?: string
}

interface Weighed extends Cause {
  readonly weight: number
}

/** Where a symptom is seen: a device, or one of its inputs. */
export interface Spot {
  readonly device: string
  readonly port?: string
}

/**
 * The causes that this plan has for a symptom at a screen, a recorder or a switcher's input: first what the plan itself
 * says is wrong, then what is likely there, the nearest first among equals. The run is walked back from the spot;
 * behind a switcher the walk ends, with the test that tells on which side the fault lies. Linear in the run's hops.
 */
export function why(checked: Checked, spot: Spot, symptom: Symptom, units: Units = { length: 'm' }): Cause[] {
  const { traced } = checked
  const runs = traced.runs.filter(
    ({ end, beside }) => !beside && end?.device === spot.device && (spot.port === undefined || end.port === spot.port),
  )
  const causes: Weighed[] = checked.findings
    .filter(finding => concerns(finding, runs, spot) && explains(finding, symptom))
    .map(finding => ({
      what: checked.by.say(finding, units),
      far: 0,
      certain: 'HD'.includes(finding.severity),
      weight: 'HD'.includes(finding.severity) ? 100 : 50,
      test: 'The plan says so: take one of its remedies.',
      ...(finding.at.on === 'link'
        ? { link: finding.at.link }
        : finding.at.on === 'device'
          ? { device: finding.at.device }
          : {}),
    }))
  const node = traced.chain.nodes.get(spot.device)
  if (node && !gathers(node)) causes.push(...atSink(node.device.name, symptom, spot.device))
  if (node && gathers(node) && symptom === 'silent') causes.push(...atInputs(node, runs))
  if (symptom === 'one-sided') causes.push(...onOneSide(checked, runs))
  if (symptom === 'two-tallies') causes.push(...twoTallies(checked, runs))
  if (symptom === 'uncontrolled') causes.push(...withoutControl(checked, runs, spot))
  if (symptom === 'stuck-clip') causes.push(...stuckClip(checked, runs))
  for (const run of runs) {
    let far = 1
    for (const at of [...run.links].reverse()) {
      causes.push(...onCable(traced, at, symptom, far++, units))
      const before = at.wire.from
      if (!before) break
      if (run.origin?.device !== before.node.id) causes.push(...inDevice(before, at, symptom, far++))
      else
        causes.push(
          ...(gathers(before.node)
            ? atSwitcher(checked, before, symptom, far++)
            : atSource(before, run, symptom, far++)),
        )
    }
  }
  return causes
    .sort((a, b) => b.weight - a.weight || a.far - b.far || (a.what < b.what ? -1 : 1))
    .map(({ weight: _, ...cause }) => cause)
}

function concerns({ run, at }: Finding, runs: readonly Run[], { device }: Spot): boolean {
  if (at.on === 'device' || at.on === 'sink')
    return at.device === device || runs.some(({ origin }) => origin?.device === at.device)
  if (at.on === 'port') return at.device === device
  return runs.some(({ id, links }) => id === run || (at.on === 'link' && links.some(({ wire }) => wire.id === at.link)))
}

/** Which rules speak of what somebody would see so. */
function explains({ id, severity }: Finding, symptom: Symptom): boolean {
  if (symptom === 'silent') return id.startsWith('A') && id !== 'A08'
  if (symptom === 'late') return id === 'A08'
  if (symptom === 'washed') return id === 'F09' || id === 'F19'
  if (symptom === 'small') return id === 'F12' || id === 'E04' || id === 'F11'
  if (symptom === 'uncontrolled') return id === 'C17' || id === 'L03' || id === 'L04'
  if (symptom === 'one-sided' || symptom === 'two-tallies' || symptom === 'stuck-clip') return false
  if (id.startsWith('A') || id.startsWith('R') || id.startsWith('C1'))
    return severity === 'D' && symptom === 'black' && !id.startsWith('A')
  if (symptom === 'sparkles') return id.startsWith('L')
  if (symptom === 'rolling') return /^F0[1-3]$|^F14$|^F16$/.test(id)
  return symptom === 'black' && (severity === 'D' || severity === 'H' || id.startsWith('L'))
}

const told = (far: number, weight: number, device: string, what: string, test: string, because?: string): Weighed => ({
  what,
  far,
  certain: false,
  test,
  device,
  weight,
  ...(because ? { because } : {}),
})

/** Sound of one channel in a plug for two, and what else fills one side alone. */
function onOneSide({ traced }: Checked, runs: readonly Run[]): Weighed[] {
  const { chain } = traced
  const switchers = new Set(runs.flatMap(({ origin, end }) => [origin?.device, end?.device]))
  const mono = [...chain.wires.values()].flatMap(({ from, to }): Weighed[] =>
    from?.port?.carries === 'sound' &&
    to?.port &&
    from.port.sound === 1 &&
    (to.port.sound ?? 0) > 1 &&
    switchers.has(to.node.id)
      ? [
          told(
            1,
            6,
            to.node.id,
            `${from.node.device.name} has one channel and fills one side of ${socketName(to)}.`,
            `Set ${to.node.device.name} to bring that input to both sides.`,
            'one channel goes into a plug for two',
          ),
        ]
      : [],
  )
  const plugs = [...switchers].flatMap(id =>
    id === undefined || !chain.nodes.has(id)
      ? []
      : [
          told(
            1,
            2,
            id,
            `A plug at ${chain.nodes.get(id)!.device.name} is only half in, or one side of its balance is down.`,
            'Push it home; listen left and right on headphones there.',
          ),
        ],
  )
  return [...mono, ...plugs]
}

/** In a chain each switcher lights its own tally, also while its program is not on air. */
function twoTallies({ traced }: Checked, runs: readonly Run[]): Weighed[] {
  const { chain } = traced
  const switcher = (id: string | undefined) => {
    const node = id === undefined ? undefined : chain.nodes.get(id)
    return node && gathers(node) ? node : undefined
  }
  const chained = traced.runs.flatMap(({ origin, end }): Weighed[] => {
    const [first, next] = [switcher(origin?.device), switcher(end?.device)]
    return first && next && first !== next
      ? [
          told(
            1,
            5,
            first.id,
            `${first.device.name} lights its own tally, whether or not ${next.device.name} has it on air.`,
            `Cut ${next.device.name} to another input: the light at ${first.device.name} should go out, and will not.`,
            `${first.device.name} feeds ${next.device.name}`,
          ),
        ]
      : []
  })
  const mixing = runs
    .flatMap(({ origin, end }) => [switcher(origin?.device), switcher(end?.device)])
    .filter(node => node !== undefined)
  return [
    ...chained,
    ...[...new Set(mixing)].map(node =>
      told(
        0,
        3,
        node.id,
        `${node.device.name} stands in the middle of a mix: both of its pictures are on air.`,
        'Drive the mix to its end.',
      ),
    ),
  ]
}

function withoutControl({ traced }: Checked, runs: readonly Run[], { device }: Spot): Weighed[] {
  const { chain } = traced
  const nodes = [...new Set([device, ...runs.flatMap(({ origin }) => origin?.device ?? [])])]
    .map(id => chain.nodes.get(id))
    .filter(node => node !== undefined)
  return nodes.flatMap((node): Weighed[] => {
    const ports = portsOf(node.model, 'in').filter(([, { carries }]) => carries === 'control')
    const plugged = ports.filter(([id]) => chain.entering.has(`${node.id}/${id}`))
    // What has a panel of its own needs no lead to be worked.
    const panel = mixOf(node.model)?.surfaces.some(({ kind }) => kind === 'panel')
    return (plugged.length ? plugged : panel ? [] : ports).map(([id, { title }]) =>
      chain.entering.has(`${node.id}/${id}`)
        ? told(
            1,
            3,
            node.id,
            `${node.device.name} has another address or protocol than its controller calls.`,
            `Read its address at ${node.device.name} and at the controller: picture and control go separate ways.`,
          )
        : told(
            1,
            5,
            node.id,
            `Nothing is plugged into ${node.device.name} ${title}.`,
            'Plug it in; the picture comes without it, control does not.',
            'no such cable is in the plan',
          ),
    )
  })
}

function stuckClip({ traced }: Checked, runs: readonly Run[]): Weighed[] {
  return runs.flatMap(({ origin, links }): Weighed[] => {
    const node = origin && traced.chain.nodes.get(origin.device)
    if (!node || (node.model.kind !== 'player' && node.model.kind !== 'computer')) return []
    const format = links[0]?.signal && formatLabel(links[0].signal.format)
    return [
      told(
        1,
        4,
        node.id,
        `The clip is in another format than ${format ?? 'the output'} of ${node.device.name}.`,
        'Play another clip that is known to be right.',
        `its output stands at ${format ?? 'no format'}`,
      ),
      told(
        1,
        3,
        node.id,
        `Another clip has taken the number that is called at ${node.device.name}.`,
        'Call it by hand from its list.',
      ),
      told(
        1,
        2,
        node.id,
        `${node.device.name} is still recording, or its medium is not in.`,
        'Look at its own screen.',
      ),
    ]
  })
}

function atSink(name: string, symptom: Symptom, device: string): Weighed[] {
  const one = (weight: number, what: string, test: string): Weighed[] => [
    { what, far: 0, certain: false, test, device, weight },
  ]
  if (symptom === 'black')
    return one(3, `${name} is set to another input.`, 'Press its input button until the right plug is named.')
  if (symptom === 'silent')
    return one(3, `${name} is turned down or mute.`, 'Look at its meter, or turn it up while somebody speaks.')
  if (symptom === 'small')
    return one(2, `${name} scales the picture itself.`, 'Set its picture size to full or one to one.')
  return []
}

/** Inputs of a switcher whose sound is not let in. */
function atInputs(node: DeviceNode, runs: readonly Run[]): Weighed[] {
  return runs.flatMap(({ end }): Weighed[] => {
    const socket = { node, portId: end!.port, port: own(node.model.ports, end!.port) }
    return socket.port?.sound && openingOf(socket) === 'shut'
      ? [
          {
            what: `The sound of ${socketName(socket)} is shut.`,
            far: 0,
            certain: false,
            weight: 6,
            because: 'set so in the plan',
            test: 'Open it, and look at its meter while somebody speaks.',
            device: node.id,
          },
        ]
      : []
  })
}

function onCable(
  { plan }: Checked['traced'],
  { wire, figures, beside }: WireTrace,
  symptom: Symptom,
  far: number,
  units: Units,
): Weighed[] {
  if (beside || (symptom !== 'black' && symptom !== 'sparkles')) return []
  const { link, from, to } = wire
  const lead = plan.leads[link.cable] as CableModel
  const used = figures?.used ?? 0
  const joints = (link.couplers ?? 0) + Math.max(0, (lengthOf(lead, link).pieces?.length ?? 1) - 1)
  const adapters = Object.keys(link.adapters ?? {}).length
  const small = [from, to].some(socket => socket?.port && /hdmi-[cd]|usb-c/.test(socket.port.connector))
  const speaks = [
    ...(used >= 0.5 && figures?.reachM !== undefined
      ? [`${figure(used * 100, 0)}\u00A0% of its reach of ${lengthText(Math.floor(figures.reachM), units)} is used`]
      : []),
    ...(joints ? [`${joints} joint${joints > 1 ? 's' : ''} on the way`] : []),
    ...(adapters ? ['an adapter at its end'] : []),
    ...(small ? ['a small plug that slips'] : []),
  ]
  const ends = `${from ? socketName(from) : 'a loose end'} to ${to ? socketName(to) : 'a loose end'}`
  const weight =
    symptom === 'sparkles'
      ? 1 + used * 4 + joints + adapters + (small ? 1 : 0)
      : 1.5 + used + joints * 0.4 + adapters * 0.6 + (small ? 0.6 : 0)
  return [
    {
      what:
        symptom === 'sparkles'
          ? `The ${lead.title} from ${ends} is at its limit or damaged.`
          : `The ${lead.title} from ${ends} sits loose or is broken.`,
      far,
      certain: false,
      link: wire.id,
      weight,
      ...(speaks.length ? { because: speaks.join(', ') } : {}),
      test:
        symptom === 'sparkles'
          ? 'Put a short lead in its place, or set the source to a lower rate for a moment: if it clears, it is the length.'
          : 'Push both plugs home, then put in a lead that has just worked.',
    },
  ]
}

function inDevice({ node }: Socket, after: WireTrace, symptom: Symptom, far: number): Weighed[] {
  const { name } = node.device
  const cause = (weight: number, what: string, test: string, because?: string): Weighed[] => [
    { what, far, certain: false, test, device: node.id, weight, ...(because ? { because } : {}) },
  ]
  if (symptom === 'black')
    return node.model.supply === 'none'
      ? []
      : cause(
          node.model.supply === 'mains' ? 2 : 2.6,
          `${name} has no power.`,
          'Is its lamp lit? Give it a supply of its own.',
          node.model.supply === 'mains'
            ? undefined
            : `it lives on ${node.model.supply === 'usb' ? 'USB' : 'a battery'}`,
        )
  if (symptom === 'rolling')
    return node.model.paths.some(({ format }) => format === 'port')
      ? cause(
          3,
          `${name} is set to another format.`,
          `Read its setting: it must make ${after.signal ? formatLabel(after.signal.format) : 'the standard'}.`,
        )
      : cause(1.5, `${name} does not hold the format.`, 'Leave it out for a moment, with a short lead in its place.')
  if (symptom === 'small' && (node.model.kind === 'converter' || node.model.kind === 'scaler'))
    return cause(
      2,
      `${name} does not pass the whole frame.`,
      'Look at the source on a screen of its own: if it fills that, it is the converter.',
    )
  if (symptom === 'silent')
    return node.model.paths.some(({ sound }) => sound === 'drops')
      ? cause(
          5,
          `${name} drops the sound beside the picture.`,
          'Listen behind it with a screen or headphones.',
          'its model says so',
        )
      : []
  if (symptom === 'late') return delayed(node.id, name, node.model.paths[0]?.delay, after, far)
  return []
}

function delayed(
  device: string,
  name: string,
  delay: Delay | undefined,
  { signal }: WireTrace,
  far: number,
): Weighed[] {
  const ms = signal ? delayMs(delay, signal.format).typ : 0
  return ms < 1
    ? []
    : [
        {
          what: `${name} delays the picture by ${msText(ms)}.`,
          far,
          certain: false,
          device,
          weight: 1 + ms / 20,
          because: 'its data sheet says so',
          test: 'Clap in front of the camera, once with it and once without.',
        },
      ]
}

function atSwitcher({ traced }: Checked, { node, portId, port }: Socket, symptom: Symptom, far: number): Weighed[] {
  const { name } = node.device
  const cause = (weight: number, what: string, test: string, because?: string): Weighed => ({
    what,
    far,
    certain: false,
    test,
    device: node.id,
    weight,
    ...(because ? { because } : {}),
  })
  const feed = own(node.device.ports, portId)?.feed ?? port?.feeds?.[0]
  if (symptom === 'black') {
    return [
      cause(
        2.4,
        `${name} has nothing on air.`,
        `Cut to a picture that ${name}\u2019s multiview shows: if it comes there and not here, the fault lies between.`,
      ),
      ...((port?.feeds?.length ?? 0) > 1
        ? [
            cause(
              2.2,
              `${socketName({ node, portId, port })} is pointed at something else.`,
              `Read its setting: it must be ${feed}.`,
              `it can carry ${port!.feeds!.join(', ')}`,
            ),
          ]
        : []),
    ]
  }
  if (symptom === 'silent') {
    const follows = portsOf(node.model, 'in')
      .filter(([id]) => own(node.device.ports, id)?.sound === 'follows')
      .map(([, { title }]) => title)
    const plugs = [...traced.sound.arriving.keys()].filter(
      key => key.startsWith(`${node.id}/`) && node.model.ports[key.split('/')[1]!]?.carries === 'sound',
    )
    return [
      ...(follows.length
        ? [
            cause(
              3.5,
              `The sound of ${follows.join(', ')} is open only while its picture is on air.`,
              'Cut to that picture: if the sound comes, set it to open for good.',
              'set so in the plan',
            ),
          ]
        : []),
      ...(plugs.length
        ? [
            cause(
              2.5,
              `Nothing comes out of what is plugged into ${name}.`,
              `Look at ${name}\u2019s meter of that plug while somebody speaks: if it stands still, look at the desk\u2019s fader and its output.`,
            ),
          ]
        : []),
      cause(2, `${name}\u2019s master is down.`, `Look at the master meter of ${name}.`),
    ]
  }
  if (symptom === 'late') {
    const held = portsOf(node.model, 'in').flatMap(([id, { title }]) =>
      own(node.device.ports, id)?.soundDelayMs
        ? [`${title} by ${msText(own(node.device.ports, id)!.soundDelayMs!)}`]
        : [],
    )
    return held.length
      ? [
          cause(
            2,
            `${name} holds sound back: ${held.join(', ')}.`,
            'Set it to nothing for a moment and clap.',
            'set so in the plan',
          ),
        ]
      : []
  }
  return []
}

function atSource({ node, portId }: Socket, run: Run, symptom: Symptom, far: number): Weighed[] {
  const { name } = node.device
  const { kind } = node.model
  const format = run.links[0]?.signal && formatLabel(run.links[0].signal.format)
  const cause = (weight: number, what: string, test: string, because?: string): Weighed => ({
    what,
    far,
    certain: false,
    test,
    device: node.id,
    weight,
    ...(because ? { because } : {}),
  })
  const chooses = kind === 'computer' || kind === 'phone' || kind === 'tablet'
  if (symptom === 'black') {
    return [
      cause(
        chooses ? 2 : 1.8,
        `${name} is off or asleep.`,
        chooses ? 'Wake it, and set its sleep to never.' : 'Look at its own screen or lamp.',
      ),
      ...(chooses
        ? [
            cause(
              2.8,
              `${name} has chosen another format than ${format ?? 'planned'}.`,
              `Read it in its display settings: it must be ${format ?? 'the standard'} exactly.`,
              'it chooses by itself',
            ),
          ]
        : []),
      ...(chooses || kind === 'player'
        ? [
            cause(
              1.6,
              `What ${name} plays is protected, and a switcher shows that black.`,
              'Show its plain desktop or a clip of your own: if that comes, take the content from somewhere else.',
            ),
          ]
        : []),
    ]
  }
  if (symptom === 'rolling')
    return [
      cause(
        chooses ? 3 : 2,
        `${name} does not send ${format ?? 'what is planned'}.`,
        `Read its output setting: it must be ${format ?? 'the standard'} exactly.`,
        chooses ? 'it chooses by itself' : undefined,
      ),
    ]
  if (symptom === 'small')
    return [
      cause(
        chooses ? 3 : 2,
        chooses
          ? `${name} scales its desktop, or stands upright.`
          : `${name} shows menus or a smaller picture on its output.`,
        chooses ? 'Set the desktop to the full size of the output, lying.' : 'Set its output to clean and full.',
      ),
    ]
  if (symptom === 'late') return delayed(node.id, name, node.model.delay, run.links[0]!, far)
  if (symptom === 'silent')
    return node.model.ports[portId]?.sound
      ? []
      : [cause(5, `${name} sends no sound beside its picture.`, 'Plug its sound in by itself.', 'its model has none')]
  return []
}
