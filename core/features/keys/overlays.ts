import { KEY_SCALE, type KeyScale, keyScaleOf, mixOf } from '#core/catalog'
import { type Traced, deviceName, endName, isSwitcher, weightsOf } from '#core/chain'
import { type Cut, type FillKind, type Overlay, type PhotographEntry, cutOf } from '#core/document'
import { type Misread, type Scene, type Weights, scenesOf } from '#core/picture'
import { type Picture, makesGraphics, pictureFrom, segmentsOf, stateBefore, taken } from '#core/run'
import { type Hall, hallsOf } from './halls'
import { judgedAt, photographsUnder, settable } from './judged'
import { allLaid, keyersOf } from './laid'
import { stepsApart } from './pairs'
import { penLoops } from './pen'

/** An overlay as its screen shows it. */
export interface OverlayRow {
  readonly id: string
  readonly overlay: Overlay
  /** "by brightness, Main input 4". */
  readonly how: string
  readonly switcher?: string
  /** Keyers that can cut it out, 1, 2 ... */
  readonly keyers: readonly number[]
  /** It over each picture that it may lie over; the first is a usual one. */
  readonly over: readonly { readonly device: string; readonly name: string; readonly picture: Picture }[]
  /** How its keyer stands, as the panel can be set, and what that panel shows. */
  readonly cut: Cut
  readonly scale: KeyScale
  readonly misread?: Misread
  readonly weights?: Weights
  readonly sends?: FillKind
  /** How its fill and its key lie on each other; absent, where it has not both. */
  readonly apart?: ReturnType<typeof stepsApart>
  /** Photographs of the sources that it may lie over. */
  readonly photographs: readonly PhotographEntry[]
  /** Screens of a hall on which it is seen. */
  readonly halls: readonly Hall[]
}

export interface Overlays {
  readonly rows: readonly OverlayRow[]
  readonly scenes: Readonly<Record<string, Scene>>
  /** Switchers with their keyers, those that lie over pictures anywhere. */
  readonly switchers: readonly {
    readonly device: string
    readonly name: string
    readonly keyers: readonly { readonly title: string; readonly words: string }[]
  }[]
  readonly segments: readonly { readonly id: string; readonly title: string }[]
  readonly sources: readonly { readonly device: string; readonly name: string }[]
  /** What is drawn by pen: from the pen to its mark, ms, absent where the loop is open; and how far beside it, pixels. */
  readonly loops: readonly { readonly overlay: string; readonly ms: number | undefined; readonly offPx: number }[]
}

const KIND_WORDS = {
  luma: 'by brightness',
  linear: 'by a key signal',
  chroma: 'by a colour',
  pattern: 'by a shape',
  box: 'as a box',
} as const

export function overlaysOf(traced: Traced): Overlays {
  const { chain, plan } = traced
  const switchers = [...chain.nodes.values()].filter(node => keyersOf(node) !== undefined)
  return {
    rows: allLaid(traced).map((laid): OverlayRow => {
      const { id, overlay, node, input, keyers } = laid
      const where = node && input !== undefined ? `, ${endName(traced, { device: node.id, port: input })}` : ''
      return {
        id,
        overlay,
        how: `${KIND_WORDS[overlay.kind]}${where}`,
        ...(node ? { switcher: node.id } : {}),
        keyers: keyers ?? [],
        over: over(traced, id),
        photographs: photographsUnder(traced, laid),
        halls: hallsOf(traced, laid),
        apart: stepsApart(traced, laid),
        ...standOf(traced, id),
      }
    }),
    scenes: scenesOf(traced),
    switchers: switchers
      .sort((a, b) => a.device.order - b.device.order || (a.id < b.id ? -1 : 1))
      .map(({ id, device, model }) => ({
        device: id,
        name: device.name,
        keyers: (mixOf(model)?.keyers ?? []).map(({ title, place, kinds }) => ({
          title,
          words: `${place === 'before' ? 'in the mix' : 'over the mix'}; ${kinds.map(kind => KIND_WORDS[kind]).join(', ')}`,
        })),
      })),
    loops: penLoops(traced).map(({ laid, maker, leads, loopMs, offPx }) => ({
      overlay: laid.id,
      ms: leads === maker.id ? loopMs : undefined,
      offPx,
    })),
    segments: segmentsOf(plan).map(([id, { title }]) => ({ id, title })),
    sources: [...chain.nodes.values()]
      .filter(node => node.model.role === 'source' || makesGraphics(node, node.id))
      .sort(
        (a, b) =>
          Number(isSwitcher(a)) - Number(isSwitcher(b)) || a.device.order - b.device.order || (a.id < b.id ? -1 : 1),
      )
      .map(node => ({ device: node.id, name: isSwitcher(node) ? `a still of ${node.device.name}` : node.device.name })),
  }
}

