import { dbText } from '#core/words'
import { portsOf } from '#core/catalog'
import { type Traced, endName, isSwitcher, socketKey } from '#core/chain'
import { type Opening, own } from '#core/document'
import { type SoundWay, doubled, gateAt, momentsOf, waysTo } from '#core/run'
import { earsOf } from './ways'

/** What becomes of a sound at a sink in a moment. */
export type Hearing =
  | 'heard'
  /** Twice, more than a millisecond apart. */
  | 'twice'
  /** An input on its way follows its picture, which is not on air. */
  | 'away'
  /** An input on its way is shut. */
  | 'shut'
  /** Open all the way, and turned down so far that nobody hears it. */
  | 'quiet'

export interface HeardCell {
  readonly hearing: Hearing
  /** "open by Main Sound in 1, held back 40 ms". */
  readonly words: string
}

export interface SoundInput {
  readonly port: string
  readonly name: string
  /** What comes in there. */
  readonly from: readonly string[]
  /** As the plan sets it. */
  readonly opening: Opening
  readonly heldMs: number
  readonly gainDb: number
  /** By moment: how it stands, and whether it lets sound through. */
  readonly moments: readonly { readonly opening: Opening; readonly open: boolean }[]
}

export interface WhoHears {
  readonly ears: readonly {
    readonly device: string
    readonly name: string
    readonly asked: 'sound' | 'silent' | 'open'
  }[]
  readonly sounds: readonly { readonly device: string; readonly name: string; readonly kind: string }[]
  readonly instants: readonly {
    readonly segment?: string
    readonly segmentTitle?: string
    readonly cue?: string
    readonly title: string
    readonly look?: string
    readonly lookTitle?: string
  }[]
  /** By ear, sound and moment; undefined where no lead or picture brings the sound there. */
  readonly cells: readonly (readonly (readonly (HeardCell | undefined)[])[])[]
  readonly switchers: readonly {
    readonly device: string
    readonly name: string
    readonly inputs: readonly SoundInput[]
  }[]
}

/** What every sink hears in every moment, sound by sound. Linear in sinks times moments times ways. */
export function whoHears(traced: Traced): WhoHears {
  const { chain, plan } = traced
  const moments = momentsOf(traced)
  const ears = earsOf(traced)
  const heard = ears.flatMap(({ end }) =>
    moments.map(moment => ({ end, moment, ways: waysTo(traced, moment.state, end) })),
  )
  const origins = new Set(heard.flatMap(({ ways }) => ways.map(({ origin }) => origin)))
  const sounds = [...chain.nodes.values()]
    .filter(({ id }) => origins.has(id))
    // What is made to be heard stands before what comes beside a picture.
    .sort(
      (a, b) => Number(b.model.role === 'sound') - Number(a.model.role === 'sound') || a.device.order - b.device.order,
    )
  return {
    ears: ears.map(({ node, want, end }) => ({
      device: node.id,
      name:
        ears.filter(one => one.node === node).length > 1
          ? `${node.device.name}, ${node.model.ports[end.port]!.title}`
          : node.device.name,
      asked: want?.sound ? 'sound' : want?.silent ? 'silent' : 'open',
    })),
    sounds: sounds.map(({ id, device, model }) => ({
      device: id,
      name: device.name,
      kind: model.role === 'sound' ? (model.kind ?? 'sound') : 'beside its picture',
    })),
    instants: moments.map(({ segment, cue, look }) => ({
      ...(segment === undefined ? {} : { segment, segmentTitle: plan.segments[segment]!.title }),
      ...(cue === undefined ? {} : { cue }),
      title: cue === undefined ? 'opens' : plan.cues[cue]!.title,
      ...(look === undefined ? {} : { look, lookTitle: plan.looks[look]!.title }),
    })),
    cells: ears.map(({ end }) =>
      sounds.map(({ id }) =>
        moments.map(moment => {
          const ways = heard.find(
            one => one.moment === moment && one.end.device === end.device && one.end.port === end.port,
          )!.ways
          return cellOf(
            traced,
            ways.filter(({ origin }) => origin === id),
          )
        }),
      ),
    ),
    switchers: [...chain.nodes.values()]
      .filter(isSwitcher)
      .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
      .map(node => ({
        device: node.id,
        name: node.device.name,
        inputs: portsOf(node.model, 'in').flatMap(([port, row]): SoundInput[] => {
          const from = [...(traced.sound.arriving.get(socketKey(node.id, port))?.keys() ?? [])]
          if (!row.sound || from.length === 0) return []
          const set = own(node.device.ports, port)
          return [
            {
              port,
              name: row.number === undefined || row.carries === 'sound' ? row.title : `Input ${row.number}`,
              from: from.map(id => chain.nodes.get(id)!.device.name),
              opening: set?.sound ?? (row.carries === 'sound' ? 'fixed' : 'shut'),
              heldMs: set?.soundDelayMs ?? 0,
              gainDb: set?.gainDb ?? 0,
              moments: moments.map(({ state }) => {
                const { opening, open } = gateAt(traced, state, node, port)
                return { opening, open }
              }),
            },
          ]
        }),
      }))
      .filter(({ inputs }) => inputs.length > 0),
  }
}

function cellOf(traced: Traced, ways: readonly SoundWay[]): HeardCell | undefined {
  const [first] = ways
  if (!first) return undefined
  const open = ways.filter(way => way.open)
  if (open.length > 0) {
    const twice = doubled(open).length > 0
    const by = open.map(({ gates, delayMs, gainDb }) => {
      const last = gates[0]
      const held = delayMs >= 1 ? `, ${Math.round(delayMs)}\u00A0ms later` : ''
      const turned = gainDb ? `, ${dbText(gainDb)}` : ''
      return `${last ? `by ${endName(traced, last)}` : 'straight'}${held}${turned}`
    })
    return { hearing: twice ? 'twice' : 'heard', words: [...new Set(by)].join(' and ') }
  }
  const blocked = first.gates.find(gate => !gate.open)
  if (!blocked) return { hearing: 'quiet', words: `open, and at ${dbText(first.gainDb)} nobody hears it` }
  return blocked.opening === 'follows'
    ? { hearing: 'away', words: `${endName(traced, blocked)} follows its picture, which is not on air` }
    : { hearing: 'shut', words: `${endName(traced, blocked)} is shut` }
}
