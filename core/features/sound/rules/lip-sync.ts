import { portsOf } from '#core/catalog'
import {
  type DelayMs,
  type DeviceNode,
  type Traced,
  addDelay,
  delayMs,
  deviceName,
  isSwitcher,
  socketKey,
} from '#core/chain'
import type { Link, LinkEnd } from '#core/document'
import { delay, length, text } from '#core/kernel'
import {
  type CameraPicture,
  Draft,
  type Proposal,
  cameraPictures,
  heardFrom,
  isPlugged,
  pluggedSounds,
  rule,
  runFor,
} from '#core/propose'
import { listWords } from '#core/words'
import { timesOf } from '../../time/facts'
import { AIR_MS_PER_M, WINDOWS, windowOf } from '../facts'

export const lipSync = rule({
  code: 'A08',
  about: 'Sound and picture are apart by more than the window.',
  messages: {
    early: {
      severity: 'Q',
      says: 'At {stage} the pictures of the cameras come up to {error} after the sound; {window} allows {limit}.',
    },
    late: {
      severity: 'Q',
      says: 'At {stage} the sound comes up to {error} after the pictures of the cameras; {window} allows {limit}.',
    },
    mayEarly: {
      severity: 'R',
      says: 'At {stage} the pictures of the cameras may come up to {error} after the sound, where the pictures are as slow and the sound is as fast as they may be: nobody bears more than {limit} (ITU-R BT.1359-1).',
    },
    mayLate: {
      severity: 'R',
      says: 'At {stage} the sound may come up to {error} after the pictures of the cameras, where the pictures are as fast and the sound is as slow as they may be: nobody bears more than {limit} (ITU-R BT.1359-1).',
    },
    room: {
      severity: 'Q',
      says: 'At {sink} the picture of {camera} comes {error} after the voice in the room, which crosses {air} of air; {window} allows {limit}.',
    },
    beside: {
      severity: 'Q',
      says: 'At {stage} the sound of {camera} stays open beside {other}, whose picture comes {error} {way} it; {window} allows {limit}.',
    },
  },
  find: (traced, say) => [
    ...inRooms(traced).map(({ want, sink, run, cameras, errorMs, airM }) =>
      say(
        'room',
        { on: 'sink', want, device: sink },
        {
          sink: text(deviceName(traced, sink)),
          camera: text(listWords(cameras.map(id => deviceName(traced, id)))),
          error: delay(errorMs),
          air: length(airM),
          window: text(windowOf(traced).title),
          limit: delay(windowOf(traced).hi),
        },
        run,
      ),
    ),
    ...[...heardFrom(traced)].flatMap(([stage, wants]) => {
      if (!stage) return []
      const window = windowOf(traced)
      const at = { on: 'device', device: stage.id } as const
      const run = runFor(traced, wants[0]![1])?.id
      const words = { stage: text(stage.device.name), window: text(window.title) }
      const errors = errorRanges(traced, stage)
      const span = typicalOf(errors)
      // Where no delay of the sound serves all pictures, that is told.
      if (span && span.max - span.min > window.hi - window.lo && apartAt(traced, stage)) return []
      const range = farthestOf(errors)
      const borne = WINDOWS.bt1359
      if (range && (range.max > borne.hi || range.min < borne.lo)) {
        const early = range.max > borne.hi
        const limit = delay(early ? borne.hi : -borne.lo)
        const error = delay(early ? range.max : -range.min)
        return [say(early ? 'mayEarly' : 'mayLate', at, { ...words, error, limit }, run)]
      }
      if (span && (span.max > window.hi || span.min < window.lo)) {
        const early = span.max > window.hi
        return [
          say(
            early ? 'early' : 'late',
            at,
            {
              ...words,
              error: delay(early ? span.max : -span.min),
              limit: delay(early ? window.hi : -window.lo),
            },
            run,
          ),
        ]
      }
      const worst = besideOthers(traced, stage).find(({ error }) => error > window.hi || error < window.lo)
      if (!worst) return []
      const after = worst.error > 0
      return [
        say(
          'beside',
          at,
          {
            ...words,
            camera: text(worst.heard.camera.device.name),
            other: text(worst.seen.camera.device.name),
            error: delay(Math.abs(worst.error)),
            way: text(after ? 'after' : 'before'),
            limit: delay(after ? window.hi : -window.lo),
          },
          run,
        ),
      ]
    }),
  ],
  remedies: (traced, { at, says }) => {
    if (at.on === 'sink') return unlipped(traced, at.want)
    const stage = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
    if (!stage) return []
    const apart = heldPictures(traced, stage)
    return says === 'beside' ? [...closed(traced, stage), ...apart] : [...heldBack(traced, stage), ...apart]
  },
})

