import { carriesPicture, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, recordedInside } from '#core/chain'
import { own, showMinutes } from '#core/document'
import { fact } from '#core/kernel'
import { runsTo } from '#core/propose'
import { type VideoFormat, frameMs, raster } from '#core/signal'
import type { Medium, RecordCoding } from './collection'

/** Intra-coded pictures at 1080p29.97, Mb/s (typical); they scale with pixels times pictures a second. */
const INTRA_MBPS: Readonly<Record<Exclude<RecordCoding, 'long'>, number>> = {
  'intra-light': 102,
  'intra': 147,
  'intra-high': 220,
  'intra-alpha': 400,
}
/** Long groups of pictures at 1080 lines, high quality, Mb/s (typical): up to 30 pictures a second, and up to 60. */
const LONG_MBPS = { slow: 45, fast: 70 } as const
/** 48 kHz, 24 bit, stereo, Mb/s. */
const SOUND_MBPS = 2.3
/** A medium must take so many times the sum of all rates without pause. */
export const WRITE_MARGIN = 1.5
/** So much more time than planned must find room. */
export const ROOM_MARGIN = 1.3
/** Of what is written on a medium so much is there for files. */
export const ROOM_SHARE = 0.9
/** The largest file of FAT32, byte: 2^32 - 1. */
export const FAT32_BYTES = 4_294_967_295

const PIXELS_1080 = 1920 * 1080
const pictures = (format: VideoFormat): number => 1000 / frameMs(format.rate)

/** Data rate of one track with its sound, Mb/s. */
export function trackMbps(format: VideoFormat, coding: RecordCoding): number {
  const { width, height } = raster(format.raster)
  const size = (width * height) / PIXELS_1080
  const rate = pictures(format)
  if (coding === 'long') return (rate > 30.5 ? LONG_MBPS.fast : LONG_MBPS.slow) * size + SOUND_MBPS
  return INTRA_MBPS[coding] * size * (rate / (30_000 / 1001)) + SOUND_MBPS
}

/** A device that records in the show, with what it writes and where. */
export interface Recording {
  readonly device: string
  readonly name: string
  readonly coding: RecordCoding
  readonly format: VideoFormat
  /** Tracks written at once: program, and inputs by themselves. */
  readonly tracks: number
  readonly mbps: number
  /** What must be written without pause, MB/s, with the margin. */
  readonly needMBs: number
  /** What the planned time takes, GB of 10^9 byte, with the margin and what a medium keeps for itself; absent without times. */
  readonly needGB: number | undefined
  readonly minutes: number | undefined
  /** Largest file, byte: one track over the whole time. */
  readonly fileBytes: number | undefined
  readonly media: readonly (readonly [id: string, medium: Medium])[]
  readonly holdsGB: number
  /** How long what is there lasts, minutes; undefined without a medium. */
  readonly lastsMinutes: number | undefined
}

function tracksOf(traced: Traced, node: DeviceNode): { tracks: number; format: VideoFormat } | undefined {
  const { plan, chain, runs } = traced
  const wants = Object.values(plan.wants).filter(({ sink }) => sink === node.id)
  if (isSwitcher(node)) {
    const keeps = wants.some(want => recordedInside(chain, want))
    const lit = new Set(
      runs.filter(run => run.lit && !run.beside && run.end?.device === node.id).map(run => run.end!.port),
    )
    const isolated = plan.brief.isolated ? Math.min(node.model.isolates ?? 0, lit.size) : 0
    return (keeps || isolated > 0) && node.standard
      ? { tracks: Number(keeps) + isolated, format: node.standard }
      : undefined
  }
  if (node.model.kind === 'recorder') {
    const lit = runsTo(traced, node.id).filter(run => run.lit)
    const passing = portsOf(node.model, 'in').filter(
      ([port, row]) =>
        carriesPicture(row) &&
        (chain.entering.get(`${node.id}/${port}`) ?? []).some(({ id }) => traced.trace.wires.get(id)?.arrives),
    )
    const wire = passing.flatMap(([port]) => chain.entering.get(`${node.id}/${port}`) ?? [])[0]
    const format = lit[0]?.links.at(-1)?.signal?.format ?? (wire && traced.trace.wires.get(wire.id)?.signal?.format)
    return format && passing.length > 0 ? { tracks: passing.length, format } : undefined
  }
  const mode = node.device.mode ?? Object.keys(node.model.modes ?? {})[0]
  const [set] = (mode === undefined ? undefined : own(node.model.modes, mode)?.records) ?? []
  // A camera records because somebody wants each camera kept, or has put a medium into it.
  const wanted = plan.brief.isolated || Object.values(plan.media).some(({ device }) => device === node.id)
  if (!set || !wanted) return undefined
  // It writes as many pictures a second as it sends, where it can.
  const sent = Object.values(node.device.ports ?? {}).find(({ format }) => format !== undefined)?.format?.rate
  const rate = set.rates.find(one => one === sent) ?? set.rates[0]!
  return { tracks: 1, format: { raster: set.raster, scan: set.scan, rate } }
}

const recordingsFact = fact<Traced, readonly Recording[]>('recordings', traced => {
  const { plan, chain } = traced
  const minutes = showMinutes(plan.brief)
  return [...chain.nodes.values()]
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .flatMap((node): Recording[] => {
      const writes = tracksOf(traced, node)
      if (!writes) return []
      const coding = node.device.coding ?? 'long'
      const each = trackMbps(writes.format, coding)
      const mbps = each * writes.tracks
      const seconds = minutes === undefined ? undefined : minutes * 60
      const media = Object.entries(plan.media)
        .filter(([, { device }]) => device === node.id)
        .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
      const holdsGB = media.reduce((sum, [, { gb, count = 1 }]) => sum + gb * count, 0)
      return [
        {
          device: node.id,
          name: node.device.name,
          coding,
          format: writes.format,
          tracks: writes.tracks,
          mbps,
          needMBs: (mbps / 8) * WRITE_MARGIN,
          needGB: seconds === undefined ? undefined : ((mbps / 8) * seconds * ROOM_MARGIN) / ROOM_SHARE / 1000,
          minutes,
          fileBytes: seconds === undefined ? undefined : (each / 8) * 1e6 * seconds,
          media,
          holdsGB,
          lastsMinutes: media.length ? (holdsGB * ROOM_SHARE * 1000) / (mbps / 8) / 60 : undefined,
        },
      ]
    })
})

/** Everything that records in the show. */
export const recordingsOf = (traced: Traced): readonly Recording[] => traced.ask(recordingsFact)
