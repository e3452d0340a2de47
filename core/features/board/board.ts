import type { CableModel } from '#core/cable'
import { carriesPicture, isBeside, portsOf, isSink } from '#core/catalog'
import {
  type Beside,
  type DelayMs,
  type DeviceNode,
  type Run,
  type Socket,
  type Traced,
  type WireTrace,
  gathers,
  isSwitcher,
  lengthOf,
  outputFormat,
  pathFrom,
} from '#core/chain'
import { own } from '#core/document'
import { type Finding, SEVERITIES, type Severity } from '#core/kernel'
import type { Checked } from '#core/propose'
import {
  DIVISION_TITLES,
  type SdiClass,
  TRANSFER_TITLES,
  type VideoFormat,
  formatLabel,
  framesPerSecond,
  linksOf,
  raster,
} from '#core/signal'
import { type Reason, reasonOf } from './reason'

/** What the light of a format looks like: its raster's height, and how its frames follow each other. */
export interface Texture {
  readonly label: string
  readonly height: number
  /** Frames per second, or fields per second where `interlaced`. */
  readonly pulses: number
  readonly interlaced: boolean
}

export interface CableHop {
  readonly is: 'cable'
  readonly link: string
  readonly title: string
  /** For narrow places. */
  readonly short: string
  readonly adapters: readonly string[]
  readonly routeM: number | undefined
  readonly lengthM: number | undefined
  readonly pieces: readonly number[] | undefined
  readonly couplers: number
  readonly reachM: number | undefined
  readonly lossDb: number | undefined
  readonly budgetDb: number | undefined
  readonly bitsPerS: number | undefined
  readonly sdiClass: SdiClass | undefined
  /** Share of reach used; absent while the length is unknown or nothing is carried. */
  readonly used: number | undefined
  /** The picture that enters; absent in the dark. */
  readonly light: Texture | undefined
  /** What the picture is besides its format: sampling, depth, range, transfer, how it lies on the cable. */
  readonly as: string | undefined
  readonly arrives: boolean
  /** Light that may break on the day. */
  readonly risky: boolean
  readonly reason: Reason | undefined
  /** Nothing but a hand changes it. */
  readonly pinned: boolean
  /** Carries no picture, but this. */
  readonly beside: Beside | undefined
  /** Delay since the run began, ms, as the picture leaves the cable. */
  readonly delay: DelayMs | undefined
}

export interface DeviceHop {
  readonly is: 'device'
  readonly device: string
  readonly name: string
  /** The model's title up to its first comma. */
  readonly kind: string
  /** For narrow places. */
  readonly short: string
  readonly inPort: string
  readonly outPort: string
  /** Format that it sets, where it sets one. */
  readonly sets: string | undefined
  readonly watts: number
  readonly minor: number
  /** What it adds, typical, ms; absent in the dark. */
  readonly addsMs: number | undefined
}

export type Hop = CableHop | DeviceHop

export interface LaneEnd {
  readonly device: string
  readonly port: string
  readonly name: string
  /** "HDMI 2", "input 3". */
  readonly socket: string
  readonly role: 'source' | 'switcher' | 'sink'
  readonly format: string | undefined
  readonly kind: string
  readonly order: number
}

/** One run as the board shows it, or what stands where a run is missing. */
export interface Lane {
  /** The run's id, `source:<device>` or `want:<id>`. */
  readonly id: string
  readonly from: LaneEnd | undefined
  readonly to: LaneEnd | undefined
  readonly hops: readonly Hop[]
  /** How many of the first hops an earlier lane shows already. */
  readonly shared: number
  readonly sharedWith: string | undefined
  readonly lit: boolean
  /** Carries no picture, but this. */
  readonly beside: Beside | undefined
  /** What is carried or wanted at the sink. */
  readonly feed: string | undefined
  readonly findings: readonly string[]
  /** A link of it is pinned. */
  readonly pinned: boolean
  readonly worst: Severity | undefined
  /** The whole lane in words, for those who cannot see it. */
  readonly words: string
}

export interface SpineInput {
  readonly port: string
  readonly number: number
  readonly label: string
  readonly lanes: readonly string[]
  readonly lit: boolean
  readonly strict: boolean
  readonly carries: string
  /** Lanes that lead here and are not shown one by one, by the names of their sources. */
  readonly folded?: readonly string[]
  /** A plug for this alone. */
  readonly beside?: Beside
}