/**
 * How early the sound from plugs is against the cameras, ms: the least and the most at who hears it behind a switcher.
 * Typical figures, but what was measured by a clap counts in their place while its way stays.
 */
export function errorsAt(traced: Traced, stage: DeviceNode): Span | undefined {
  return typicalOf(errorRanges(traced, stage))
}

interface Span {
  readonly min: number
  readonly max: number
}
const spanOf = (
  all: readonly DelayMs[],
  least: (one: DelayMs) => number,
  most: (one: DelayMs) => number,
): Span | undefined => (all.length ? { min: Math.min(...all.map(least)), max: Math.max(...all.map(most)) } : undefined)

const typicalOf = (all: readonly DelayMs[]): Span | undefined =>
  spanOf(
    all,
    ({ typ }) => typ,
    ({ typ }) => typ,
  )
const farthestOf = (all: readonly DelayMs[]): Span | undefined =>
  spanOf(
    all,
    ({ min }) => min,
    ({ max }) => max,
  )

/** What was clapped of cameras at who hears them behind a switcher, while the ways stay. */
function clapsAt(traced: Traced, stage: DeviceNode): { source: string; sound: string; earlyMs: DelayMs }[] {
  // Without a clap nothing of it is worked out.
  return (Object.keys(traced.plan.measured).length > 0 ? timesOf(traced) : [])
    .filter(({ pictures }) => pictures[0]?.through.at(-1)?.device === stage.id)
    .flatMap(({ pictures, sounds, pairs }) =>
      pairs.flatMap(({ picture, sound, earlyMs, measured }) =>
        measured?.holds ? [{ source: pictures[picture]!.source, sound: sounds[sound]!.origin, earlyMs }] : [],
      ),
    )
}

/** Camera pictures at a switcher's outputs; what was clapped of one against a sound from a plug counts for it. */
function picturesAt(traced: Traced, stage: DeviceNode): CameraPicture[] {
  const claps = clapsAt(traced, stage)
  const mixed = traced.sound.mixes.get(stage.id)
  return cameraPictures(traced, stage).map(picture => {
    const clap = claps.find(({ source, sound }) => source === picture.camera.id && isPlugged(traced, sound))
    const heard = clap && mixed?.get(clap.sound)
    if (!heard) return picture
    const shift = { min: heard.typ, typ: heard.typ, max: heard.typ }
    const range = addDelay(clap.earlyMs, shift)
    return { ...picture, ms: range.typ, range }
  })
}

/** How early each sound from a plug is against each camera, for each listener, ms. */
function errorRanges(traced: Traced, stage: DeviceNode): DelayMs[] {
  const clapped = clapsAt(traced, stage)
  const sounds = [...(traced.sound.mixes.get(stage.id) ?? [])].filter(([origin]) => isPlugged(traced, origin))
  // Behind one switcher some hear it at once, and others across a hall.
  const airs = new Set((heardFrom(traced).get(stage) ?? []).map(([, { airM = 0 }]) => airM * AIR_MS_PER_M))
  return cameraPictures(traced, stage).flatMap(({ camera, range }) =>
    sounds.flatMap(([origin, heard]) => {
      const clap = clapped.find(({ source, sound }) => source === camera.id && sound === origin)
      if (clap) return [clap.earlyMs]
      return [...airs].map(air => ({
        min: range.min - heard.max - air,
        typ: range.typ - heard.typ - air,
        max: range.max - heard.min - air,
      }))
    }),
  )
}

/** As `errorsAt`, from where all is as fast as it may be to where all is as slow; a clap counts with its spread. */
function rangeAt(traced: Traced, stage: DeviceNode): Span | undefined {
  return farthestOf(errorRanges(traced, stage))
}

/** Camera pictures that are further apart than the window is wide, beside sound from plugs. */
export function apartAt(
  traced: Traced,
  stage: DeviceNode,
): { readonly slow: CameraPicture; readonly fast: CameraPicture; readonly apartMs: number } | undefined {
  const { lo, hi } = windowOf(traced)
  if (pluggedSounds(traced, stage).length === 0) return undefined
  const all = picturesAt(traced, stage).sort((a, b) => a.ms - b.ms)
  const [fast, slow] = [all[0], all.at(-1)]
  return fast && slow && slow.ms - fast.ms > hi - lo ? { slow, fast, apartMs: slow.ms - fast.ms } : undefined
}

