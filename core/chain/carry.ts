import {
  type AdapterModel,
  type CableModel,
  DEFAULT_BUDGET_DB,
  choosePieces,
  coaxLossDb,
  coaxReachM,
  cutLengthM,
  lengthStep,
  opticalShare,
  pieceSumM,
} from '#core/cable'
import { type Port, takesProtected } from '#core/catalog'
import { type Link, type Plan, own } from '#core/document'
import {
  type ConnectorId,
  SDI_CLASS_ROWS,
  SIGNAL_TITLES,
  type VideoFormat,
  formatLabel,
  hdmiRate,
  linksOf,
  sdiRate,
  setsContain,
} from '#core/signal'
import { type DeviceNode, gathers } from './resolve'
import type { Signal } from './signal'
import type { Carriage, Caution, Mismatch, Stop } from './stop'

/** What a cable does to the picture that enters it. */
export interface CableFigures extends Carriage {
  /** Sum of the pieces, metres; absent while neither route nor pieces are known. */
  readonly lengthM?: number
  readonly pieces?: readonly number[]
  readonly reachM: number
  /** Coax only. */
  readonly lossDb?: number
  readonly budgetDb?: number
  /** Share of the reach that is used, 0 .. 1 and more; absent while the length is unknown. */
  readonly used?: number
  readonly caution?: Caution
}

/** A piece of way between two ports, judged by itself. */
export interface Carried {
  readonly figures?: CableFigures
  readonly stop?: Stop
}

export interface Lead {
  readonly cable: CableModel
  readonly fromAdapter?: AdapterModel
  readonly toAdapter?: AdapterModel
}

/** The lead of a link, looked up in the plan. */
export function leadOf(plan: Pick<Plan, 'leads'>, link: Link): Lead {
  const adapter = (id: string | undefined) => own(plan.leads, id) as AdapterModel | undefined
  return {
    cable: plan.leads[link.cable] as CableModel,
    fromAdapter: adapter(link.adapters?.from),
    toAdapter: adapter(link.adapters?.to),
  }
}

/**
 * Judges a cable between an output and an input for one picture: connectors, carriage, port classes, length, in the
 * order in which the light meets them. Whether the input accepts the format is judged by `accepts`.
 */
export function carry(
  signal: Pick<Signal, 'format' | 'coding' | 'spent'>,
  out: Port,
  lead: Lead,
  link: Pick<Link, 'routeM' | 'pieces' | 'couplers'>,
  input: Port,
): Carried {
  const mismatch = joins(out, lead, input)
  if (mismatch) return { stop: { why: 'connector', mismatch } }
  const carriage = carriageOf(signal, out)
  if (!carriage)
    return {
      stop: {
        why: 'class',
        end: 'link',
        needs: formatLabel(signal.format),
        limit: `${SIGNAL_TITLES[out.carries]} has no such format`,
      },
    }
  const atOutput = overClass(carriage, out, 'from')
  if (atOutput) return { stop: atOutput }
  const figures = measure(carriage, lead.cable, link, input, signal.spent)
  if (figures.stop) return figures
  return { ...figures, stop: input.takes === 'standard' ? undefined : overClass(carriage, input, 'to') }
}

function carriageOf({ format, coding }: Pick<Signal, 'format' | 'coding'>, out: Port): Carriage | undefined {
  if (out.carries === 'sdi') {
    const found = sdiRate(format, coding)
    const bitsPerS = found && found.bitsPerS / linksOf(out.connector)
    return bitsPerS === undefined
      ? undefined
      : { bitsPerS, sdiClass: SDI_CLASS_ROWS.find(row => bitsPerS <= row.bitsPerS)!.class }
  }
  return hdmiRate(format, coding)
}

/** The class limit of a port, as a stop, when the picture exceeds it. */
export function overClass(carriage: Carriage, port: Port, end: 'from' | 'to'): Stop | undefined {
  const { sdiClass, characterMHz } = carriage
  if (sdiClass !== undefined && port.classes && !port.classes.includes(sdiClass)) {
    return { why: 'class', end, needs: `${sdiClass}-SDI`, limit: `${port.classes.at(-1)!}-SDI` }
  }
  if (characterMHz !== undefined && port.maxMHz !== undefined && characterMHz > port.maxMHz) {
    return { why: 'class', end, needs: `${characterMHz.toFixed(1)} MHz`, limit: `${port.maxMHz} MHz` }
  }
  return undefined
}

/** Undefined when plug meets socket all the way; a cable that works both ways may be turned round. */
export function joins(out: Port, { cable, fromAdapter, toAdapter }: Lead, input: Port): Mismatch | undefined {
  const ends = {
    from: { carries: out.carries, connector: out.connector },
    to: { carries: input.carries, connector: input.connector },
  }
  if (out.carries !== input.carries || cable.carries !== out.carries) return { by: 'kind', ...ends }
  const [a, b] = cable.ends
  const fits = (first: ConnectorId, last: ConnectorId) =>
    meets(out.connector, fromAdapter, first) && meets(input.connector, toAdapter, last)
  return fits(a, b) || (!cable.oneWay && fits(b, a)) ? undefined : { by: 'shape', ...ends }
}

function meets(socket: ConnectorId, adapter: AdapterModel | undefined, plug: ConnectorId): boolean {
  if (!adapter) return socket === plug
  const [a, b] = adapter.ends
  return (a === socket && b === plug) || (b === socket && a === plug)
}

