import { carriesPicture, isCamera, portsOf, isSink } from '#core/catalog'
import { type DelayMs, type DeviceNode, type Traced, addDelay, recordedInside } from '#core/chain'
import { type LinkEnd, own } from '#core/document'
import { fact } from '#core/kernel'
import { gateAt, momentsOf } from '#core/run'
import { frameMs } from '#core/signal'
import { AIR_MS_PER_M, windowOf } from '../sound/facts'
import { type Hop, type PictureWay, type SoundWay, picturesInside, picturesTo, soundsInside, soundsTo } from './hops'

/** A picture at a sink. */
export interface SyncPicture extends PictureWay {
  readonly name: string
  /** Lips are seen in it: it is held against the sound. */
  readonly lips: boolean
}

export interface SyncSound extends SoundWay {
  readonly name: string
}

/** A picture and a sound that are there together: positive, the sound comes early, ms. */
export interface SyncPair {
  /** Indices into the pictures and the sounds. */
  readonly picture: number
  readonly sound: number
  readonly earlyMs: DelayMs
  /** Segments in which both are there; empty, in a show without any. */
  readonly segments: readonly string[]
  readonly within: boolean
  /** Mark of both ways, models and formats: what is measured on them holds while it stays. */
  readonly mark: string
  readonly measured?: MeasuredPair
}

/** What was measured of a picture and a sound. */
export interface MeasuredPair {
  readonly id: string
  readonly claps: number
  /** With what is held back now. */
  readonly meanMs: number
  /** Between the earliest and the latest clap. */
  readonly spreadMs: number
  /** The way is still the one that was measured: the figure takes the place of the typical one. */
  readonly holds: boolean
}

/** What one delay line would best be set to. */
export interface BestDelay {
  readonly at: LinkEnd
  readonly sounds: readonly number[]
  readonly nowMs: number
  readonly bestMs: number
  /** The same where a model steps by frames of the standard. */
  readonly bestFrames: number
  /** With it every picture that is seen with the sound is within the window. */
  readonly serves: boolean
  /** The error that is left for each picture, ms: index of the picture, how early the sound is then. */
  readonly left: readonly { readonly picture: number; readonly earlyMs: number }[]
}

/** Pictures that no delay of sound brings together, and what would: those to be held, by frames of the standard. */
export interface Spread {
  readonly apartMs: number
  readonly windowMs: number
  readonly hold: readonly { readonly picture: number; readonly frames: number; readonly ms: number }[]
}

export interface SinkTime {
  readonly device: string
  readonly port: string | undefined
  readonly name: string
  readonly kind: string
  readonly standardFrameMs: number | undefined
  readonly pictures: readonly SyncPicture[]
  readonly sounds: readonly SyncSound[]
  readonly pairs: readonly SyncPair[]
  readonly best: readonly BestDelay[]
  readonly spread: Spread | undefined
  /** Pictures that are alike to a frame of the standard, the fastest group first: indices. */
  readonly groups: readonly (readonly number[])[]
  /** What whoever is beyond the network waits on top of it, ms; absent, nobody is. */
  readonly beyondMs?: DelayMs
}

/** Contribution, segmented delivery three segments long, and the player (typical). */
const STREAM_MS: DelayMs = { min: 6500, typ: 13_000, max: 20_000 }
/** The longest that a delay line of a switcher holds, ms. */
const MOST_HELD_MS = 2000

const byOrder = (a: DeviceNode, b: DeviceNode): number => a.device.order - b.device.order || (a.id < b.id ? -1 : 1)

const sinksFact = fact<Traced, readonly SinkTime[]>('delays at sinks', traced => {
  const { chain, plan } = traced
  const nodes = [...chain.nodes.values()].sort(byOrder)
  const sinks = nodes
    .filter(({ model }) => isSink(model))
    .flatMap(node =>
      portsOf(node.model, 'in')
        .filter(([, port]) => carriesPicture(port))
        .flatMap(([port]) => {
          const end = { device: node.id, port }
          const pictures = picturesTo(traced, end)
          return pictures.length ? [sinkTime(traced, node, port, pictures, soundsTo(traced, end))] : []
        }),
    )
  const inside = nodes
    .filter(node => Object.values(plan.wants).some(want => want.sink === node.id && recordedInside(chain, want)))
    .flatMap(node => {
      const pictures = picturesInside(traced, node)
      return pictures.length ? [sinkTime(traced, node, undefined, pictures, soundsInside(traced, node))] : []
    })
  return [...sinks, ...inside]
})

