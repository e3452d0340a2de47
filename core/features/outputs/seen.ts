import { carriesPicture, isCamera, mixOf, portsOf, isSink } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  isSwitcher,
  runInto,
  pointedAt,
  choicesAt,
  pointedName,
  socketKey,
} from '#core/chain'
import { type Plan, own } from '#core/document'
import { type Scene, scenesOf } from '#core/picture'
import { type Moment, type Picture, type ShowState, momentsOf, pictureAt, isDark, wordsOf } from '#core/run'

/** A screen, recorder, encoder or capture, by the input that is fed. */
export interface Audience {
  readonly device: string
  readonly port: string
  readonly name: string
  /** What it should see, in words; absent where nothing is asked of it. */
  readonly wanted?: string
  /** What its output carries as it is set. */
  readonly feed?: string
  /** Whoever works the show sees it, not an audience. */
  readonly inside: boolean
  /** The switchers that its picture comes through, the last one first. */
  readonly through: readonly string[]
}

/** A moment of the show, as the columns of the table have it. */
export interface Instant {
  readonly segment?: string
  readonly segmentTitle?: string
  readonly cue?: string
  /** "opens", or what its cue is called. */
  readonly title: string
  readonly look?: string
  readonly lookTitle?: string
  readonly mixers: ShowState['mixers']
  readonly outputs: ShowState['outputs']
  readonly contents: ShowState['contents']
  readonly presets: ShowState['presets']
}

/** What an audience sees in a moment. */
export interface Cell {
  /** Index into the pictures. */
  readonly picture: number
  readonly words: string
  readonly dark: boolean
}

/** A switcher as a look sets it. */
export interface Mixer {
  readonly device: string
  readonly name: string
  readonly inputs: readonly { readonly port: string; readonly name: string; readonly lit: boolean }[]
  readonly keyers: readonly { readonly number: string; readonly title: string; readonly overlays: readonly string[] }[]
  readonly outputs: readonly {
    readonly port: string
    readonly name: string
    /** What it can be pointed at, and how that is called. */
    readonly feeds: readonly { readonly value: string; readonly title: string }[]
    readonly feed: string
  }[]
  readonly fades: boolean
}

export interface WhoSees {
  readonly audiences: readonly Audience[]
  readonly instants: readonly Instant[]
  /** Each unlike picture once. */
  readonly pictures: readonly Picture[]
  /** By audience, then by instant. */
  readonly cells: readonly (readonly Cell[])[]
  /** How the test picture of each source is drawn. */
  readonly scenes: Readonly<Record<string, Scene>>
  readonly mixers: readonly Mixer[]
  /** Sources whose contents can change, with those of their outputs that are led somewhere. */
  readonly computers: readonly {
    readonly device: string
    readonly name: string
    readonly outputs: readonly { readonly port: string; readonly name: string }[]
  }[]
  /** Cameras that are sent to positions. */
  readonly movers: readonly { readonly device: string; readonly name: string }[]
}

const byOrder = <T extends { readonly order: number }>(map: Readonly<Record<string, T>>): [string, T][] =>
  Object.entries(map).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))

/** Who sees what in each moment of the show. Linear in audiences times moments times the layers that they see. */
export function whoSees(traced: Traced): WhoSees {
  const audiences = audiencesOf(traced)
  const moments = momentsOf(traced)
  const pictures: Picture[] = []
  const known = new Map<string, number>()
  const cells = audiences.map(({ device, port }) =>
    moments.map(({ state }): Cell => {
      const picture = pictureAt(traced, state, { device, port })
      const key = JSON.stringify(picture)
      if (!known.has(key)) known.set(key, pictures.push(picture) - 1)
      return { picture: known.get(key)!, words: wordsOf(traced, picture), dark: isDark(picture) }
    }),
  )
  return {
    audiences,
    instants: moments.map(moment => instantOf(traced.plan, moment)),
    pictures,
    cells,
    scenes: scenesOf(traced),
    mixers: mixersOf(traced),
    computers: sourcesThat(traced, ({ model }) => model.kind === 'computer' || model.kind === 'tablet').map(one => ({
      ...one,
      outputs: portsOf(traced.chain.nodes.get(one.device)!.model, 'out')
        .filter(([port, row]) => carriesPicture(row) && traced.chain.leaving.has(socketKey(one.device, port)))
        .map(([port, { title }]) => ({ port, name: title })),
    })),
    movers: sourcesThat(
      traced,
      ({ model }) => isCamera(model) && portsOf(model, 'in').some(([, { carries }]) => carries === 'control'),
    ),
  }
}

