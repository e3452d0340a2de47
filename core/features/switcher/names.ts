import { mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Traced, isSwitcher, runInto } from '#core/chain'
import { own } from '#core/document'
import { callsOf } from '#core/run'
import { mixersOf } from './setup'
import { pictureInputs, tilesOf } from './tiles'

/** How a source is called at one input of the chain. */
export interface NamedAt {
  readonly switcher: string
  readonly switcherName: string
  readonly port: string
  readonly number: number
  /** The label that is set there. */
  readonly label: string | undefined
  /** What the names would have there: for the tile, and for the key; cut to what the model has room for. */
  readonly long: string
  readonly short: string
  /** Letters that did not fit the tile. */
  readonly lost: number
}

/** One source under its one number. */
export interface Named {
  readonly device: string
  readonly name: string
  readonly call: number
  /** Somebody gave the number; else it follows from the wiring. */
  readonly said: boolean
  readonly short: string
  readonly shortSaid: boolean
  readonly at: readonly NamedAt[]
}

/** A link between switchers, named by what comes over it. */
export interface NamedLink extends NamedAt {
  readonly feeder: string
  readonly feederName: string
  /** "Side 5-8": the numbers that come over it. */
  readonly range: string
}

/** A switcher's multiview as it is laid out. */
export interface Tiling {
  readonly device: string
  readonly name: string
  readonly port: string
  readonly title: string
  /** Who sees it. */
  readonly to: readonly string[]
  /** Preview and program, then the inputs: in the order in which they are shown. */
  readonly tiles: readonly { readonly id: string; readonly name: string; readonly lit: boolean }[]
  /** The order was chosen. */
  readonly said: boolean
}

export interface Names {
  readonly sources: readonly Named[]
  readonly links: readonly NamedLink[]
  readonly tilings: readonly Tiling[]
}

/** Letters for a key where nobody chose them: the first letters of the words, else of the one word. */
export function shortOf(name: string, most: number): string {
  if (most <= 0) return ''
  const words = name.split(/[\s,.;:()/-]+/).filter(Boolean)
  const [first = ''] = words
  if (words.length === 1 || most < 3) return first.slice(0, most).toUpperCase()
  const rest = words.slice(1).map(word => word[0]!)
  const letters = first.slice(0, Math.max(1, most - rest.length)) + rest.join('')
  return letters.slice(0, most).toUpperCase()
}

const MOST_SHORT = 4

/** Numbers as people say them: "1-4, 7". */
export function rangeOf(numbers: readonly number[]): string {
  const sorted = [...new Set(numbers)].sort((a, b) => a - b)
  const parts: [number, number][] = []
  for (const n of sorted) {
    const last = parts.at(-1)
    if (last && n === last[1] + 1) last[1] = n
    else parts.push([n, n])
  }
  return parts.map(([a, b]) => (a === b ? String(a) : `${a}\u2013${b}`)).join(', ')
}

function atInput(node: DeviceNode, port: string, number: number, long: string, short: string): NamedAt {
  const mix = mixOf(node.model)
  const room = mix?.longName ?? 24
  return {
    switcher: node.id,
    switcherName: node.device.name,
    port,
    number,
    label: own(node.device.ports, port)?.label,
    long: long.slice(0, Math.min(room, 24)).trim(),
    short: short.slice(0, mix?.shortName ?? MOST_SHORT),
    lost: Math.max(0, long.length - Math.min(room, 24)),
  }
}

/** The sources that a switcher can show, through feeders too; rings end. */
function behind(traced: Traced, node: DeviceNode, seen: ReadonlySet<string> = new Set()): string[] {
  if (seen.has(node.id)) return []
  return pictureInputs(node).flatMap(([port]) => {
    const origin = runInto(traced, { device: node.id, port })?.origin?.device
    const from = origin === undefined ? undefined : traced.chain.nodes.get(origin)
    if (!from) return []
    return isSwitcher(from) ? behind(traced, from, new Set([...seen, node.id])) : [from.id]
  })
}

/** One record of names over the whole chain: sources under their numbers, links by their ranges, multiviews as laid out. */
export function namesOf(traced: Traced): Names {
  const calls = callsOf(traced)
  const mixers = mixersOf(traced).filter(isSwitcher)
  const links: NamedLink[] = []
  const at = new Map<string, NamedAt[]>()
  const shortNow = ({ device }: DeviceNode): string => device.short ?? shortOf(device.name, MOST_SHORT)
  for (const node of mixers)
    for (const [port, { number }] of pictureInputs(node)) {
      const origin = runInto(traced, { device: node.id, port })?.origin?.device
      const from = origin === undefined ? undefined : traced.chain.nodes.get(origin)
      if (!from) continue
      if (isSwitcher(from)) {
        const range = rangeOf(behind(traced, from).flatMap(id => calls.get(id) ?? []))
        const long = range ? `${from.device.name} ${range}` : from.device.name
        const named = atInput(node, port, number!, long, shortNow(from))
        links.push({ ...named, feeder: from.id, feederName: from.device.name, range: long })
        continue
      }
      const named = atInput(
        node,
        port,
        number!,
        `${calls.get(from.id) ?? ''} ${from.device.name}`.trim(),
        shortNow(from),
      )
      at.set(from.id, [...(at.get(from.id) ?? []), named])
    }
  const sources = [...calls]
    .map(([id, call]): Named => {
      const node = traced.chain.nodes.get(id)!
      return {
        device: id,
        name: node.device.name,
        call,
        said: node.device.call !== undefined,
        short: shortNow(node),
        shortSaid: node.device.short !== undefined,
        at: at.get(id) ?? [],
      }
    })
    .sort((a, b) => a.call - b.call || (a.device < b.device ? -1 : 1))
  return { sources, links, tilings: mixers.flatMap(node => tilingsOf(traced, node)) }
}

function tilingsOf(traced: Traced, node: DeviceNode): Tiling[] {
  return portsOf(node.model, 'out').flatMap(([port, row]): Tiling[] => {
    const set = own(node.device.ports, port)
    if (!row.feeds?.includes('multiview') || (set?.feed ?? row.feeds[0]) !== 'multiview') return []
    return [
      {
        device: node.id,
        name: node.device.name,
        port,
        title: row.title,
        to: traced.runs
          .filter(({ origin, end }) => end && origin?.device === node.id && origin.port === port)
          .map(({ end }) => traced.chain.nodes.get(end!.device)!.device.name),
        tiles: tilesOf(node, set?.tiles).map(id => ({ id, ...tileName(traced, node, id) })),
        said: set?.tiles !== undefined,
      },
    ]
  })
}

function tileName(traced: Traced, node: DeviceNode, id: string): { name: string; lit: boolean } {
  if (id === 'preview' || id === 'program') return { name: id, lit: true }
  const run = runInto(traced, { device: node.id, port: id })
  const from = run?.origin && traced.chain.nodes.get(run.origin.device)
  const number = node.model.ports[id]?.number
  const label = own(node.device.ports, id)?.label
  return { name: label ?? `${number} ${from?.device.name ?? 'free'}`, lit: run?.lit ?? false }
}
