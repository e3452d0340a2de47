import { mixOf } from '#core/catalog'
import { type Traced, endName, isSwitcher } from '#core/chain'
import { type Overlay, own } from '#core/document'
import { type Scene, scenesOf } from '#core/picture'
import { type Picture, makesGraphics, pictureFrom, segmentsOf, stateBefore, taken } from '#core/run'
import { allLaid, keyersOf } from './laid'

/** An overlay as its screen shows it. */
export interface OverlayRow {
  readonly id: string
  readonly overlay: Overlay
  /** "by brightness, Main input 4". */
  readonly how: string
  readonly switcher?: string
  /** Keyers that can cut it out, 1, 2 ... */
  readonly keyers: readonly number[]
  /** It over a picture that it may lie over. */
  readonly picture: Picture
  readonly fill: Picture
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
    rows: allLaid(traced).map(({ id, overlay, node, input, keyers }): OverlayRow => {
      const where = node && input !== undefined ? `, ${endName(traced, { device: node.id, port: input })}` : ''
      return {
        id,
        overlay,
        how: `${KIND_WORDS[overlay.kind]}${where}`,
        ...(node ? { switcher: node.id } : {}),
        keyers: keyers ?? [],
        picture: over(traced, id),
        fill: { of: 'source', device: overlay.fill, port: own(plan.devices, overlay.fill) ? 'fill' : '' },
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

/** The program of its switcher with nothing but the overlay in it, over the first picture there that is another. */
function over(traced: Traced, id: string): Picture {
  const one = allLaid(traced).find(other => other.id === id)!
  const { node, overlay, keyers } = one
  const keyer = keyers?.[0]
  if (!node) return { of: 'none' }
  const under = traced.runs.find(
    ({ lit, beside, end, origin }) => lit && !beside && end?.device === node.id && origin?.device !== overlay.fill,
  )
  const program = under?.end?.port
  const state = taken(stateBefore(traced), {
    title: '',
    order: 0,
    ...(program === undefined ? {} : { program: { [node.id]: program } }),
    ...(keyer === undefined ? {} : { keys: { [node.id]: { [keyer]: id } } }),
    contents: { [overlay.fill]: overlay.kind === 'box' ? 'full' : 'caption' },
  })
  return pictureFrom(traced, state, { device: node.id, port: '' }, 'program')
}
