import { type Traced, deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { type Proposal, connectTo, freeSockets, rule } from '#core/propose'
import { momentsOf, pictureAt, shownIn } from '#core/run'
import { listWords } from '#core/words'
import { type Laid, allLaid, isCaption, laidIn } from '../laid'
import { without } from '../offers'

export const twoContents = rule({
  code: 'K16',
  about: 'One output of a computer must carry captions on black for a key and its full picture at the same time.',
  messages: {
    full: {
      severity: 'D',
      says: '{source} must show {overlay} on black for the key and, from the same output, its full picture at {sinks}: it can show one of them.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    laidIn(traced).flatMap(one => {
      const sinks = fullAt(traced, one)
      return sinks.length
        ? [
            say(
              'full',
              { on: 'overlay', overlay: one.id },
              {
                source: text(deviceName(traced, one.overlay.fill)),
                overlay: text(one.overlay.title),
                sinks: text(listWords(sinks.map(id => deviceName(traced, id)))),
              },
            ),
          ]
        : []
    }),
  remedies: (traced, { at, segments = [] }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    return one ? [...secondOutput(traced, one), without(traced, one, segments)] : []
  },
})

/** Sinks that see the source as it is, from the output that is the fill, while it is one. */
function fullAt(traced: Traced, one: Laid): string[] {
  const { overlay, node, input } = one
  if (!isCaption(overlay) || !node || input === undefined || !own(traced.plan.devices, overlay.fill)) return []
  const fill = traced.runs.find(({ origin, end }) => origin?.device === overlay.fill && end?.device === node.id)?.origin
  const wanted = Object.values(traced.plan.wants).flatMap(({ sink, of }) => {
    const run = traced.runs.find(({ origin, end, lit }) => lit && end?.device === sink && origin?.device === of)
    return of === overlay.fill && fill && run?.origin?.port === fill.port ? [sink] : []
  })
  const seen = momentsOf(traced).flatMap(({ state }) => {
    const lit = Object.values(state.mixers).some(({ keys }) => Object.values(keys).includes(one.id))
    return lit
      ? Object.values(traced.plan.wants).flatMap(({ sink, feed }) =>
          feed !== 'multiview' && feed !== 'preview' && showsFull(traced, state, sink, overlay.fill) ? [sink] : [],
        )
      : []
  })
  return [...new Set([...wanted, ...seen])]
}

function showsFull(traced: Traced, state: Parameters<typeof pictureAt>[1], sink: string, source: string): boolean {
  const run = traced.runs.find(({ end, beside }) => !beside && end?.device === sink)
  return (
    run?.end !== undefined &&
    shownIn(pictureAt(traced, state, run.end)).some(
      ({ device, as, kind, content }) =>
        device === source && (as === 'background' || kind === 'box') && content !== 'caption',
    )
  )
}

/** Another output of the same device to whoever wants the full picture. */
function secondOutput(traced: Traced, { overlay }: Laid): Proposal[] {
  const source = traced.chain.nodes.get(overlay.fill)
  if (!source) return []
  return Object.values(traced.plan.wants).flatMap(({ sink, of }) => {
    const last = traced.runs.find(({ origin, end }) => end?.device === sink && origin?.device === of)?.links.at(-1)
    if (of !== overlay.fill || !last?.wire.to) return []
    return freeSockets(traced, source, 'out').flatMap(out =>
      connectTo(traced, out, [last.wire.to!], 'Connect a second output to')
        .slice(0, 1)
        .map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: last.wire.id }, ...edits] })),
    )
  })
}