export interface SpineOutput {
  readonly port: string
  readonly number: number
  readonly feed: string | undefined
  readonly lanes: readonly string[]
  readonly carries: string
  /** Lanes that lead from here and are not shown one by one, by the names of their sinks. */
  readonly folded?: readonly string[]
}

export interface BoardSwitcher {
  readonly id: string
  readonly name: string
  readonly kind: string
  readonly standard: string
  readonly order: number
  readonly inputs: readonly SpineInput[]
  readonly outputs: readonly SpineOutput[]
}

export interface Board {
  readonly lanes: readonly Lane[]
  readonly switchers: readonly BoardSwitcher[]
}

export function textureOf(format: VideoFormat): Texture {
  const interlaced = format.scan !== 'p'
  return {
    label: formatLabel(format),
    height: raster(format.raster).height,
    pulses: framesPerSecond(format.rate) * (interlaced ? 2 : 1),
    interlaced,
  }
}

/** Everything that the runs board shows, as plain data. Linear in hops. */
export function boardOf({ traced, findings }: Checked): Board {
  const found = findingsByLane(findings)
  const drawn = runLanes(traced, found)
  const lanes = [...drawn, ...unwiredLanes(traced, found, drawn), ...missingLanes(findings)]
  const { nodes } = traced.chain
  return { lanes, switchers: [...nodes.values()].filter(gathers).map(node => boardSwitcherOf(node, lanes)) }
}

type ByLane = ReadonlyMap<string, readonly Finding[]>

function findingsByLane(findings: readonly Finding[]): ByLane {
  const byLane = new Map<string, Finding[]>()
  const add = (id: string, finding: Finding) => byLane.set(id, [...(byLane.get(id) ?? []), finding])
  for (const finding of findings) {
    if (finding.run !== undefined) add(finding.run, finding)
    else if (finding.at.on === 'sink') add(`want:${finding.at.want}`, finding)
    else if (finding.at.on === 'device') add(`source:${finding.at.device}`, finding)
  }
  return byLane
}

/** One lane a run. Of runs that share a way, the one into a switcher shows it, then the shorter one: what goes on behind a sink begins there. */
function runLanes(traced: Traced, found: ByLane): Lane[] {
  const { chain, runs, plan } = traced
  const firstWith = new Map<string, string>()
  const enters = ({ end }: Run) => Number(end !== undefined && gathers(chain.nodes.get(end.device)!))
  return [...runs]
    .sort((a, b) => enters(b) - enters(a) || a.links.length - b.links.length)
    .map(run => {
      let shared = 0
      let sharedWith: string | undefined
      for (const [i, { wire }] of run.links.entries()) {
        const earlier = firstWith.get(wire.id)
        if (earlier === undefined) firstWith.set(wire.id, run.id)
        else if (sharedWith === undefined || sharedWith === earlier) {
          sharedWith = earlier
          shared = 2 * i + 2
        }
      }
      const to = run.end && laneEnd(chain.nodes.get(run.end.device)!, run.end.port)
      const want =
        to?.role === 'switcher' ? undefined : to && Object.values(plan.wants).find(({ sink }) => sink === to.device)
      const parts = {
        from: run.origin && laneEnd(chain.nodes.get(run.origin.device)!, run.origin.port),
        to,
        hops: hopsOf(traced, run),
        shared,
        sharedWith,
        lit: run.lit,
        beside: run.beside,
        feed: run.links[0]!.signal?.feed ?? want?.feed,
      }
      return lane(run.id, parts, found.get(run.id) ?? [])
    })
}

/** Sources that no cable leaves, deliverables that none reaches, and what has a plug for sound or control and no cable. */
function unwiredLanes({ chain, pictures, plan }: Traced, found: ByLane, drawn: readonly Lane[]): Lane[] {
  const lanes: Lane[] = []
  const put = (id: string, parts: Partial<LaneParts>) =>
    lanes.push(lane(id, { ...UNWIRED, ...parts }, found.get(id) ?? []))
  const begun = new Set(drawn.map(({ from }) => from?.device))
  const ended = new Set(drawn.map(({ to }) => to?.device))
  for (const picture of pictures) {
    if (picture.of === 'source' && !begun.has(picture.device)) {
      const node = chain.nodes.get(picture.device)!
      const [port] = portsOf(node.model, 'out')[0] ?? ['']
      put(`source:${node.id}`, { from: laneEnd(node, port) })
    } else if (picture.of === 'want') {
      const { sink, feed } = plan.wants[picture.want]!
      const node = chain.nodes.get(sink)!
      const [port] = portsOf(node.model, 'in')[0] ?? ['']
      put(`want:${picture.want}`, { to: laneEnd(node, port), feed })
      ended.add(sink)
    }
  }
  for (const node of chain.nodes.values()) {
    const [port] = portsOf(node.model, 'out')[0] ?? []
    if (!isBeside(node.model) || port === undefined || begun.has(node.id) || ended.has(node.id)) continue
    put(`source:${node.id}`, {
      from: laneEnd(node, port),
      beside: node.model.role === 'control' ? 'control' : 'sound',
    })
  }
  return lanes
}

