import type { Traced } from '#core/chain'
import { count, text } from '#core/kernel'
import { largerSwitcher, rule } from '#core/propose'
import { listWords } from '#core/words'
import { type Laid, allLaid, assigned, laidIn, litIn } from '../laid'
import { without } from '../offers'

export const keyerTwice = rule({
  code: 'K07',
  about: 'More is to be laid over pictures in one segment than the switcher has keyers for.',
  messages: {
    twice: {
      severity: 'D',
      says: '{overlay} finds no keyer: {others} {hold} what {switcher} could cut it out with.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    unplaced(traced).map(({ one, rivals }) =>
      say(
        'twice',
        { on: 'overlay', overlay: one.id },
        {
          overlay: text(one.overlay.title),
          others: text(listWords(rivals.map(({ overlay }) => overlay.title))),
          hold: text(rivals.length === 1 ? 'holds' : 'hold'),
          switcher: text(one.node!.device.name),
          keyers: count(one.keyers!.length),
        },
      ),
    ),
  remedies: (traced, { at, segments = [] }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (!one?.node) return []
    const { node, overlay, keyers } = one
    return [
      ...largerSwitcher(
        traced,
        node,
        row =>
          (row.mix?.keyers ?? []).filter(({ kinds }) => kinds.includes(overlay.kind)).length > (keyers?.length ?? 0),
      ),
      without(traced, one, segments),
    ]
  },
})

/** Overlays of the segment that no keyer is left for, unless its looks show each in its turn. */
function unplaced(traced: Traced): { one: Laid; rivals: Laid[] }[] {
  const lit = litIn(traced)
  // Those that a look lights hold their keyer; of the others nobody has said when they are on.
  const laid = laidIn(traced)
    .filter(({ node, keyers }) => node && keyers?.length)
    .sort((a, b) => Number(lit.has(b.id)) - Number(lit.has(a.id)))
  const places = assigned(laid)
  if (places.size === laid.length) return []
  return laid
    .filter(({ id, node, keyers }) => {
      if (places.has(id)) return false
      const turns = lit.get(id) ?? []
      return !turns.some(({ device, keyer }) => device === node!.id && keyers!.includes(Number(keyer)))
    })
    .map(one => ({
      one,
      rivals: laid.filter(
        other => other.node === one.node && places.has(other.id) && one.keyers!.includes(places.get(other.id)!),
      ),
    }))
}