/** Every sink that a picture comes to, and every recorder inside a switcher that is wanted. Linear in sinks times ways. */
export const timesOf = (traced: Traced): readonly SinkTime[] => traced.ask(sinksFact)

function sinkName({ device, model }: DeviceNode, port: string | undefined): string {
  if (port === undefined) return `Inside ${device.name}`
  const several = portsOf(model, 'in').filter(([, one]) => carriesPicture(one)).length > 1
  return several ? `${device.name}, ${model.ports[port]!.title}` : device.name
}

/** What is said in the room where the cameras stand; a guest in a call and a film bring their own lips. */
const isOfTheRoom = ({ chain }: Traced, { origin }: SoundWay): boolean => {
  const { model } = chain.nodes.get(origin)!
  return model.role !== 'source' || isCamera(model)
}

function sinkTime(
  traced: Traced,
  node: DeviceNode,
  port: string | undefined,
  ways: readonly PictureWay[],
  heard: readonly SoundWay[],
): SinkTime {
  const { chain } = traced
  const named = (id: string): string => chain.nodes.get(id)!.device.name
  const pictures = ways
    .map((way): SyncPicture => {
      const { model, device } = chain.nodes.get(way.source)!
      return { ...way, name: device.name, lips: isCamera(model) && !device.noLips }
    })
    // A second plug of a graphic takes as long as the first, and no lips are in it.
    .filter(
      (one, i, all) =>
        one.lips || all.findIndex(({ source, total }) => source === one.source && total.typ === one.total.typ) === i,
    )
    .sort((a, b) => a.total.typ - b.total.typ || (a.source < b.source ? -1 : 1))
  const last = ways[0]?.through.at(-1)
  const standard = last && chain.nodes.get(last.device)!.standard
  const audible = port === undefined || (own(node.model.ports, port)?.sound ?? 0) > 0
  const want = Object.values(traced.plan.wants).find(({ sink, airM }) => sink === node.id && airM !== undefined)
  const air = port === undefined ? [] : crossing(node.id, want?.airM)
  // Where nothing is let out of the loudspeakers, who speaks in the room is heard there by the air alone.
  const aloud =
    want?.silent === true
      ? [{ ...through(UNAIDED, air), origin: node.id, name: 'The room itself' }]
      : audible
        ? heard.map((way): SyncSound => ({ ...through(way, air), name: named(way.origin) }))
        : []
  const sounds = aloud
    .filter(way => isEverOpen(traced, way))
    .sort((a, b) => Number(b.plugged) - Number(a.plugged) || (a.origin < b.origin ? -1 : 1))
  const pairs = pairsOf(traced, node.id, pictures, sounds)
  const stepMs = standard && frameMs(standard.rate)
  return {
    device: node.id,
    port,
    name: sinkName(node, port),
    kind: node.model.kind ?? node.model.role,
    standardFrameMs: stepMs,
    pictures,
    sounds,
    pairs,
    best: bestOf(traced, pictures, sounds, pairs, stepMs),
    spread: spreadOf(traced, pictures, sounds, pairs, stepMs),
    groups: groupsOf(pictures, stepMs),
    ...(node.model.kind === 'encoder' && port !== undefined && own(node.model.ports, port)?.carries !== 'network'
      ? { beyondMs: STREAM_MS }
      : {}),
  }
}

/** What the air adds between a loudspeaker and the ears. */
function crossing(device: string, airM: number | undefined): Hop[] {
  if (airM === undefined) return []
  const ms = airM * AIR_MS_PER_M
  return [{ device, does: 'crosses', delay: { min: ms, typ: ms, max: ms } }]
}

const through = <T extends SoundWay>(way: T, air: readonly Hop[]): T => ({
  ...way,
  hops: [...way.hops, ...air],
  total: air.reduce((all, { delay }) => addDelay(all, delay), way.total),
})

