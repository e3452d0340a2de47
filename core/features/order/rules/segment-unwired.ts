import { deviceName, gathers, type Traced } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { connectTo, Draft, freeInputs, freeSockets, rule, type Proposal } from '#core/propose'

export const segmentUnwired = rule({
  code: 'R07',
  about: 'A segment of the show uses what is not connected, or what the plan no longer has.',
  messages: {
    unwired: {
      severity: 'D',
      says: '{segment} uses {source}, and no cable brings its picture to a switcher: it cannot be shown then.',
    },
    gone: { severity: 'D', says: '{segment} uses {source}, which the plan no longer has.' },
  },
  asks: 'segments',
  find: (traced, say) => {
    const { segment } = traced
    if (!segment) return []
    return (segment.sources ?? []).flatMap(source => {
      const at = { on: 'use' as const, source }
      const words = { segment: text(segment.title), source: text(own(traced.plan.devices, source)?.name ?? source) }
      if (!own(traced.plan.devices, source)) return [say('gone', at, words)]
      return isWired(traced, source) || goesNowhere(traced, source) ? [] : [say('unwired', at, words)]
    })
  },
  remedies: (traced, finding) => {
    const { at, segments = [] } = finding
    if (at.on !== 'use') return []
    return [...connect(traced, at.source), drop(traced, at.source, segments)]
  },
})

/** A cable leads from the source, over whatever stands between, to where pictures are mixed. */
const isWired = ({ runs, chain }: Traced, source: string): boolean =>
  runs.some(
    ({ origin, end, beside }) => !beside && origin?.device === source && end && gathers(chain.nodes.get(end.device)!),
  )

/** What no cable leaves is told as that. */
const goesNowhere = ({ runs }: Traced, source: string): boolean =>
  !runs.some(({ origin, beside }) => !beside && origin?.device === source)

function connect(traced: Traced, source: string): Proposal[] {
  const node = traced.chain.nodes.get(source)
  if (!node) return []
  return freeSockets(traced, node, 'out').flatMap(out =>
    connectTo(traced, out, freeInputs(traced).slice(0, 12), 'Connect it to').slice(0, 3),
  )
}

function drop(traced: Traced, source: string, segments: readonly string[]): Proposal {
  const draft = new Draft(traced.plan)
  for (const id of segments) {
    const left = traced.plan.segments[id]!.sources!.filter(other => other !== source)
    draft.set(['segments', id, 'sources'], left)
  }
  const name = own(traced.plan.devices, source) ? deviceName(traced, source) : source
  return { title: `Give up ${name} in ${titles(traced, segments)}`.slice(0, 120), edits: draft.edits, givesUp: true }
}

const titles = ({ plan }: Traced, segments: readonly string[]): string =>
  segments.map(id => plan.segments[id]!.title).join(', ')
