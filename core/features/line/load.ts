import type { DeviceNode, Traced } from '#core/chain'
import { own, showMinutes } from '#core/document'
import { fact } from '#core/kernel'
import { runsTo } from '#core/propose'
import { frameMs, raster } from '#core/signal'
import type { Destination, Uplink } from './collection'
import { encodersOf } from './encoders'

/** What goes out beside the pictures: packets, repeats. */
export const OVERHEAD = 1.1
/** So much more must be there than is sent: usual, and cautious. */
export const HEADROOM = { usual: 1.5, cautious: 2 } as const
/** Sound of a stream, Mb/s (typical). */
export const AUDIO_MBPS = 0.16
/** From so many samples on the fifth percentile counts, below it the least. */
export const ENOUGH_SAMPLES = 20

/** Video of a stream in H.264, Mb/s (typical), by the picture that is sent. */
export function typicalMbps(height: number, perSecond: number): number {
  if (height > 1080) return 15
  if (height > 720) return perSecond > 30.5 ? 8 : 5
  return perSecond > 30.5 ? 4.5 : 3
}

/** What counts of what was measured, Mb/s: the fifth percentile by nearest rank, of few samples the least; undefined without any. */
export function countedMbps(samples: readonly number[] | undefined): number | undefined {
  if (!samples?.length) return undefined
  const sorted = [...samples].sort((a, b) => a - b)
  return samples.length < ENOUGH_SAMPLES ? sorted[0]! : sorted[Math.max(0, Math.ceil(0.05 * samples.length) - 1)]!
}

/** One stream that an encoder sends. */
export interface Sending {
  /** The entry of the plan; absent, it is taken that the encoder has one destination at the typical rate. */
  readonly destination?: string
  readonly title: string
  /** What the encoder sends for it, Mb/s; 0 where another passes it on. */
  readonly mbps: number
  readonly by?: string
}

export interface EncoderLoad {
  readonly device: string
  readonly name: string
  readonly sending: readonly Sending[]
  readonly mbps: number
  /** Uplinks that it is to send over. */
  readonly over: readonly string[]
}

export interface LineLoad {
  readonly id: string
  readonly uplink: Uplink
  readonly encoders: readonly EncoderLoad[]
  /** All that is sent, with its overhead, Mb/s. */
  readonly sentMbps: number
  /** What must be there, Mb/s. */
  readonly needMbps: number
  readonly countedMbps: number | undefined
  /** Of the show, GB of 10^9 byte; undefined without times. */
  readonly volumeGB: number | undefined
}

export interface Lines {
  readonly encoders: readonly EncoderLoad[]
  readonly lines: readonly LineLoad[]
  readonly headroom: number
}

/** Another destination gets it from the encoder and passes it on, straight or by others; a circle of them gets nothing. */
function isPassedOn({ plan }: Traced, id: string): boolean {
  const seen = new Set([id])
  let by = plan.destinations[id]!.by
  if (by === undefined) return false
  while (by !== undefined) {
    const next: Destination | undefined = own(plan.destinations, by)
    if (!next || seen.has(by)) return false
    seen.add(by)
    by = next.by
  }
  return true
}

function sendingOf(traced: Traced, { id, model }: DeviceNode): Sending[] {
  const said = Object.entries(traced.plan.destinations)
    .filter(([, { encoder }]) => encoder === id)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([destination, one]: [string, Destination]): Sending => {
      const by = isPassedOn(traced, destination) ? one.by : undefined
      return {
        destination,
        title: one.title,
        mbps: by === undefined ? one.videoMbps + (one.audioMbps ?? AUDIO_MBPS) : 0,
        ...(by === undefined ? {} : { by }),
      }
    })
  if (said.length > 0) return said
  const format = runsTo(traced, id)
    .find(({ lit }) => lit)
    ?.links.at(-1)?.signal?.format
  if (!format || model.kind !== 'encoder') return []
  const mbps = typicalMbps(raster(format.raster).height, 1000 / frameMs(format.rate)) + AUDIO_MBPS
  return [{ title: 'one destination, typically', mbps }]
}

const linesFact = fact<Traced, Lines>('uplinks', traced => {
  const { plan } = traced
  const encoders = encodersOf(traced).map((node): EncoderLoad => {
    const sending = sendingOf(traced, node)
    return {
      device: node.id,
      name: node.device.name,
      sending,
      mbps: sending.reduce((sum, { mbps }) => sum + mbps, 0),
      over: Object.entries(plan.uplinks).flatMap(([id, one]) => (own(one.encoders, node.id) ? [id] : [])),
    }
  })
  const headroom = HEADROOM[plan.brief.headroom ?? 'usual']
  const minutes = showMinutes(plan.brief)
  const lines = Object.entries(plan.uplinks)
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id, uplink]): LineLoad => {
      const mine = encoders.filter(({ over }) => over.includes(id))
      const sentMbps = mine.reduce((sum, { mbps }) => sum + mbps, 0) * OVERHEAD
      return {
        id,
        uplink,
        encoders: mine,
        sentMbps,
        needMbps: sentMbps * headroom,
        countedMbps: countedMbps(uplink.samples),
        volumeGB: minutes === undefined ? undefined : (sentMbps * minutes * 60) / 8000,
      }
    })
  return { encoders, lines, headroom }
})

/** Every uplink with what is sent over it. */
export const linesOf = (traced: Traced): Lines => traced.ask(linesFact)
