import { type Feed, type KeyKind, type Model, TAPS, type TapLayer, carriesPicture, mixOf, portsOf } from '#core/catalog'
import { type DeviceNode, type Run, type Traced, gathers, isSwitcher, socketKey } from '#core/chain'
import { BLACK, type Box, type Content, type LinkEnd, type Overlay, own } from '#core/document'
import { fact } from '#core/kernel'
import type { MixState, ShowState } from './state'

/** A picture as it is made: what it shows, down to the sources. */
export type Picture =
  | { readonly of: 'source'; readonly device: string; readonly port: string; readonly content?: Content }
  /** Black on purpose: no input, or faded. */
  | { readonly of: 'black' }
  /** No signal: nothing is connected, or what comes is not taken. */
  | { readonly of: 'none' }
  /** It shows itself. */
  | { readonly of: 'loop'; readonly device: string }
  | { readonly of: 'mix'; readonly device: string; readonly tap: Feed; readonly layers: readonly Layer[] }
  | { readonly of: 'tiles'; readonly device: string; readonly tiles: readonly Tile[] }

/** One layer of a mix; the first lies at the bottom. */
export interface Layer {
  readonly picture: Picture
  /** The input that it comes by. */
  readonly port: string
  readonly as: 'background' | 'key'
  /** Keys alone. */
  readonly keyer?: string
  readonly overlay?: string
  readonly kind?: KeyKind
  readonly box?: Box
  /** The key signal of a linear key, where it comes with one. */
  readonly key?: Picture
}

export interface Tile {
  /** What the tile is: an input, or a bus. */
  readonly port: string
  readonly label: string
  readonly picture: Picture
}

/** Runs with a picture, by the input in which they end. */
const endsFact = fact<Traced, ReadonlyMap<string, Run>>('runs by their end', ({ runs }) => {
  const found = new Map<string, Run>()
  for (const run of runs)
    if (!run.beside && run.end) {
      const key = socketKey(run.end.device, run.end.port)
      if (!found.has(key)) found.set(key, run)
    }
  return found
})

export const runInto = (traced: Traced, { device, port }: LinkEnd): Run | undefined =>
  traced.ask(endsFact).get(socketKey(device, port))

/** What an input shows in a state: of a screen, or of a switcher. Each device is entered once on the way. */
export function pictureAt(traced: Traced, state: ShowState, end: LinkEnd, through: readonly string[] = []): Picture {
  const run = runInto(traced, end)
  return run?.lit && run.origin ? pictureFrom(traced, state, run.origin, run.links[0]?.signal?.feed, through) : NONE
}

export const NONE: Picture = { of: 'none' }
const DARK: Picture = { of: 'black' }

/** What an output carries in a state. */
export function pictureFrom(
  traced: Traced,
  state: ShowState,
  { device, port }: LinkEnd,
  set: Feed | undefined,
  through: readonly string[] = [],
): Picture {
  const node = traced.chain.nodes.get(device)!
  if (through.includes(device)) return { of: 'loop', device }
  const inner = [...through, device]
  if (!gathers(node)) {
    const content = own(state.contents, device)
    return { of: 'source', device, port, ...(content ? { content } : {}) }
  }
  if (!isSwitcher(node)) return tiles(traced, state, node, inner)
  const feed = own(own(state.outputs, device), port) ?? set ?? 'program'
  return feed === 'multiview' ? multiview(traced, state, node, inner) : mixed(traced, state, node, feed, inner)
}

/** The layers before a tap of a model, bottom first. */
export const tapOf = (model: Model, feed: Feed): readonly TapLayer[] => mixOf(model)?.taps?.[feed] ?? TAPS[feed]

function mixed(traced: Traced, state: ShowState, node: DeviceNode, tap: Feed, through: readonly string[]): Picture {
  const mix = own(state.mixers, node.id)
  const within = tapOf(node.model, tap)
  const shown = tap === 'preview' ? mix?.preview : mix?.program
  if (mix?.faded && within.includes('fade') && tap !== 'preview') return DARK
  const input = (port: string) => pictureAt(traced, state, { device: node.id, port }, through)
  const background: Layer = {
    picture: shown === undefined || shown === BLACK ? DARK : input(shown),
    port: shown ?? BLACK,
    as: 'background',
  }
  return { of: 'mix', device: node.id, tap, layers: [background, ...keyLayers(traced, node, mix, within, input)] }
}

/** The lit keys in the order in which they lie, as far as a tap has them. */
function keyLayers(
  traced: Traced,
  node: DeviceNode,
  mix: MixState | undefined,
  within: readonly TapLayer[],
  input: (port: string) => Picture,
): Layer[] {
  const keyers = mixOf(node.model)?.keyers ?? []
  return (['before', 'after'] as const)
    .filter(place => within.includes(place))
    .flatMap(place =>
      keyers.flatMap((keyer, i): Layer[] => {
        const number = String(i + 1)
        const id = keyer.place === place ? own(mix?.keys, number) : undefined
        const overlay = id === undefined ? undefined : own(traced.plan.overlays, id)
        if (id === undefined || !overlay) return []
        // Where the box is tied to an input, that one is seen in it, whatever was meant.
        const port =
          overlay.kind === 'box' && node.model.inset ? node.model.inset : fillInput(traced, node, overlay.fill)
        return [
          {
            picture: port === undefined ? ownGraphic(node, overlay) : input(port),
            port: port ?? '',
            as: 'key',
            keyer: number,
            overlay: id,
            kind: overlay.kind,
            ...(overlay.box ? { box: overlay.box } : {}),
            ...(overlay.kind === 'linear' ? keySignal(traced, node, overlay, input) : {}),
          },
        ]
      }),
    )
}

