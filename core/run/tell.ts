import type { Traced } from '#core/chain'
import { own } from '#core/document'
import { listWords } from '#core/words'
import type { Picture } from './tree'

/** Nothing comes, or what is at the bottom of it does not. */
export const isDark = (picture: Picture): boolean =>
  picture.of === 'none' ||
  (picture.of === 'held' && isDark(picture.picture)) ||
  (picture.of === 'mix' && isDark(picture.layers[0]!.picture))

/** "Close camera with Names over it"; of tiles how many; of nothing that. */
export function wordsOf(traced: Traced, picture: Picture): string {
  const name = (id: string) => traced.chain.nodes.get(id)?.device.name ?? id
  if (picture.of === 'none') return picture.lost === 'colour' ? 'a plain colour, without signal' : 'dark'
  if (picture.of === 'held') return `${wordsOf(traced, picture.picture)}, standing still without signal`
  if (picture.of === 'black') return 'black'
  if (picture.of === 'loop') return `${name(picture.device)} shows itself`
  if (picture.of === 'tiles') return `${picture.tiles.length} tiles`
  if (picture.of === 'source') return name(picture.device) + stateWords(traced, picture)
  const [background, ...keys] = picture.layers
  const words = wordsOf(traced, background!.picture)
  const over = keys.map(({ overlay }) => own(traced.plan.overlays, overlay)?.title ?? 'a key')
  return over.length ? `${words} with ${listWords(over)}` : words
}

const STORED = { loading: 'a still that still loads', empty: 'a still that is not loaded' } as const

/** What is made to be cut out shows its ground where nobody cuts it. */
const pageWords = ({ words, graphic }: Extract<Picture, { of: 'source' }>): string | undefined =>
  words && graphic ? `${words} ${graphic.as === 'on black' ? 'on its black ground' : 'without its key'}` : undefined

function stateWords({ plan }: Traced, picture: Extract<Picture, { of: 'source' }>): string {
  const { content, moving, clip, store } = picture
  const title = clip && own(plan.clips, clip.id)?.title
  const played = { 'pre-roll': `${title}, not yet begun`, 'plays': title, 'over': `${title}, past its end` }
  return [content, pageWords(picture), store && STORED[store], moving ? 'moving' : undefined, clip && played[clip.at]]
    .map(word => (word ? `, ${word}` : ''))
    .join('')
}
