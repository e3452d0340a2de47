import { type Traced, deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeSockets, rule } from '#core/propose'
import { type ShowState, momentsOf, pictureAt, shownIn } from '#core/run'
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
    over: {
      severity: 'D',
      says: '{overlay} is lit while {source} shows its {content}: what lies over the picture is not the caption.',
    },
    bare: {
      severity: 'D',
      says: '{source} is on air as it is at {sinks} while it shows a caption on black: they see the black.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    laidIn(traced).flatMap(one => {
      const at = { on: 'overlay', overlay: one.id } as const
      const [wrong] = wrongContents(traced, one)
      if (wrong) {
        const source = text(deviceName(traced, one.overlay.fill))
        return [
          wrong.sinks.length
            ? say('bare', at, { source, sinks: text(listWords(wrong.sinks.map(id => deviceName(traced, id)))) })
            : say('over', at, {
                overlay: text(one.overlay.title),
                source,
                content: text(CONTENT_WORDS[wrong.content as keyof typeof CONTENT_WORDS]),
              }),
        ]
      }
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
  remedies: (traced, { at, segments = [], says }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (one && (says === 'over' || says === 'bare'))
      return [...withContent(traced, one), without(traced, one, segments)]
    return one ? [...secondOutput(traced, one), without(traced, one, segments)] : []
  },
})

const CONTENT_WORDS = { full: 'full page', blank: 'blank page', countdown: 'countdown' } as const

/** Moments in which the source's stated content does not suit what is done with it. */
function wrongContents(
  traced: Traced,
  { id, overlay }: Laid,
): { readonly look?: string; readonly content: string; readonly sinks: string[] }[] {
  if (!isCaption(overlay)) return []
  return momentsOf(traced).flatMap(({ state, look }) => {
    const content = own(state.contents, overlay.fill)
    const lit = Object.values(state.mixers).some(({ keys }) => Object.values(keys).includes(id))
    if (lit && content !== undefined && content !== 'caption')
      return [{ content, sinks: [], ...(look === undefined ? {} : { look }) }]
    const sinks =
      content === 'caption'
        ? Object.values(traced.plan.wants).flatMap(({ sink, feed }) =>
            feed !== 'multiview' && feed !== 'preview' && showsBare(traced, state, sink, overlay.fill) ? [sink] : [],
          )
        : []
    return sinks.length ? [{ content: 'caption', sinks, ...(look === undefined ? {} : { look }) }] : []
  })
}

function showsBare(traced: Traced, state: ShowState, sink: string, source: string): boolean {
  const run = traced.runs.find(({ end, beside }) => !beside && end?.device === sink)
  return (
    run?.end !== undefined &&
    shownIn(pictureAt(traced, state, run.end)).some(({ device, as }) => device === source && as === 'background')
  )
}

/** The look says what the source is to show then. */
function withContent(traced: Traced, one: Laid): Proposal[] {
  const draft = new Draft(traced.plan)
  const wrong = wrongContents(traced, one)
  for (const look of new Set(wrong.map(({ look }) => look)))
    if (look !== undefined)
      draft.set(
        ['looks', look, 'contents', one.overlay.fill],
        wrong.some(({ sinks }) => sinks.length) ? 'full' : 'caption',
      )
  const name = deviceName(traced, one.overlay.fill)
  const what = wrong.some(({ sinks }) => sinks.length) ? 'its full page' : 'the caption on black'
  return draft.edits.length ? [{ title: `${name} shows ${what} then`.slice(0, 120), edits: draft.edits }] : []
}

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
