import { type Traced, deviceName, endName, runAt } from '#core/chain'
import { own, type Content } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeSockets, rule } from '#core/propose'
import { type ShowState, momentsOf, pictureAt, shownIn, contentIn, type Shown } from '#core/run'
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
    operator: {
      severity: 'D',
      says: '{output} shows what its person works with, and {sinks} see it.',
    },
    bare: {
      severity: 'D',
      says: '{source} is on air as it is at {sinks} while it shows a caption on black: they see the black.',
    },
  },
  asks: 'segments',
  find: (traced, say) => [
    ...operatorSeen(traced).map(({ device, port, sinks }) =>
      say(
        'operator',
        { on: 'device', device },
        {
          output: text(endName(traced, { device, port })),
          sinks: text(listWords(sinks.map(id => deviceName(traced, id)))),
        },
        runAt(traced, device),
      ),
    ),
    ...laidIn(traced).flatMap(one => {
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
  ],
  remedies: (traced, { at, segments = [], says }) => {
    if (at.on === 'device') return hidden(traced, at.device)
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (one && (says === 'over' || says === 'bare'))
      return [...withContent(traced, one), without(traced, one, segments)]
    return one ? [...secondOutput(traced, one), without(traced, one, segments)] : []
  },
})

const CONTENT_WORDS = {
  full: 'full page',
  blank: 'blank page',
  countdown: 'countdown',
  operator: 'operator\u2019s view',
} as const

/** Wants of an audience or a recording: what they see in a moment, source by source. */
function seenBy(traced: Traced, state: ShowState): { readonly sink: string; readonly shown: readonly Shown[] }[] {
  return Object.values(traced.plan.wants).flatMap(({ sink, feed }) => {
    const end = traced.runs.find(run => !run.beside && run.end?.device === sink)?.end
    return feed === 'multiview' || feed === 'preview' || !end
      ? []
      : [{ sink, shown: shownIn(pictureAt(traced, state, end)) }]
  })
}

interface OperatorSeen {
  readonly device: string
  readonly port: string
  readonly sinks: readonly string[]
  readonly looks: readonly (string | undefined)[]
}

/** Computers whose own person's view somebody else sees, each once. */
function operatorSeen(traced: Traced): OperatorSeen[] {
  const found = new Map<string, OperatorSeen>()
  for (const { state, look } of momentsOf(traced))
    for (const { sink, shown } of seenBy(traced, state))
      for (const { device, port, content } of shown)
        if (content === 'operator') {
          const there = found.get(device)
          found.set(device, {
            device,
            port,
            sinks: [...new Set([...(there?.sinks ?? []), sink])],
            looks: [...new Set([...(there?.looks ?? []), look])],
          })
        }
  return [...found.values()]
}

/** Its full page there, in each look that is seen so; or in those that say so at all. */
function hidden(traced: Traced, device: string): Proposal[] {
  const seen = operatorSeen(traced).find(one => one.device === device)
  const draft = new Draft(traced.plan)
  for (const look of seen?.looks ?? [])
    if (look !== undefined) draft.set(['looks', look, 'layouts', device, seen!.port], 'full')
  return draft.edits.length
    ? [
        {
          title: `${endName(traced, { device, port: seen!.port })} shows its full page then`.slice(0, 120),
          edits: draft.edits,
        },
      ]
    : []
}

/** The output by which the picture of an overlay leaves its computer. */
function outputOf({ runs }: Traced, { overlay, node, input }: Laid): string {
  const straight = runs.find(
    ({ origin, end }) => origin?.device === overlay.fill && end?.device === node?.id && end?.port === input,
  )
  const any = straight ?? runs.find(({ origin, beside }) => !beside && origin?.device === overlay.fill)
  return any?.origin?.port ?? ''
}

/** Sets what the source shows by that output in a look: by itself, where others show something else. */
function setPage(draft: Draft, { runs }: Traced, look: string, device: string, port: string, content: Content): void {
  const outputs = new Set(
    runs.filter(({ origin, beside }) => !beside && origin?.device === device).map(run => run.origin!.port),
  )
  if (outputs.size > 1) draft.set(['looks', look, 'layouts', device, port], content)
  else draft.set(['looks', look, 'contents', device], content)
}

/** Moments in which the source's stated content does not suit what is done with it. */
function wrongContents(
  traced: Traced,
  one: Laid,
): { readonly look?: string; readonly content: string; readonly sinks: string[] }[] {
  const { id, overlay } = one
  if (!isCaption(overlay)) return []
  const output = outputOf(traced, one)
  return momentsOf(traced).flatMap(({ state, look }) => {
    const content = contentIn(state.contents, overlay.fill, output)
    const lit = Object.values(state.mixers).some(({ keys }) => Object.values(keys).includes(id))
    if (lit && content !== undefined && content !== 'caption')
      return [{ content, sinks: [], ...(look === undefined ? {} : { look }) }]
    const sinks =
      content === 'caption'
        ? seenBy(traced, state).flatMap(({ sink, shown }) =>
            shown.some(({ device, port, as }) => device === overlay.fill && port === output && as === 'background')
              ? [sink]
              : [],
          )
        : []
    return sinks.length ? [{ content: 'caption', sinks, ...(look === undefined ? {} : { look }) }] : []
  })
}

/** The look says what the source is to show then. */
function withContent(traced: Traced, one: Laid): Proposal[] {
  const draft = new Draft(traced.plan)
  const wrong = wrongContents(traced, one)
  for (const look of new Set(wrong.map(({ look }) => look)))
    if (look !== undefined)
      setPage(
        draft,
        traced,
        look,
        one.overlay.fill,
        outputOf(traced, one),
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
  const fill = traced.runs.find(
    ({ origin, end }) => origin?.device === overlay.fill && end?.device === node.id && end.port === input,
  )?.origin
  const wanted = Object.values(traced.plan.wants).flatMap(({ sink, of }) => {
    const run = traced.runs.find(({ origin, end, lit }) => lit && end?.device === sink && origin?.device === of)
    return of === overlay.fill && fill && run?.origin?.port === fill.port ? [sink] : []
  })
  const seen = momentsOf(traced).flatMap(({ state }) => {
    const lit = Object.values(state.mixers).some(({ keys }) => Object.values(keys).includes(one.id))
    return lit
      ? seenBy(traced, state).flatMap(({ sink, shown }) =>
          shown.some(
            ({ device, port, as, kind, content }) =>
              device === overlay.fill &&
              port === fill?.port &&
              (as === 'background' || kind === 'box') &&
              content !== 'caption',
          )
            ? [sink]
            : [],
        )
      : []
  })
  return [...new Set([...wanted, ...seen])]
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
