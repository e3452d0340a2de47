import { type Traced, type Wire, placeOf, runWith } from '#core/chain'
import { CROSSINGS, type Distance, KEPT_WORDS, keptFrom } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, rule } from '#core/propose'

interface Crossing {
  readonly id: string
  readonly distance: Distance
  /** The cables that go along this way, in the order of their ids. */
  readonly wires: readonly Wire[]
}

const pairOf = (a: string, b: string): string => JSON.stringify([a, b].sort())

/** Ways that people cross, with cables on them that nothing keeps from their feet. Linear in links and distances. */
function open({ plan, chain }: Traced): Crossing[] {
  const bare = Object.entries(plan.distances).filter(([, { crosses, kept }]) => crosses && !isKept(crosses, kept))
  if (bare.length === 0) return []
  const along = new Map<string, Wire[]>()
  for (const wire of chain.wires.values()) {
    const [from, to] = [wire.from, wire.to].map(end => end && placeOf(chain, end))
    if (from === undefined || to === undefined) continue
    const pair = pairOf(from, to)
    along.set(pair, [...(along.get(pair) ?? []), wire])
  }
  return bare.flatMap(([id, distance]): Crossing[] => {
    const wires = along.get(pairOf(...distance.between)) ?? []
    return wires.length ? [{ id, distance, wires }] : []
  })
}

const isKept = (crosses: NonNullable<Distance['crosses']>, kept: Distance['kept']): boolean =>
  kept !== undefined && keptFrom(crosses).includes(kept)

export const crossing = rule({
  code: 'L07',
  about: 'Cables cross a way that people walk, or an escape way, and nothing keeps them from underfoot.',
  messages: {
    walkway: {
      severity: 'H',
      says: '{cables} from {a} to {b} cross a way that people walk, and nothing is over them: somebody trips. Follow local codes.',
    },
    escape: {
      severity: 'H',
      says: '{cables} from {a} to {b} cross an escape way{now}: it stays clear, with cables over its door and ceiling or not there at all. Follow local codes.',
    },
  },
  find: (traced, say) =>
    open(traced).map(({ distance: { between, crosses, kept }, wires }) => {
      const [first] = wires as [Wire, ...Wire[]]
      return say(
        crosses!,
        { on: 'link', link: first.id, part: 'cable' },
        {
          cables: text(wires.length === 1 ? 'A cable' : `${wires.length} cables`),
          a: text(between[0]),
          b: text(between[1]),
          now: text(kept === undefined ? '' : `, ${KEPT_WORDS[kept]}`),
        },
        runWith(traced, first.id)?.id,
      )
    }),
  remedies: (traced, { at }) => {
    const one = open(traced).find(({ wires }) => at.on === 'link' && wires[0]!.id === at.link)
    if (!one) return []
    const { id, distance } = one
    return keptFrom(distance.crosses!).map((kept): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['distances', id, 'kept'], kept)
      return { title: `${CROSSINGS[kept]} from ${distance.between.join(' to ')}`.slice(0, 120), edits: draft.edits }
    })
  },
})
