import {
  type Feed,
  type KeyKind,
  type Model,
  TAPS,
  type TapLayer,
  carriesPicture,
  mixOf,
  portsOf,
  isFeed,
} from '#core/catalog'
import { type DeviceNode, type Traced, gathers, isSwitcher, runInto, pointedAt, weightsOf } from '#core/chain'
import { BLACK, type Content, type LinkEnd, type Overlay, cutOf, own, screenOf } from '#core/document'
import { fact } from '#core/kernel'
import { type MixState, type Seeing, type ShowState, atRest, mixerNodes } from './state'
import { storesOf } from './stores'
import type { Layer, Picture, Tile } from './tree'

/** What an input shows: of a screen, or of a switcher. Each device is entered once on the way. */
export function pictureAt(
  traced: Traced,
  state: ShowState | Seeing,
  end: LinkEnd,
  through: readonly string[] = [],
): Picture {
  const run = runInto(traced, end)
  const instead = 'mixers' in state ? undefined : state.instead?.(end)
  if (instead) return instead
  return run?.lit && run.origin ? pictureFrom(traced, state, run.origin, through) : NONE
}

export const NONE: Picture = { of: 'none' }
const DARK: Picture = { of: 'black' }

type Page = readonly [overlay: string, Overlay]

/** By source: the overlays whose graphics it sends to be cut out, in their order. It is the first, with its ground, wherever its own picture is seen. */
const pagesFact = fact<Traced, ReadonlyMap<string, readonly Page[]>>('pages to be keyed', ({ plan }) => {
  const found = new Map<string, Page[]>()
  for (const page of Object.entries(plan.overlays).sort(([, a], [, b]) => a.order - b.order)) {
    const [, { kind, fill, graphic }] = page
    if ((kind === 'luma' || kind === 'linear') && own(plan.graphics, graphic))
      found.set(fill, [...(found.get(fill) ?? []), page])
  }
  return found
})

/** On a multiview a source of several pages is seen with the one that is lit. */
function asLit(traced: Traced, seeing: Seeing, picture: Picture): Picture {
  if (picture.of !== 'source' || picture.content !== undefined || !picture.graphic) return picture
  const pages = (traced.ask(pagesFact).get(picture.device) ?? []).filter(
    ([, { output }]) => (output ?? picture.port) === picture.port,
  )
  if (pages.length < 2) return picture
  const lit = new Set(mixerNodes(traced).flatMap(({ id }) => Object.values(seeing.mixer(id)?.keys ?? {})))
  const page = pages.find(([id]) => lit.has(id))
  return page ? worded(traced, picture, page[1], 'fill') : picture
}

/** What an output carries in a state. */
export function pictureFrom(
  traced: Traced,
  given: ShowState | Seeing,
  { device, port }: LinkEnd,
  through: readonly string[] = [],
): Picture {
  const node = traced.chain.nodes.get(device)!
  if (through.includes(device)) return { of: 'loop', device }
  const seeing = 'mixers' in given ? atRest(given) : given
  const inner = [...through, device]
  if (!gathers(node)) {
    const content = seeing.content(device, port)
    const clip = seeing.clip?.(device)
    const preset = seeing.preset(device)
    const page = content === undefined && port !== 'key' ? traced.ask(pagesFact).get(device)?.[0]?.[1] : undefined
    const source: Picture = {
      of: 'source',
      device,
      port,
      ...(content ? { content } : {}),
      ...(preset === undefined ? {} : { preset }),
      ...(seeing.moving?.(device) ? { moving: true as const } : {}),
      ...(clip ? { clip } : {}),
    }
    return page && (page.output ?? port) === port ? worded(traced, source, page, 'fill') : source
  }
  if (!isSwitcher(node)) return tiles(traced, seeing, node, inner)
  const pointed = seeing.feed(device, port) ?? pointedAt(node, port) ?? 'program'
  if (pointed === 'multiview') return multiview(traced, seeing, node, inner)
  // One input by itself: nothing of the mix, no key and no fade lies before that tap.
  if (!isFeed(pointed)) return pictureAt(traced, seeing.into(device, pointed), { device, port: pointed }, inner)
  return mixed(traced, seeing, node, pointed, inner)
}

/** The layers before a tap of a model, bottom first. */
export const tapOf = (model: Model, feed: Feed): readonly TapLayer[] => mixOf(model)?.taps?.[feed] ?? TAPS[feed]