/**
 * The pieces of a link, chosen or next in stock for its route, and their sum. `noPiece`: the route is known, and
 * nothing on sale is that long; the cut length stands for the sum then.
 */
export function lengthOf(
  cable: CableModel,
  link: Pick<Link, 'routeM' | 'pieces'>,
): { readonly pieces?: readonly number[]; readonly lengthM?: number; readonly noPiece: boolean } {
  const pieces =
    link.pieces ?? (link.routeM === undefined ? undefined : choosePieces(cable, cutLengthM(link.routeM))?.pieces)
  if (pieces) return { pieces, lengthM: pieceSumM(pieces), noPiece: false }
  return link.routeM === undefined ? { noPiece: false } : { lengthM: cutLengthM(link.routeM), noPiece: true }
}

/** Chosen pieces that do not reach from end to end. */
export function tooShort({ pieces, routeM }: Pick<Link, 'routeM' | 'pieces'>): Stop | undefined {
  const lengthM = pieces && pieceSumM(pieces)
  return lengthM !== undefined && routeM !== undefined && lengthM < routeM
    ? { why: 'too-short', lengthM, routeM }
    : undefined
}

function measure(
  carriage: Carriage,
  cable: CableModel,
  link: Pick<Link, 'routeM' | 'pieces' | 'couplers'>,
  input: Port,
  before = 0,
): Carried {
  const { pieces: chosen, lengthM, noPiece } = lengthOf(cable, link)
  // What is installed lies its own way.
  const short = cable.installed ? undefined : tooShort(link)
  if (short) return { stop: short }
  const left = Math.max(1e-6, 1 - before)
  const couplers = (link.couplers ?? 0) + Math.max(0, (chosen?.length ?? 1) - 1)
  const base = { ...carriage, lengthM, pieces: chosen }
  const law = cable.reach
  if (law.kind === 'attenuation') {
    const cls = carriage.sdiClass!
    const reachM = coaxReachM(law, cls, couplers, input.budgetDb) * left
    const budgetDb = (input.budgetDb?.[cls] ?? DEFAULT_BUDGET_DB[cls]) * left
    if (lengthM === undefined) return { figures: { ...base, reachM, budgetDb } }
    const lossDb = coaxLossDb(law, cls, lengthM, couplers)
    const used = before + left * Math.max(lossDb / budgetDb, lengthM / reachM)
    const figures: CableFigures = {
      ...base,
      reachM,
      budgetDb,
      lossDb,
      used,
      ...(used > 0.9 && used <= 1 ? { caution: { why: 'near-reach' } } : {}),
    }
    return { figures, stop: used > 1 || noPiece ? { why: 'too-far', lengthM, reachM, noPiece } : undefined }
  }
  const step = lengthStep(law.steps, carriage.bitsPerS)
  const [warnM, faultM] = [step.warnM * left, step.faultM * left]
  const longest = cable.stock.at(-1)!.m
  const reachM = noPiece ? Math.min(faultM, longest) : faultM
  if (lengthM === undefined) return { figures: { ...base, reachM } }
  const used = before + left * (lengthM / reachM)
  // Light that comes as far as its cable is made for is not near its end: what counts is the loss.
  const spent = law.optical && used <= 1 ? opticalShare(law.optical, lengthM) : used
  const schooled = warnM < faultM
  const caution: Caution | undefined =
    used > 1
      ? undefined
      : schooled && lengthM > warnM
        ? { why: 'long', warnM, faultM }
        : !schooled && spent > 0.9
          ? { why: 'near-reach' }
          : undefined
  return {
    figures: { ...base, reachM, used: spent, ...(caution ? { caution } : {}) },
    stop: used > 1 || noPiece ? { why: 'too-far', lengthM, reachM, noPiece } : undefined,
  }
}

/** Segmented frame travels as interlaced of the same raster and rate; two formats alike on the wire show alike. */
function onTheWire(format: VideoFormat): VideoFormat {
  return format.scan === 'psf' ? { ...format, scan: 'i' } : format
}

/** Whether an input takes the picture for what it is besides its format: protection, level, division. */
export function bars(
  { model }: Pick<DeviceNode, 'model'>,
  input: Port,
  signal: Signal,
  carriage: Carriage | undefined,
): Stop | undefined {
  if (signal.protected && !takesProtected(model, input)) return { why: 'protected' }
  if (carriage?.sdiClass === '3G' && input.levels && !input.levels.includes(signal.level))
    return { why: 'level', sends: signal.level, takes: input.levels }
  if (linksOf(input.connector) > 1 && input.divisions && !input.divisions.includes(signal.division))
    return { why: 'division', sends: signal.division, takes: input.divisions }
  return undefined
}

/** Whether an input takes a format; `strict` compares raster, scan and exact rate with the operating standard. */
export function accepts(node: DeviceNode, input: Port, format: VideoFormat): Stop | undefined {
  if (input.takes === 'standard') {
    const standard = node.standard!
    const a = onTheWire(format)
    const b = onTheWire(standard)
    return a.raster === b.raster && a.scan === b.scan && a.rate === b.rate
      ? undefined
      : { why: 'standard', sends: format, standard }
  }
  if (!input.takes || setsContain(input.takes, format) || setsContain(input.takes, onTheWire(format))) return undefined
  return { why: node.model.role === 'way' && !gathers(node) ? 'not-passed' : 'not-taken', sends: format }
}
