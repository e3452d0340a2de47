import { type Signal, type Traced, runInto } from '#core/chain'
import { fillInput, keyInput } from '#core/run'
import { sameFormat } from '#core/signal'
import { type Pair, drawnNow, pairsOf } from './facts'
import { type Laid, allLaid } from './laid'

/** Two like ways differ by no more, milliseconds. */
const ALIKE_MS = 0.5

/** Fill and key where they meet: what arrives of each, whether in two formats, and how much later the key is, ms. */
export interface Together {
  readonly fill: Signal
  readonly key: Signal
  readonly formats: boolean
  readonly ms: number
}

/** Sources with both, and those of which an overlay takes one output as fill and another as key. */
export function allPairs(traced: Traced): Pair[] {
  const made = pairsOf(traced)
  const named = allLaid(traced).flatMap(({ overlay, node }): Pair[] => {
    const source = overlay.key === overlay.fill ? traced.chain.nodes.get(overlay.fill) : undefined
    if (overlay.kind !== 'linear' || !node || !source || made.some(pair => pair.node === source)) return []
    const inputs = [fillInput(traced, node, overlay.fill, overlay.output), keyInput(traced, node, overlay)]
    const [fill, key] = inputs.map(port =>
      port === undefined ? undefined : runInto(traced, { device: node.id, port }),
    )
    return fill && key && fill.origin?.device === source.id
      ? [{ node: source, runs: { fill, key }, unplugged: [] }]
      : []
  })
  // Told once of a source, however many overlays take it so.
  return [...made, ...named.filter((pair, i) => named.findIndex(({ node }) => node === pair.node) === i)]
}

/**
 * Overlays whose fill and key come from two sources that run by themselves. What somebody draws is laid over in one colour,
 * which does not move, and a still of the switcher does not either.
 */
export const drifting = (traced: Traced): Laid[] =>
  allLaid(traced).filter(({ overlay, node }) => {
    const { kind, fill, key } = overlay
    const sources = [fill, key].map(id => (id === undefined ? undefined : traced.chain.nodes.get(id)))
    return (
      kind === 'linear' &&
      fill !== key &&
      fill !== node?.id &&
      sources.every(source => source?.model.role === 'source') &&
      drawnNow(traced, overlay) === undefined
    )
  })

/** What arrives of both parts at one switcher; undefined where they do not both come to one. */
export function togetherAt({ runs: { fill, key } }: Pair): Together | undefined {
  if (!fill?.lit || !key?.lit || fill.end!.device !== key.end!.device) return undefined
  const [a, b] = [fill.links.at(-1)!.signal!, key.links.at(-1)!.signal!]
  return { fill: a, key: b, formats: !sameFormat(a.format, b.format), ms: b.delay.typ - a.delay.typ }
}

export const isApart = ({ formats, ms }: Pick<Together, 'formats' | 'ms'>): boolean =>
  formats || Math.abs(ms) > ALIKE_MS

/**
 * How fill and key of an overlay lie on each other; undefined where it has no key signal of its own, is a still, or the two
 * do not both come.
 */
export function stepsApart(
  traced: Traced,
  { overlay, id, node }: Laid,
): Pick<Together, 'formats' | 'ms'> | 'drift' | undefined {
  if (overlay.kind !== 'linear' || overlay.fill === node?.id) return undefined
  if (drifting(traced).some(one => one.id === id)) return 'drift'
  const pair = allPairs(traced).find(one => one.node.id === overlay.fill)
  const found = pair && togetherAt(pair)
  return found && { formats: found.formats, ms: found.ms }
}