/**
 * The input of a switcher by which a source's picture comes in: straight, or by a feeder that can show it. Straight ones
 * first. Of a source with fill and key, the fill.
 */
export function fillInput(traced: Traced, { id, model }: DeviceNode, source: string): string | undefined {
  const inputs = portsOf(model, 'in').filter(([, port]) => carriesPicture(port))
  const straight = inputs.find(([port]) => {
    const origin = runInto(traced, { device: id, port })?.origin
    return origin?.device === source && origin.port !== 'key'
  })
  return (straight ?? inputs.find(([port]) => linkTo(traced, { device: id, port }, source)))?.[0]
}

/** A graphic that the mixing device makes or holds itself, where the overlay names it as its source. */
const ownGraphic = (node: DeviceNode, { fill }: Overlay): Picture =>
  makesGraphics(node, fill) ? { of: 'source', device: node.id, port: 'own', content: 'caption' } : NONE

/** A mixing device that shows its own stills or graphics needs no cable for them. */
export const makesGraphics = ({ id, model }: DeviceNode, fill: string): boolean =>
  fill === id && (mixOf(model)?.stills ?? 0) > 0

/** What comes by the input of the key signal: of a source of its own, or of the fill's second output. */
function keySignal(
  traced: Traced,
  { id, model }: DeviceNode,
  { fill, key }: Overlay,
  input: (port: string) => Picture,
): { key?: Picture } {
  const port = portsOf(model, 'in').find(([port]) => {
    const origin = runInto(traced, { device: id, port })?.origin
    return key === undefined ? origin?.device === fill && origin.port === 'key' : origin?.device === key
  })?.[0]
  return port === undefined ? {} : { key: input(port) }
}

/** The feeder behind an input, where a source reaches that input through it. */
export function linkTo(
  traced: Traced,
  end: LinkEnd,
  source: string,
  through: readonly string[] = [],
): string | undefined {
  const origin = runInto(traced, end)?.origin
  const node = origin && traced.chain.nodes.get(origin.device)
  if (!node || !isSwitcher(node) || through.includes(node.id)) return undefined
  const reaches = portsOf(node.model, 'in').some(([port]) => {
    const inner = { device: node.id, port }
    const from = runInto(traced, inner)?.origin
    return (
      (from?.device === source && from.port !== 'key') ||
      linkTo(traced, inner, source, [...through, node.id]) !== undefined
    )
  })
  return reaches ? node.id : undefined
}

function multiview(traced: Traced, state: ShowState, node: DeviceNode, through: readonly string[]): Picture {
  const bus = (tap: Feed, label: string): Tile => ({
    port: tap,
    label,
    picture: mixed(traced, state, node, tap, through),
  })
  return {
    of: 'tiles',
    device: node.id,
    tiles: [bus('preview', 'next'), bus('program', 'on air'), ...inputTiles(traced, state, node, through)],
  }
}

const tiles = (traced: Traced, state: ShowState, node: DeviceNode, through: readonly string[]): Picture => ({
  of: 'tiles',
  device: node.id,
  tiles: inputTiles(traced, state, node, through),
})

const inputTiles = (traced: Traced, state: ShowState, node: DeviceNode, through: readonly string[]): Tile[] =>
  portsOf(node.model, 'in')
    .filter(([, port]) => carriesPicture(port))
    .map(([port, row]) => ({
      port,
      label: own(node.device.ports, port)?.label ?? String(row.number ?? row.title),
      picture: pictureAt(traced, state, { device: node.id, port }, through),
    }))

/** Every source that a picture shows, outermost first, with how it comes to be there. */
export interface Shown {
  readonly device: string
  readonly as: 'background' | 'key' | 'tile'
  readonly kind?: KeyKind
  readonly overlay?: string
  readonly content?: Content
}

export function shownIn(picture: Picture, as: Shown['as'] = 'background', key?: Layer): Shown[] {
  if (picture.of === 'source')
    return [
      {
        device: picture.device,
        as,
        ...(key?.kind ? { kind: key.kind } : {}),
        ...(key?.overlay ? { overlay: key.overlay } : {}),
        ...(picture.content ? { content: picture.content } : {}),
      },
    ]
  if (picture.of === 'mix')
    return picture.layers.flatMap(layer =>
      layer.as === 'key'
        ? shownIn(layer.picture, as === 'tile' ? 'tile' : 'key', layer)
        : shownIn(layer.picture, as, key),
    )
  if (picture.of === 'tiles') return picture.tiles.flatMap(tile => shownIn(tile.picture, 'tile'))
  return []
}