/** How early the sound that comes with one camera is against the others, typically, ms; the worst first. */
function besideOthers(traced: Traced, stage: DeviceNode) {
  const all = cameraPictures(traced, stage)
  return all
    .flatMap(heard =>
      heard.open
        ? all
            .filter(({ camera }) => camera.id !== heard.camera.id)
            .map(seen => ({ heard, seen, error: seen.ms - heard.ms - heard.open!.heldMs }))
        : [],
    )
    .sort((a, b) => Math.abs(b.error) - Math.abs(a.error))
}

/**
 * One delay for every sound plug: the middle of the pictures less the middle of the window, in whole milliseconds; nearer
 * to its edge where else the slowest or the fastest would be beyond what is borne.
 */
function heldBack(traced: Traced, stage: DeviceNode): Proposal[] {
  const draft = new Draft(traced.plan)
  const ms = holdSound(traced, stage, errorsAt(traced, stage)!, draft, rangeAt(traced, stage))
  return [{ title: `Hold the sound at ${stage.device.name} back by ${ms} ms`, edits: draft.edits }]
}

/** Sets the delay of every sound plug for errors as they are or will be; gives that of the first, ms. */
function holdSound(traced: Traced, stage: DeviceNode, span: Span, draft: Draft, range?: Span): number {
  const { lo, hi } = windowOf(traced)
  const middle = Math.round((span.max + span.min) / 2 - (lo + hi) / 2)
  const borne = WINDOWS.bt1359
  const within = (least: number, most: number, ms: number): number => Math.min(most, Math.max(least, ms))
  const shift = range
    ? within(
        Math.ceil(span.max - hi),
        Math.floor(span.min - lo),
        within(Math.ceil(range.max - borne.hi), Math.floor(range.min - borne.lo), middle),
      )
    : middle
  const set = plugsInto(traced, stage).map(([{ id, device }, portId]) => {
    const now = device.ports?.[portId]?.soundDelayMs ?? 0
    const ms = Math.max(0, now + shift)
    draft.set(['devices', id, 'ports', portId, 'soundDelayMs'], ms === 0 ? undefined : ms)
    return ms
  })
  return set[0] ?? 0
}

/** Plugs by which sound comes into a switcher's mix: its own first, then those of the feeders before it. */
function plugsInto({ chain, sound }: Traced, stage: DeviceNode): [DeviceNode, string][] {
  const mixed = sound.mixes.get(stage.id)
  return [stage, ...[...chain.nodes.values()].filter(node => node !== stage && isSwitcher(node))].flatMap(node =>
    portsOf(node.model, 'in').flatMap(([portId, { carries }]): [DeviceNode, string][] => {
      const arriving = carries === 'sound' ? sound.arriving.get(socketKey(node.id, portId)) : undefined
      return arriving && [...arriving.keys()].some(origin => mixed?.has(origin)) ? [[node, portId]] : []
    }),
  )
}

/** Sound that is heard only with its own picture is never apart from it. */
function closed(traced: Traced, stage: DeviceNode): Proposal[] {
  const { lo, hi } = windowOf(traced)
  const inputs = [
    ...new Map(
      besideOthers(traced, stage)
        .filter(({ error }) => error > hi || error < lo)
        .map(({ heard }) => [heard.input, heard.camera.device.name]),
    ),
  ]
  const set = (to: 'follows' | 'shut') => {
    const draft = new Draft(traced.plan)
    for (const [input] of inputs)
      draft.set(['devices', stage.id, 'ports', input, 'sound'], to === 'shut' ? undefined : to)
    return draft.edits
  }
  const names = listWords(inputs.map(([, name]) => name))
  return [
    { title: `Let the sound of ${names} follow its picture`.slice(0, 120), edits: set('follows') },
    { title: `Shut the sound of ${names} at ${stage.device.name}`.slice(0, 120), edits: set('shut') },
  ]
}

const DELAY = 'delay-sdi'
/** More than this many in a row is no longer a remedy. */
const MOST_IN_A_ROW = 3

