import { MODELS } from '#core/catalog'
import { type Traced, isSwitcher, lastSwitchers } from '#core/chain'
import { ghost, text } from '#core/kernel'
import { Draft, type Proposal, addSink, after, feedInto, freeOutputs, freeSockets, rule } from '#core/propose'
import { copiesOf } from '../copies'

const count = (n: number): string => (n === 1 ? 'one recording' : `${n} recordings`)

export const fewCopies = rule({
  code: 'O04',
  about: 'Fewer recordings of the show than the brief wants kept.',
  messages: {
    none: { severity: 'R', says: 'The brief wants {asked} of the show kept, and nothing records it.' },
    few: {
      severity: 'R',
      says: 'The brief wants {asked} of the show kept, and {there} comes to be: what fails there is lost.',
    },
    unsaid: {
      severity: 'N',
      says: 'The show is streamed and nothing records it, and nobody has said that no recording is wanted.',
    },
  },
  find: (traced, say) => {
    const { copies } = traced.plan.brief
    const there = copiesOf(traced).length
    if (copies === undefined)
      return there === 0 && streams(traced) ? [ghost('Recording', say('unsaid', { on: 'show' }, {}))] : []
    if (there >= copies || lastSwitchers(traced).length === 0) return []
    return [
      ghost(
        'Recording',
        say(there === 0 ? 'none' : 'few', { on: 'show' }, { asked: text(count(copies)), there: text(count(there)) }),
      ),
    ]
  },
  remedies: (traced, { says }) => {
    const draft = new Draft(traced.plan)
    draft.set(['brief', 'copies'], copiesOf(traced).length)
    const give: Proposal =
      says === 'unsaid'
        ? { title: 'Say that no recording is wanted', edits: draft.edits }
        : { title: 'Give up the recordings that do not come to be', edits: draft.edits, givesUp: true }
    const missing = Math.max(1, (traced.plan.brief.copies ?? 1) - copiesOf(traced).length)
    return [...[...inside(traced), ...recorders(traced)].flatMap(first => filled(traced, first, missing)), give]
  },
})

/** A first recording, and as many more as are missing; nothing where they do not all find a place. */
function filled(traced: Traced, first: Proposal, missing: number): Proposal[] {
  const [titles, edits] = [[first.title], [...first.edits]]
  for (let left = missing - 1; left > 0; left--) {
    const next = after(traced, edits)
    const more = next && [...inside(next), ...recorders(next)][0]
    if (!more) return []
    titles.push(more.title)
    edits.push(...more.edits)
  }
  return [{ title: titles.join('; and ').slice(0, 120), edits }]
}

const streams = ({ plan, chain }: Traced): boolean =>
  Object.values(plan.wants).some(({ sink }) => chain.nodes.get(sink)!.model.kind === 'encoder')

/** Recorders that last switchers have built in and nobody asked for. */
function inside(traced: Traced): Proposal[] {
  const kept = new Set(copiesOf(traced).map(({ device }) => device))
  return lastSwitchers(traced)
    .filter(node => isSwitcher(node) && (node.model.records ?? 0) > 0 && !kept.has(node.id))
    .map(node => {
      const draft = new Draft(traced.plan)
      const value = { sink: node.id, feed: 'program' as const }
      draft.edits.push({ do: 'add', collection: 'wants', id: `${node.id}-keeps`.slice(0, 64), value })
      return { title: `Record the show inside ${node.device.name}`.slice(0, 120), edits: draft.edits }
    })
}

const MOST = 2

/** A recorder at a free output, else split off or looped through beside one that carries program. */
function recorders(traced: Traced): Proposal[] {
  const last = new Set(lastSwitchers(traced).map(({ id }) => id))
  const rows = [...MODELS].filter(
    ([, { kind, role, paths }]) => kind === 'recorder' && role === 'sink' && paths.length > 0,
  )
  const straight = freeOutputs(traced, 'program')
    .filter(({ node }) => last.has(node.id))
    .flatMap(output =>
      rows.flatMap(([id, row]): Proposal[] => {
        const edits = addSink(traced, output, id, 'Recorder', 'program')
        return edits
          ? [
              {
                title:
                  `${row.title.split(',').slice(0, 2).join(',')} at ${output.node.device.name} output ${output.port?.number ?? output.portId}`.slice(
                    0,
                    120,
                  ),
                edits,
              },
            ]
          : []
      }),
    )
  if (straight.length > 0) return straight.slice(0, MOST)
  return rows
    .flatMap(([id, row]): Proposal[] => {
      const draft = new Draft(traced.plan)
      const device = draft.device({ model: draft.model(id), name: 'Recorder', order: draft.lastOrder })
      const value = { sink: device, feed: 'program' as const }
      draft.edits.push({ do: 'add', collection: 'wants', id: `${device}-sees`.slice(0, 64), value })
      const placed = after(traced, draft.edits)
      const node = placed?.chain.nodes.get(device)
      return placed && node
        ? feedInto(placed, { feed: 'program' }, freeSockets(placed, node, 'in')).map(({ title, edits }) => ({
            title: `${row.title.split(',').slice(0, 2).join(',')}: ${title}`.slice(0, 120),
            edits: [...draft.edits, ...edits],
          }))
        : []
    })
    .slice(0, MOST)
}
