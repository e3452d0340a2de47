import { type DeviceNode, type Run, type Traced, isSwitcher, socketKey } from '#core/chain'
import { fact } from '#core/kernel'

/** The two outputs of a source whose picture is laid over others: what is shown, and how solid it is. */
export const PARTS = ['fill', 'key'] as const
export type Part = (typeof PARTS)[number]

export interface Pair {
  readonly node: DeviceNode
  /** The run of each part to a switcher; absent where none leads to one. */
  readonly runs: Readonly<Partial<Record<Part, Run>>>
  /** Parts whose socket is empty. */
  readonly unplugged: readonly Part[]
}

const pairsFact = fact<Traced, readonly Pair[]>('fill and key', ({ chain, runs }) =>
  [...chain.nodes.values()]
    .filter(({ model }) => model.role === 'source' && PARTS.every(part => model.ports[part]?.dir === 'out'))
    .map(node => ({
      node,
      runs: Object.fromEntries(
        PARTS.flatMap(part => {
          const run = runs.find(
            ({ origin, end }) =>
              origin?.device === node.id && origin.port === part && end && isSwitcher(chain.nodes.get(end.device)!),
          )
          return run ? [[part, run]] : []
        }),
      ),
      unplugged: PARTS.filter(part => !chain.leaving.has(socketKey(node.id, part))),
    })),
)

/** Sources with fill and key, and where the two go. */
export const pairsOf = (traced: Traced): readonly Pair[] => traced.ask(pairsFact)
