import type { DeviceNode, Traced } from '#core/chain'
import { count, text } from '#core/kernel'
import { largerSwitcher, rule } from '#core/propose'
import { listWords } from '#core/words'
import { pairsOf } from '../facts'

export const keyersShort = rule({
  code: 'K06',
  about: 'More fill and key pairs than a switcher has keyers.',
  messages: {
    short: {
      severity: 'D',
      says: '{sources} bring fill and key into {switcher}, which has {keyers}: not all of them can be laid over a picture.',
    },
  },
  find: (traced, say) =>
    short(traced).map(({ node, sources, keyers }) =>
      say(
        'short',
        { on: 'device', device: node.id },
        {
          sources: text(listWords(sources)),
          switcher: text(node.device.name),
          keyers: text(keyers === 0 ? 'no keyer' : keyers === 1 ? 'one keyer' : `${keyers} keyers`),
          missing: count(sources.length - keyers),
        },
        traced.runs.find(({ end, beside }) => !beside && end?.device === node.id)?.id,
      ),
    ),
  remedies: (traced, { at }) => {
    const one = short(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return one ? largerSwitcher(traced, one.node, row => (row.keyers ?? 0) >= one.sources.length, 2) : []
  },
})

function short(traced: Traced): { node: DeviceNode; sources: string[]; keyers: number }[] {
  const bySwitcher = new Map<string, string[]>()
  for (const { node, runs } of pairsOf(traced)) {
    const there = runs.fill?.end?.device
    if (there === undefined || there !== runs.key?.end?.device) continue
    bySwitcher.set(there, [...(bySwitcher.get(there) ?? []), node.device.name])
  }
  return [...bySwitcher].flatMap(([id, sources]) => {
    const node = traced.chain.nodes.get(id)!
    const { keyers } = node.model
    return keyers !== undefined && sources.length > keyers ? [{ node, sources, keyers }] : []
  })
}