/** What is missing and can stand on no lane that is there. */
function missingLanes(findings: readonly Finding[]): Lane[] {
  return findings.flatMap(finding => {
    if (finding.ghost === undefined || finding.run !== undefined) return []
    const to: LaneEnd = {
      device: '',
      port: '',
      name: finding.ghost,
      socket: '',
      role: 'sink',
      format: undefined,
      kind: 'missing',
      order: 1e6,
    }
    return [lane(`ghost:${finding.key}`, { ...UNWIRED, to }, [finding])]
  })
}

type LaneParts = Omit<Lane, 'id' | 'findings' | 'worst' | 'words' | 'pinned'>

const UNWIRED: LaneParts = {
  from: undefined,
  to: undefined,
  hops: [],
  shared: 0,
  sharedWith: undefined,
  lit: false,
  beside: undefined,
  feed: undefined,
}

function lane(id: string, parts: LaneParts, found: readonly Finding[]): Lane {
  const worst = SEVERITIES.find(severity =>
    found.some(finding => finding.severity === severity && finding.accepted === undefined),
  )
  const from = parts.from ? `${parts.from.name}${parts.from.format ? `, ${parts.from.format}` : ''}` : 'Nothing'
  const to = parts.to
    ? parts.to.role === 'switcher'
      ? `${parts.to.name} ${parts.to.socket}`
      : parts.to.name
    : 'nowhere'
  const reason = parts.hops.flatMap(hop => (hop.is === 'cable' && hop.reason ? [hop.reason.words] : []))[0]
  const pinned = parts.hops.some(hop => hop.is === 'cable' && hop.pinned)
  return {
    id,
    ...parts,
    pinned,
    findings: found.map(({ key }) => key),
    worst,
    words: `${from} to ${to}: ${parts.lit ? (parts.beside ? `${parts.beside} is plugged in` : 'picture arrives') : `dark${reason ? `, ${reason}` : ''}`}`,
  }
}

const head = (title: string): string => title.split(',')[0]!

function laneEnd(node: DeviceNode, portId: string): LaneEnd {
  const port = own(node.model.ports, portId)
  const switcher = gathers(node)
  const format = isSwitcher(node) ? node.standard : port?.dir === 'out' ? outputFormat(node, portId) : undefined
  return {
    device: node.id,
    port: portId,
    name: node.device.name,
    socket:
      switcher && port?.number !== undefined
        ? `${port.dir === 'in' ? 'input' : 'output'} ${port.number}`
        : (port?.title ?? portId),
    role: switcher
      ? 'switcher'
      : isSink(node.model) && !(node.model.role === 'source' && port?.dir === 'out')
        ? 'sink'
        : 'source',
    format: format && formatLabel(format),
    kind: head(node.model.title),
    order: node.device.order,
  }
}

function hopsOf(traced: Checked['traced'], run: Run): Hop[] {
  const hops: Hop[] = []
  for (const [i, at] of run.links.entries()) {
    const before = run.links[i - 1]
    if (before && at.wire.from) hops.push(deviceHop(at.wire.from, before, at))
    hops.push(cableHop(traced, at))
  }
  // A run that ends in a device on the way shows that device too.
  const last = run.links.at(-1)!.wire.to
  if (!run.end && last?.node.model.role === 'way')
    hops.push(
      deviceHop(
        { ...last, portId: pathFrom(last.node, last.portId)?.to[0] ?? last.portId },
        run.links.at(-1)!,
        undefined,
      ),
    )
  return hops
}