function mixed(traced: Traced, seeing: Seeing, node: DeviceNode, tap: Feed, through: readonly string[]): Picture {
  const mix = seeing.mixer(node.id)
  const within = tapOf(node.model, tap)
  const shown = tap === 'preview' ? mix?.preview : mix?.program
  if (mix?.faded && (mix.black ?? 1) === 1 && within.includes('fade') && tap !== 'preview') return DARK
  const input = (port: string) => pictureAt(traced, seeing.into(node.id, port), { device: node.id, port }, through)
  const bus = (port: string | undefined): Layer => ({
    picture: port === undefined || port === BLACK ? DARK : input(port),
    port: port ?? BLACK,
    as: 'background',
  })
  const layers = [
    ...(tap === 'preview' || !mix?.incoming
      ? [bus(shown)]
      : between(bus(shown), bus(mix.incoming.input), mix.incoming)),
    ...keyLayers(traced, node, mix, within, input),
  ]
  const black = within.includes('fade') && tap !== 'preview' ? (mix?.black ?? 0) : 0
  return {
    of: 'mix',
    device: node.id,
    tap,
    layers:
      black > 0 && black < 1
        ? [
            ...layers,
            { picture: DARK, port: BLACK, as: 'fade', share: black, ...(mix?.lifting ? { going: true as const } : {}) },
          ]
        : layers,
  }
}

/** Two pictures on their way from one to the other. A dip goes by black: alone in its middle. */
function between(
  old: Layer,
  next: Layer,
  { share, style, soft, mid = 0.5 }: NonNullable<MixState['incoming']>,
): Layer[] {
  if (style === 'wipe') return [old, { ...next, share, wipe: true, ...(soft ? { soft } : {}) }]
  if (style === 'mix') return [old, { ...next, share }]
  const dip: Layer = { picture: DARK, port: BLACK, as: 'background' }
  return share < mid - 1e-9
    ? [old, { ...dip, share: share / mid }]
    : [dip, { ...next, share: Math.max(0, share - mid) / (1 - mid) }]
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
  const weights = weightsOf(node)
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
          overlay.kind === 'box' && node.model.inset
            ? node.model.inset
            : fillInput(traced, node, overlay.fill, overlay.output)
        return [
          {
            picture: worded(
              traced,
              port === undefined ? ownGraphic(traced, node, mix, id) : input(port),
              overlay,
              'fill',
            ),
            port: port ?? '',
            as: 'key',
            keyer: number,
            overlay: id,
            kind: overlay.kind,
            ...(own(mix?.shares, number) === undefined
              ? {}
              : { share: mix!.shares![number]!, ...(mix?.going?.includes(number) ? { going: true as const } : {}) }),
            ...(overlay.box ? { box: overlay.box } : {}),
            ...(overlay.mask ? { mask: overlay.mask } : {}),
            ...(overlay.kind === 'pattern' && overlay.shape ? { shape: overlay.shape } : {}),
            ...(overlay.kind === 'linear' ? keySignal(traced, node, overlay, input) : {}),
            ...(overlay.kind === 'luma' || overlay.kind === 'linear'
              ? { cut: cutOf(overlay), ...(weights ? { weights } : {}) }
              : {}),
            ...(overlay.kind === 'chroma' ? { screen: screenOf(overlay) } : {}),
          },
        ]
      }),
    )
}

/**
 * The input of a switcher by which a source's picture comes in: straight, or by a feeder that can show it. Straight ones
 * first. Of a source with fill and key, the fill; of one with several outputs, that which is named.
 */
export function fillInput(
  traced: Traced,
  { id, model }: DeviceNode,
  source: string,
  output?: string,
): string | undefined {
  const inputs = portsOf(model, 'in').filter(([, port]) => carriesPicture(port))
  const straight = inputs.find(([port]) => {
    const origin = runInto(traced, { device: id, port })?.origin
    return origin?.device === source && (output === undefined ? origin.port !== 'key' : origin.port === output)
  })
  return (straight ?? inputs.find(([port]) => linkTo(traced, { device: id, port }, source)))?.[0]
}

/** A source that is laid over others shows the overlay's graphic, or else its name. */
function worded(traced: Traced, picture: Picture, overlay: Overlay, part: 'fill' | 'key'): Picture {
  if (picture.of !== 'source' || overlay.kind === 'box') return picture
  const graphic = overlay.graphic === undefined ? undefined : own(traced.plan.graphics, overlay.graphic)
  const sends = overlay.sends ?? (graphic?.straight ? 'straight' : 'premultiplied')
  const as = part === 'key' ? 'key' : overlay.kind === 'linear' && sends === 'straight' ? 'straight' : 'on black'
  return {
    ...picture,
    words: overlay.title,
    ...(graphic ? { graphic: { file: graphic.file, as } as const } : {}),
  }
}

/** A graphic that the mixing device makes or holds itself, where the overlay names it as its source. */
function ownGraphic(traced: Traced, node: DeviceNode, mix: MixState | undefined, id: string): Picture {
  if (!makesGraphics(node, traced.plan.overlays[id]!.fill)) return NONE
  const store = Object.entries(storesOf(traced, node, mix)).find(([, one]) => one === id)?.[0]
  const lacks = store === undefined ? 'empty' : mix?.loading?.includes(store) ? 'loading' : undefined
  return { of: 'source', device: node.id, port: 'own', content: 'caption', ...(lacks ? { store: lacks } : {}) }
}

