import { type Traced, deviceName } from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, largerSwitcher, rule } from '#core/propose'
import { makesGraphics, tapOf } from '#core/run'
import { type Laid, allLaid, keyersOf, laidIn, litIn } from '../laid'

export const cleanCovered = rule({
  code: 'K14',
  about: 'A clean picture is wanted, and the keyer of an overlay lies before its tap.',
  messages: {
    covered: {
      severity: 'D',
      says: '{sink} is to see {switcher} without what is laid over it, and {overlay} lies before that tap: it is in the picture.',
    },
  },
  asks: 'segments',
  find: (traced, say) =>
    covered(traced).map(({ one, sink }) =>
      say(
        'covered',
        { on: 'overlay', overlay: one.id },
        {
          sink: text(deviceName(traced, sink)),
          switcher: text(one.node!.device.name),
          overlay: text(one.overlay.title),
        },
      ),
    ),
  remedies: (traced, { at }) => {
    const one = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (!one?.node) return []
    const behind = (one.keyers ?? []).find(number => isBehind(one, number))
    return [
      ...(behind === undefined ? [] : moved(traced, one, behind)),
      ...largerSwitcher(traced, one.node, row =>
        (row.mix?.keyers ?? []).some(({ place, kinds }) => place === 'after' && kinds.includes(one.overlay.kind)),
      ),
    ]
  },
})

const isBehind = ({ node }: Laid, number: number): boolean => keyersOf(node!)?.[number - 1]?.place === 'after'

/** Sinks that want a clean picture of a switcher, by the switcher. */
function cleanSinks(traced: Traced, node: Laid['node']): string[] {
  return Object.values(traced.plan.wants).flatMap(({ sink, feed }) => {
    const run = traced.runs.find(({ end, beside }) => !beside && end?.device === sink)
    return feed === 'clean' && run?.origin?.device === node?.id && run?.lit && run.links[0]?.signal?.feed === 'clean'
      ? [sink]
      : []
  })
}

/** Boxes belong to the picture; all else is an overlay. In the keyer that a look gives it, else in all that it could have. */
function covered(traced: Traced): { one: Laid; sink: string }[] {
  const lit = litIn(traced)
  return laidIn(traced).flatMap(one => {
    const { node, keyers, overlay } = one
    if (!node || !keyers?.length || overlay.kind === 'box' || !tapOf(node.model, 'clean').includes('before')) return []
    const [sink] = cleanSinks(traced, node)
    const comes = one.input !== undefined || makesGraphics(node, overlay.fill)
    if (sink === undefined || !comes) return []
    const turns = (lit.get(one.id) ?? []).filter(({ device }) => device === node.id).map(({ keyer }) => Number(keyer))
    const before = turns.length
      ? turns.some(number => !isBehind(one, number))
      : !keyers.some(number => isBehind(one, number))
    return before ? [{ one, sink }] : []
  })
}

function moved({ plan }: Traced, { id, node, overlay }: Laid, keyer: number): Proposal[] {
  const draft = new Draft(plan)
  for (const [look, { keys }] of Object.entries(plan.looks))
    for (const [number, there] of Object.entries(own(keys, node!.id) ?? {}))
      if (there === id) {
        draft.set(['looks', look, 'keys', node!.id, number])
        draft.set(['looks', look, 'keys', node!.id, String(keyer)], id)
      }
  const title = keyersOf(node!)![keyer - 1]!.title
  return draft.edits.length ? [{ title: `Put ${overlay.title} into ${title}`.slice(0, 120), edits: draft.edits }] : []
}