/** How its keyer stands. */
function standOf(traced: Traced, id: string): Pick<OverlayRow, 'cut' | 'scale' | 'misread' | 'weights' | 'sends'> {
  const judged = judgedAt(traced, id)
  if (judged)
    return {
      cut: judged.cut,
      scale: judged.scale,
      ...(judged.misread ? { misread: judged.misread } : {}),
      ...(judged.weights ? { weights: judged.weights } : {}),
      ...(judged.sends ? { sends: judged.sends } : {}),
    }
  const { overlay, node } = allLaid(traced).find(one => one.id === id)!
  const scale = node ? keyScaleOf(node.model) : KEY_SCALE
  const weights = node && weightsOf(node)
  return { cut: settable(scale, cutOf(overlay)), scale, ...(weights ? { weights } : {}) }
}

/** Pictures that one may look at an overlay over: those with a photograph first, then the safe one, then other cameras. */
const MOST_PICTURES = 12
const rankOf = ({ plan, chain }: Traced, device: string): number => {
  const { shot } = plan.devices[device]!
  if (Object.values(plan.photographs).some(({ source }) => source === device)) return 0
  return shot === 'safe' ? 1 : chain.nodes.get(device)?.model.kind === 'camera' ? 2 : 3
}

/** Pictures that come to a switcher, straight or through those before it, with what each of them has on program then. */
function* comingTo(
  traced: Traced,
  device: string,
  program: Readonly<Record<string, string>> = {},
): Generator<{ readonly device: string; readonly program: Readonly<Record<string, string>> }> {
  for (const { lit, beside, end, origin } of traced.runs) {
    if (!lit || beside || end?.device !== device || !origin) continue
    const taken = { ...program, [device]: end.port }
    const isLink = isSwitcher(traced.chain.nodes.get(origin.device)!) && !Object.hasOwn(program, origin.device)
    const before = isLink ? [...comingTo(traced, origin.device, taken)] : []
    if (before.length) yield* before
    else yield { device: origin.device, program: taken }
  }
}

/** The program of its switcher with nothing but the overlay in it, over each other picture that comes there. */
function over(traced: Traced, id: string): OverlayRow['over'] {
  const { node, overlay, keyers } = allLaid(traced).find(other => other.id === id)!
  const keyer = keyers?.[0]
  if (!node) return []
  return [...comingTo(traced, node.id)]
    .filter(({ device }, i, all) => device !== overlay.fill && all.findIndex(one => one.device === device) === i)
    .sort((a, b) => rankOf(traced, a.device) - rankOf(traced, b.device))
    .slice(0, MOST_PICTURES)
    .map(({ device, program }) => {
      const state = taken(stateBefore(traced), {
        title: '',
        order: 0,
        program,
        ...(keyer === undefined ? {} : { keys: { [node.id]: { [keyer]: id } } }),
        contents: { [overlay.fill]: overlay.kind === 'box' ? 'full' : 'caption' },
      })
      return {
        device,
        name: deviceName(traced, device),
        picture: pictureFrom(traced, state, { device: node.id, port: '' }),
      }
    })
}