/** A mixing device that shows its own stills or graphics needs no cable for them. */
export const makesGraphics = ({ id, model }: DeviceNode, fill: string): boolean =>
  fill === id && (mixOf(model)?.stills ?? 0) > 0

/**
 * The input by which the key signal of an overlay comes: from a source of its own, from the fill's second output, or from
 * another output of the fill's source, where that is named as both.
 */
export function keyInput(traced: Traced, node: DeviceNode, { fill, key, output }: Overlay): string | undefined {
  const fills = key === fill ? fillInput(traced, node, fill, output) : undefined
  return portsOf(node.model, 'in').find(([port]) => {
    const origin = runInto(traced, { device: node.id, port })?.origin
    if (key === undefined) return origin?.device === fill && origin.port === 'key'
    return origin?.device === key && port !== fills
  })?.[0]
}

/** What comes by the input of the key signal. */
function keySignal(
  traced: Traced,
  node: DeviceNode,
  overlay: Overlay,
  input: (port: string) => Picture,
): { key?: Picture } {
  const port = keyInput(traced, node, overlay)
  return port === undefined ? {} : { key: worded(traced, input(port), overlay, 'key') }
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

function multiview(traced: Traced, seeing: Seeing, node: DeviceNode, through: readonly string[]): Picture {
  const bus = (tap: Feed, label: string): Tile => ({
    port: tap,
    label,
    picture: mixed(traced, seeing, node, tap, through),
  })
  return {
    of: 'tiles',
    device: node.id,
    tiles: [bus('preview', 'next'), bus('program', 'on air'), ...inputTiles(traced, seeing, node, through)],
  }
}

const tiles = (traced: Traced, seeing: Seeing, node: DeviceNode, through: readonly string[]): Picture => ({
  of: 'tiles',
  device: node.id,
  tiles: inputTiles(traced, seeing, node, through),
})

const inputTiles = (traced: Traced, seeing: Seeing, node: DeviceNode, through: readonly string[]): Tile[] =>
  portsOf(node.model, 'in')
    .filter(([, port]) => carriesPicture(port))
    .map(([port, row]) => ({
      port,
      label: own(node.device.ports, port)?.label ?? String(row.number ?? row.title),
      picture: asLit(traced, seeing, pictureAt(traced, seeing.into(node.id, port), { device: node.id, port }, through)),
    }))

/** Every source that a picture shows, outermost first, with how it comes to be there. */
export interface Shown {
  readonly device: string
  readonly port: string
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
        port: picture.port,
        as,
        ...(key?.kind ? { kind: key.kind } : {}),
        ...(key?.overlay ? { overlay: key.overlay } : {}),
        ...(picture.content ? { content: picture.content } : {}),
      },
    ]
  if (picture.of === 'mix')
    return picture.layers
      .filter(({ share }) => share !== 0)
      .flatMap(layer =>
        layer.as === 'key'
          ? shownIn(layer.picture, as === 'tile' ? 'tile' : 'key', layer)
          : shownIn(layer.picture, as, key),
      )
  if (picture.of === 'tiles') return picture.tiles.flatMap(tile => shownIn(tile.picture, 'tile'))
  if (picture.of === 'held') return shownIn(picture.picture, as, key)
  return []
}

/** What a source sends as it is laid over something in a picture: its graphic, on its way and all; undefined where it is not. */
export function laidIn(picture: Picture, device: string): Extract<Picture, { of: 'source' }> | undefined {
  const inner =
    picture.of === 'mix'
      ? picture.layers.filter(({ share }) => share !== 0)
      : picture.of === 'tiles'
        ? picture.tiles
        : picture.of === 'held'
          ? [picture]
          : []
  for (const one of inner) {
    const { picture: source } = one
    const isKey = 'as' in one && one.as === 'key'
    if (isKey && source.of === 'source' && source.device === device && source.graphic) return source
    const found = laidIn(source, device)
    if (found) return found
  }
  return undefined
}

/** Why no picture of this kind may be on air, whatever was meant; undefined where nothing is against it. */
export function unfitIn(picture: Picture): 'lost' | 'moving' | 'pre-roll' | 'over' | 'loading' | 'empty' | undefined {
  switch (picture.of) {
    case 'source':
      if (picture.store) return picture.store
      return picture.moving ? 'moving' : picture.clip && picture.clip.at !== 'plays' ? picture.clip.at : undefined
    case 'held':
      return 'lost'
    case 'none':
      return picture.lost ? 'lost' : undefined
    case 'mix':
      return first(picture.layers.flatMap(({ picture: inner, key, share }) => (share === 0 ? [] : [inner, key])))
    default:
      return undefined
  }
}

function first(pictures: readonly (Picture | undefined)[]): ReturnType<typeof unfitIn> {
  for (const one of pictures) {
    const unfit = one && unfitIn(one)
    if (unfit) return unfit
  }
  return undefined
}