function deviceHop({ node, portId }: Socket, before: WireTrace, after: WireTrace | undefined): DeviceHop {
  const sets = node.model.paths.some(path => path.format === 'port' && path.to.includes(portId))
    ? outputFormat(node, portId)
    : undefined
  const addsMs = after?.signal && before.signal ? after.signal.delay.typ - before.signal.delay.typ : undefined
  return {
    is: 'device',
    device: node.id,
    name: node.device.name,
    kind: head(node.model.title),
    short: node.model.short ?? head(node.model.title),
    inPort: before.wire.to?.portId ?? '',
    outPort: portId,
    sets: sets && formatLabel(sets),
    watts: node.model.watts,
    minor: node.model.priceMinor,
    addsMs,
  }
}

function cableHop({ plan }: Checked['traced'], at: WireTrace): CableHop {
  const {
    wire: { id, link },
    signal,
    figures,
    arrives,
  } = at
  const lead = plan.leads[link.cable] as CableModel
  const { pieces, lengthM } = lengthOf(lead, link)
  return {
    is: 'cable',
    link: id,
    title: lead.title,
    short: lead.short ?? lead.title,
    adapters: [link.adapters?.from, link.adapters?.to].flatMap(adapter =>
      adapter === undefined ? [] : [plan.leads[adapter]!.title],
    ),
    routeM: link.routeM,
    lengthM,
    pieces,
    couplers: (link.couplers ?? 0) + Math.max(0, (pieces?.length ?? 1) - 1),
    reachM: figures?.reachM,
    lossDb: figures?.lossDb,
    budgetDb: figures?.budgetDb,
    bitsPerS: figures?.bitsPerS,
    sdiClass: figures?.sdiClass,
    used: figures?.used,
    light: signal && textureOf(signal.format),
    as: signal && traitWords(at),
    arrives,
    risky:
      arrives &&
      figures?.caution !== undefined &&
      !(figures.caution.why === 'long' && plan.brief.cableSchool === 'usual'),
    reason: reasonOf(at),
    beside: at.beside,
    pinned: link.pinned === true,
    delay: signal?.delay,
  }
}

/** Sampling and depth, range and transfer; level, division, protection, shape where they are of account. */
function traitWords({ signal, figures, wire }: WireTrace): string {
  const { coding, range, transfer, level, division, protected: held, aspect, fills, readouts } = signal!
  const links = wire.from?.port ? linksOf(wire.from.port.connector) : 1
  return [
    `${coding.sampling}, ${coding.depth} bit`,
    `${range} range`,
    TRANSFER_TITLES[transfer],
    ...(figures?.sdiClass === '3G' ? [`level ${level}`] : []),
    ...(links > 1 ? [`${links} links by ${DIVISION_TITLES[division]}`] : []),
    ...(held ? ['content-protected'] : []),
    ...(aspect === '16:9' ? [] : [`${aspect} picture`]),
    ...(fills < 0.995 ? [`at ${Math.round(fills * 100)}\u00A0% of the frame`] : []),
    ...(readouts ? ['with readouts'] : []),
  ].join(', ')
}

/** What it works in: its operating standard, or what a multiviewer makes. */
function standardLabel(node: DeviceNode): string {
  const format = node.standard ?? outputFormat(node, portsOf(node.model, 'out')[0]?.[0] ?? '')
  return format ? formatLabel(format) : ''
}

function boardSwitcherOf(node: DeviceNode, lanes: readonly Lane[]): BoardSwitcher {
  const at = (end: LaneEnd | undefined, port: string) => end?.device === node.id && end.port === port
  return {
    id: node.id,
    name: node.device.name,
    kind: node.model.title,
    standard: standardLabel(node),
    order: node.device.order,
    inputs: portsOf(node.model, 'in').flatMap(([port, row], i): SpineInput[] => {
      const entering = lanes.filter(({ to }) => at(to, port))
      // A plug for sound or control takes a row only when something is in it.
      if (!carriesPicture(row) && entering.length === 0) return []
      const label = own(node.device.ports, port)?.label ?? entering[0]?.from?.name ?? ''
      return [
        {
          port,
          number: row.number ?? i + 1,
          label,
          lanes: entering.map(({ id }) => id),
          lit: entering.some(({ lit }) => lit),
          strict: row.takes === 'standard',
          carries: row.carries,
          ...(row.carries === 'sound' || row.carries === 'control' ? { beside: row.carries } : {}),
        },
      ]
    }),
    outputs: portsOf(node.model, 'out').map(([port, row], i) => ({
      port,
      number: row.number ?? i + 1,
      feed: own(node.device.ports, port)?.feed ?? row.feeds?.[0],
      carries: row.carries,
      lanes: lanes.filter(({ from }) => at(from, port)).map(({ id }) => id),
    })),
  }
}