const sourcesThat = ({ chain }: Traced, which: (node: DeviceNode) => boolean): { device: string; name: string }[] =>
  [...chain.nodes.values()]
    .filter(node => node.model.role === 'source' && which(node))
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map(({ id, device }) => ({ device: id, name: device.name }))

function audiencesOf(traced: Traced): Audience[] {
  const { chain, plan } = traced
  return [...chain.nodes.values()]
    .filter(({ model }) => isSink(model))
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .flatMap(node => {
      const pictures = portsOf(node.model, 'in').filter(([, row]) => carriesPicture(row))
      const inputs = pictures.length
      return pictures.flatMap(([port, row]): Audience[] => {
        const run = runInto(traced, { device: node.id, port })
        if (!run) return []
        const want = Object.values(plan.wants).find(({ sink }) => sink === node.id)
        const feed = run.links[0]?.signal?.feed
        const from = want?.of === undefined ? undefined : own(plan.devices, want.of)?.name
        return [
          {
            device: node.id,
            port,
            name: inputs > 1 ? `${node.device.name}, ${row.title}` : node.device.name,
            ...(want ? { wanted: from === undefined ? want.feed : `${want.feed} of ${from}` } : {}),
            ...(feed ? { feed } : {}),
            inside: feed === 'multiview' || feed === 'preview',
            through: throughOf(traced, { device: node.id, port }),
          },
        ]
      })
    })
}

/** The switchers behind an input, the last first, then what feeds it; each once. */
function throughOf(traced: Traced, end: { device: string; port: string }, passed: string[] = []): string[] {
  const origin = runInto(traced, end)?.origin
  const node = origin && traced.chain.nodes.get(origin.device)
  if (!node || !isSwitcher(node) || passed.includes(node.id)) return passed
  passed.push(node.id)
  for (const [port] of portsOf(node.model, 'in')) throughOf(traced, { device: node.id, port }, passed)
  return passed
}

function instantOf(plan: Plan, { segment, cue, look, state }: Moment): Instant {
  return {
    ...(segment === undefined ? {} : { segment, segmentTitle: plan.segments[segment]!.title }),
    ...(cue === undefined ? {} : { cue }),
    title: cue === undefined ? 'opens' : plan.cues[cue]!.title,
    ...(look === undefined ? {} : { look, lookTitle: plan.looks[look]!.title }),
    mixers: state.mixers,
    outputs: state.outputs,
    contents: state.contents,
    presets: state.presets,
  }
}

function mixersOf(traced: Traced): Mixer[] {
  const { chain, plan } = traced
  return [...chain.nodes.values()]
    .filter(isSwitcher)
    .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
    .map((node): Mixer => {
      const mix = mixOf(node.model)
      return {
        device: node.id,
        name: node.device.name,
        fades: mix?.fadeToBlack ?? true,
        inputs: portsOf(node.model, 'in')
          .filter(([, port]) => port.carries !== 'sound' && port.carries !== 'control')
          .map(([port, row]) => {
            const run = runInto(traced, { device: node.id, port })
            const from = run?.origin && chain.nodes.get(run.origin.device)?.device.name
            return { port, name: `${row.number ?? row.title}${from ? ` ${from}` : ''}`, lit: run?.lit ?? false }
          }),
        keyers: (mix?.keyers ?? []).map(({ title, kinds }, i) => ({
          number: String(i + 1),
          title,
          overlays: byOrder(plan.overlays)
            .filter(([, { kind }]) => kinds.includes(kind))
            .map(([id]) => id),
        })),
        outputs: portsOf(node.model, 'out')
          .filter(([, port]) => (port.feeds?.length ?? 0) > 1)
          .map(([port, row]) => ({
            port,
            name: `output ${row.number ?? row.title}`,
            feeds: choicesAt(node, port).map(value => ({ value, title: pointedName(traced, node, value) })),
            feed: pointedName(traced, node, pointedAt(node, port)!),
          })),
      }
    })
}
