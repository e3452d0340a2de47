import { deviceName, endName, gathers, type Traced, tracedOf, runInto } from '#core/chain'
import { BLACK, type LinkEnd, own } from '#core/document'
import { text } from '#core/kernel'
import { connectTo, Draft, freeInputs, freeSockets, rule, type Proposal } from '#core/propose'
import { momentsOf, pictureAt } from '#core/run'
import { listWords } from '#core/words'

export const segmentUnwired = rule({
  code: 'R07',
  about: 'A segment of the show uses what is not connected, or what the plan no longer has.',
  messages: {
    unwired: {
      severity: 'D',
      says: '{segment} uses {source}, and no cable brings its picture to a switcher: it cannot be shown then.',
    },
    gone: { severity: 'D', says: '{segment} uses {source}, which the plan no longer has.' },
    onAir: {
      severity: 'D',
      says: '{look} puts {input} on air, where nothing is connected: {sinks} go dark.',
    },
  },
  asks: 'segments',
  find: (traced, say) => {
    const { segment } = traced
    if (!segment) return []
    return [
      ...(segment.sources ?? []).flatMap(source => {
        const at = { on: 'use' as const, source }
        const words = { segment: text(segment.title), source: text(own(traced.plan.devices, source)?.name ?? source) }
        if (!own(traced.plan.devices, source)) return [say('gone', at, words)]
        return isWired(traced, source) || goesNowhere(traced, source) ? [] : [say('unwired', at, words)]
      }),
      ...darkLooks(traced).map(({ look, end, sinks }) =>
        say(
          'onAir',
          { on: 'look', look },
          {
            look: text(traced.plan.looks[look]!.title),
            input: text(endName(traced, end)),
            sinks: text(listWords(sinks.map(id => deviceName(traced, id)))),
          },
        ),
      ),
    ]
  },
  remedies: (traced, finding) => {
    const { at, segments = [] } = finding
    if (at.on === 'look') return shownInstead(traced, at.look)
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

/** Looks that put an input without a picture on a program that somebody is to see. */
function darkLooks(traced: Traced): { look: string; end: LinkEnd; sinks: string[] }[] {
  const { plan, runs, chain } = traced
  return momentsOf(traced).flatMap(({ look, state }) => {
    if (look === undefined) return []
    return Object.entries(plan.looks[look]!.program ?? {}).flatMap(([device, port]) => {
      const node = chain.nodes.get(device)
      const end = { device, port }
      if (!node || port === BLACK || own(node.model.ports, port)?.dir !== 'in') return []
      // What is connected and does not arrive is told as that.
      if (runInto(traced, end)) return []
      const sinks = Object.values(plan.wants).flatMap(({ sink, feed }) => {
        const run = runs.find(one => !one.beside && one.lit && one.end?.device === sink)
        if (!run?.end || feed === 'multiview' || feed === 'preview') return []
        return isDarkAt(pictureAt(traced, state, run.end), device, port) ? [sink] : []
      })
      return sinks.length ? [{ look, end, sinks }] : []
    })
  })
}

/** The background that is seen comes by this input. */
function isDarkAt(picture: ReturnType<typeof pictureAt>, device: string, port: string): boolean {
  if (picture.of !== 'mix') return false
  const [background] = picture.layers
  return (picture.device === device && background!.port === port) || isDarkAt(background!.picture, device, port)
}

/** An input where a picture arrives, or none named: as it was before. */
function shownInstead(traced: Traced, look: string): Proposal[] {
  const { chain, plan } = traced
  const [dark] = Object.keys(plan.segments).flatMap(segment =>
    darkLooks(tracedOf(plan, { segment })).filter(one => one.look === look),
  )
  if (!dark) return []
  const node = chain.nodes.get(dark.end.device)!
  const lit = traced.runs.filter(({ lit, beside, end }) => lit && !beside && end?.device === node.id).slice(0, 3)
  return [
    ...lit.map(({ end }): Proposal => {
      const draft = new Draft(plan)
      draft.set(['looks', look, 'program', node.id], end!.port)
      return { title: `Show ${endName(traced, end!)} in ${plan.looks[look]!.title}`.slice(0, 120), edits: draft.edits }
    }),
  ]
}