const UNAIDED: SoundWay = {
  origin: '',
  hops: [],
  total: { min: 0, typ: 0, max: 0 },
  through: [],
  plugged: true,
  holdAt: undefined,
  heldMs: 0,
}

/** The inputs on a sound's way in a moment: shut, or open with all pictures, or with the ones through these inputs alone. */
function gatesIn(traced: Traced, { through }: SoundWay, moment: ReturnType<typeof momentsOf>[number]) {
  const follows: LinkEnd[] = []
  for (const { device, port } of through) {
    const node = traced.chain.nodes.get(device)!
    const { opening } = gateAt(traced, moment.state, node, port)
    if (opening === 'shut') return undefined
    if (opening === 'follows') follows.push({ device, port })
  }
  return follows
}

const isEverOpen = (traced: Traced, way: SoundWay): boolean =>
  momentsOf(traced).some(moment => gatesIn(traced, way, moment) !== undefined)

const sameEnd = (a: LinkEnd, b: LinkEnd): boolean => a.device === b.device && a.port === b.port

/** Mark of a way: devices, what each does and adds, and the inputs that it goes through; what is held back is not in it. */
function markOf(traced: Traced, picture: PictureWay, sound: SoundWay): string {
  const told = [picture, sound].map(({ hops, through }) => [
    hops
      .filter(({ does }) => does !== 'holds')
      .map(({ device, does, delay }) => [device, traced.plan.devices[device]?.model, does, Math.round(delay.typ * 10)]),
    through.map(({ device, port }) => `${device}/${port}`),
  ])
  // FNV-1a, 32 bit.
  let hash = 0x811c9dc5
  for (const letter of JSON.stringify(told)) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193) >>> 0
  return hash.toString(16).padStart(8, '0')
}

function measuredOf(
  traced: Traced,
  sink: string,
  picture: SyncPicture,
  sound: SyncSound,
  mark: string,
): MeasuredPair | undefined {
  const all = Object.entries(traced.plan.measured)
    .filter(([, one]) => one.sink === sink && one.source === picture.source && one.sound === sound.origin)
    .sort(([, a], [, b]) => Number(b.on === mark) - Number(a.on === mark) || b.order - a.order)
  const [first] = all
  if (!first) return undefined
  const [id, { earlyMs, heldMs, on }] = first
  const mean = earlyMs.reduce((sum, ms) => sum + ms, 0) / earlyMs.length
  return {
    id,
    claps: earlyMs.length,
    meanMs: mean - (sound.heldMs - heldMs),
    spreadMs: Math.max(...earlyMs) - Math.min(...earlyMs),
    holds: on === mark,
  }
}

function pairsOf(
  traced: Traced,
  sink: string,
  pictures: readonly SyncPicture[],
  sounds: readonly SyncSound[],
): SyncPair[] {
  const { lo, hi } = windowOf(traced)
  const moments = momentsOf(traced)
  return pictures.flatMap((seen, picture) =>
    sounds.flatMap((heard, sound): SyncPair[] => {
      // Its own sound beside a picture cannot leave it.
      if (!seen.lips || !isOfTheRoom(traced, heard) || (heard.origin === seen.source && !heard.plugged)) return []
      const together = moments.filter(moment => {
        const follows = gatesIn(traced, heard, moment)
        const segment = moment.segment === undefined ? undefined : own(traced.plan.segments, moment.segment)
        const used = !segment?.sources || segment.sources.includes(seen.source)
        return used && follows !== undefined && follows.every(end => seen.through.some(one => sameEnd(one, end)))
      })
      if (together.length === 0) return []
      const mark = markOf(traced, seen, heard)
      const measured = measuredOf(traced, sink, seen, heard, mark)
      const earlyMs = measured?.holds
        ? {
            min: measured.meanMs - measured.spreadMs / 2,
            typ: measured.meanMs,
            max: measured.meanMs + measured.spreadMs / 2,
          }
        : {
            min: seen.total.min - heard.total.max,
            typ: seen.total.typ - heard.total.typ,
            max: seen.total.max - heard.total.min,
          }
      const segments = [...new Set(together.flatMap(({ segment }) => (segment === undefined ? [] : [segment])))]
      const within = earlyMs.typ <= hi && earlyMs.typ >= lo
      return [{ picture, sound, earlyMs, segments, within, mark, ...(measured ? { measured } : {}) }]
    }),
  )
}