/** Where the pictures are further apart than the window is wide, no delay of sound serves all: the fast ones are held. */
export function heldPictures(traced: Traced, stage: DeviceNode): Proposal[] {
  const { lo, hi } = windowOf(traced)
  const byInput = new Map<string, CameraPicture[]>()
  for (const picture of picturesAt(traced, stage))
    byInput.set(picture.input, [...(byInput.get(picture.input) ?? []), picture])
  const all = [...byInput.values()].flat().map(({ ms }) => ms)
  const slowest = Math.max(...all)
  if (slowest - Math.min(...all) <= hi - lo) return []
  const draft = new Draft(traced.plan)
  const step = delayMs({ min: 2, typ: 2, max: 2, unit: 'frames' }, stage.standard!).typ
  const after: DelayMs[] = []
  const held: string[] = []
  for (const [input, pictures] of byInput) {
    const least = Math.min(...pictures.map(({ ms }) => ms))
    const boxes = least < slowest - (hi - lo) ? Math.ceil((slowest - (hi - lo) - least) / step) : 0
    after.push(
      ...pictures.map(({ range }) => addDelay(range, { min: boxes * step, typ: boxes * step, max: boxes * step })),
    )
    if (boxes === 0) continue
    const last = traced.runs
      .find(run => run.lit && run.end?.device === stage.id && run.end.port === input)
      ?.links.at(-1)
    if (
      !last ||
      boxes > MOST_IN_A_ROW ||
      last.wire.from?.port?.carries !== 'sdi' ||
      last.wire.to?.port?.carries !== 'sdi'
    )
      return []
    holdPicture(draft, last.wire.id, last.wire.link, pictures[0]!.camera.device.name, boxes)
    held.push(pictures[0]!.camera.device.name)
  }
  const sounds = pluggedSounds(traced, stage)
  const errors = after.flatMap(seen =>
    sounds.map(heard => ({ min: seen.min - heard.max, typ: seen.typ - heard.typ, max: seen.max - heard.min })),
  )
  const span = typicalOf(errors)
  if (span) holdSound(traced, stage, span, draft, farthestOf(errors))
  const sound = sounds.length > 0 ? ', and the sound with them' : ''
  return [{ title: `Hold ${listWords(held)} back by a frame delay${sound}`.slice(0, 120), edits: draft.edits }]
}

/** Frame delays in a row right before the input; the cable that is there leads to the first. */
function holdPicture(draft: Draft, id: string, link: Link, name: string, boxes: number): void {
  let from: LinkEnd | undefined
  for (let n = 0; n < boxes; n++) {
    const box = draft.device({
      model: draft.model(DELAY),
      name: `Frame delay${boxes > 1 ? ` ${n + 1}` : ''}, ${name}`.slice(0, 120),
      order: 0,
    })
    if (from) draft.connect({ from, to: { device: box, port: 'in' }, cable: draft.lead('coax-rg6'), pieces: [1] })
    else draft.move(id, 'to', { device: box, port: 'in' }, link.adapters?.to)
    from = { device: box, port: 'out' }
  }
  draft.connect({ from, to: link.to!, cable: draft.lead('coax-rg6'), pieces: [1] })
}

/** Rooms that hear who speaks by the air alone, and see them later than the window allows. */
function inRooms(traced: Traced) {
  const { hi } = windowOf(traced)
  return Object.entries(traced.plan.wants).flatMap(([want, { sink, silent, airM }]) => {
    if (!silent || airM === undefined) return []
    const seen = timesOf(traced).find(({ device, port }) => device === sink && port !== undefined)
    if (!seen) return []
    const late = seen.pairs.filter(({ sound, earlyMs }) => seen.sounds[sound]!.origin === sink && earlyMs.typ > hi)
    const cameras = [...new Set(late.map(({ picture }) => seen.pictures[picture]!.source))]
    if (cameras.length === 0) return []
    const errorMs = Math.max(...late.map(({ earlyMs }) => earlyMs.typ))
    return [{ want, sink, run: runFor(traced, traced.plan.wants[want]!)?.id, cameras, errorMs, airM }]
  })
}

/** Nobody sees a picture late in which no lips are seen. */
function unlipped(traced: Traced, want: string): Proposal[] {
  const one = inRooms(traced).find(found => found.want === want)
  if (!one) return []
  const draft = new Draft(traced.plan)
  for (const id of one.cameras) draft.set(['devices', id, 'noLips'], true)
  const names = listWords(one.cameras.map(id => deviceName(traced, id)))
  return [{ title: `Show no lips with ${names}: from afar, or from behind`.slice(0, 120), edits: draft.edits }]
}
