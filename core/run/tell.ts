import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { listWords } from '#core/words'
import { type Picture, shownIn } from './compose'

/** Nothing comes, or what is at the bottom of it does not. */
export const isDark = (picture: Picture): boolean =>
  picture.of === 'none' || (picture.of === 'mix' && isDark(picture.layers[0]!.picture))

/** "Close camera with Names over it"; of tiles how many; of nothing that. */
export function wordsOf(traced: Traced, picture: Picture): string {
  const name = (id: string) => traced.chain.nodes.get(id)?.device.name ?? id
  if (picture.of === 'none') return 'dark'
  if (picture.of === 'black') return 'black'
  if (picture.of === 'loop') return `${name(picture.device)} shows itself`
  if (picture.of === 'tiles') return `${picture.tiles.length} tiles`
  if (picture.of === 'source') return name(picture.device) + (picture.content ? `, ${picture.content}` : '')
  const [background, ...keys] = picture.layers
  const shown = shownIn(background!.picture)
  const base = background!.picture.of === 'mix' ? wordsOf(traced, background!.picture) : undefined
  const words = base ?? (shown.length ? name(shown[0]!.device) : wordsOf(traced, background!.picture))
  const over = keys.map(({ overlay }) => own(traced.plan.overlays, overlay)?.title ?? 'a key')
  return over.length ? `${words} with ${listWords(over)}` : words
}