/** d = (Pmax + Pmin) / 2 - S - (lo + hi) / 2 for the sounds at one delay line, in whole milliseconds from 0 to its longest. */
function bestOf(
  traced: Traced,
  pictures: readonly SyncPicture[],
  sounds: readonly SyncSound[],
  pairs: readonly SyncPair[],
  stepMs: number | undefined,
): BestDelay[] {
  const { lo, hi } = windowOf(traced)
  const lines = new Map<string, { at: LinkEnd; sounds: number[] }>()
  sounds.forEach(({ holdAt }, i) => {
    if (!holdAt) return
    const key = `${holdAt.device}/${holdAt.port}`
    const line = lines.get(key) ?? { at: holdAt, sounds: [] }
    line.sounds.push(i)
    lines.set(key, line)
  })
  return [...lines.values()].flatMap(({ at, sounds: here }): BestDelay[] => {
    const mine = pairs.filter(({ sound }) => here.includes(sound))
    if (mine.length === 0) return []
    const nowMs = sounds[here[0]!]!.heldMs
    // How early the sound would be without the line.
    const bare = mine.map(({ picture, earlyMs }) => ({ picture, earlyMs: earlyMs.typ + nowMs }))
    const [least, most] = [Math.min(...bare.map(one => one.earlyMs)), Math.max(...bare.map(one => one.earlyMs))]
    const wished = (most + least) / 2 - (lo + hi) / 2
    const bestMs = Math.min(MOST_HELD_MS, Math.max(0, Math.round(wished)))
    const byPicture = new Map<number, number>()
    for (const { picture, earlyMs } of bare) {
      const left = earlyMs - bestMs
      const worst = byPicture.get(picture)
      if (worst === undefined || Math.abs(left) > Math.abs(worst)) byPicture.set(picture, left)
    }
    return [
      {
        at,
        sounds: here,
        nowMs,
        bestMs,
        bestFrames: stepMs ? Math.max(0, Math.round(wished / stepMs)) : 0,
        serves: most - bestMs <= hi && least - bestMs >= lo,
        left: [...byPicture].map(([picture, earlyMs]) => ({ picture, earlyMs })),
      },
    ]
  })
}

/** Where the pictures are further apart than the window is wide: which to hold so that one delay of the sound serves all. */
function spreadOf(
  traced: Traced,
  pictures: readonly SyncPicture[],
  sounds: readonly SyncSound[],
  pairs: readonly SyncPair[],
  stepMs: number | undefined,
): Spread | undefined {
  const { lo, hi } = windowOf(traced)
  const held = new Set(pairs.filter(({ sound }) => sounds[sound]!.holdAt).map(({ picture }) => picture))
  const all = [...held].map(picture => ({ picture, typ: pictures[picture]!.total.typ }))
  if (all.length < 2 || !stepMs) return undefined
  const slowest = Math.max(...all.map(({ typ }) => typ))
  const apartMs = slowest - Math.min(...all.map(({ typ }) => typ))
  const windowMs = hi - lo
  if (apartMs <= windowMs) return undefined
  return {
    apartMs,
    windowMs,
    hold: all
      .filter(({ typ }) => slowest - typ > windowMs)
      .map(({ picture, typ }) => {
        const frames = Math.ceil((slowest - windowMs - typ) / stepMs)
        return { picture, frames, ms: frames * stepMs }
      }),
  }
}

/** Pictures in the order of their delay, parted where the next is more than a frame later. */
function groupsOf(pictures: readonly SyncPicture[], stepMs: number | undefined): number[][] {
  const groups: number[][] = []
  pictures.forEach(({ total }, i) => {
    const last = groups.at(-1)
    const first = last && pictures[last[0]!]!.total.typ
    if (last && first !== undefined && total.typ - first <= (stepMs ?? 20)) last.push(i)
    else groups.push([i])
  })
  return groups
}
