import { type KeyKind, type Surface, mixOf, portsOf } from '#core/catalog'
import type { DeviceNode, Traced } from '#core/chain'
import { count, text } from '#core/kernel'
import { Draft, type Proposal, after, bringControl, largerSwitcher, rule } from '#core/propose'
import { listWords } from '#core/words'
import { controlReach } from '../../control/facts'
import { pairsOf } from '../facts'
import { type Laid, allLaid } from '../laid'
import { without } from '../offers'

const KIND_WORDS: Readonly<Record<KeyKind, string>> = {
  luma: 'brightness',
  linear: 'a key signal',
  chroma: 'a colour',
  pattern: 'a shape',
  box: 'a box',
}

export const keyersShort = rule({
  code: 'K06',
  about: 'A switcher has no keyer, or none of the kind, for what is to be laid over its pictures.',
  messages: {
    short: {
      severity: 'D',
      says: '{sources} bring fill and key into {switcher}, which has {keyers}: not all of them can be laid over a picture.',
    },
    kind: {
      severity: 'D',
      says: '{overlay} is cut out by {kind}, and {switcher} has no keyer that does this: {has}.',
    },
    absent: {
      severity: 'R',
      says: '{overlay} is set up at {switcher} only from {surfaces}, and none is connected there: its keyer comes up as it was left.',
    },
    unsaid: {
      severity: 'N',
      says: 'Which keyers {switcher} has is not on its data sheet: whether it can lay {overlay} over is not judged.',
    },
  },
  find: (traced, say) => [
    ...allLaid(traced).flatMap(({ id, overlay, node, keyers }) => {
      if (!node || keyers?.length) return []
      const at = { on: 'overlay', overlay: id } as const
      const words = { overlay: text(overlay.title), switcher: text(node.device.name) }
      if (!keyers) return [say('unsaid', at, words)]
      return [say('kind', at, { ...words, kind: text(KIND_WORDS[overlay.kind]), has: text(kindsAt(node)) })]
    }),
    ...absent(traced).map(({ laid: { id, overlay }, node, surfaces }) =>
      say(
        'absent',
        { on: 'overlay', overlay: id },
        {
          overlay: text(overlay.title),
          switcher: text(node.device.name),
          surfaces: text(surfaces.map(kind => SURFACE_WORDS[kind]).join(' or ')),
        },
      ),
    ),
    ...short(traced).map(({ node, sources, keyers }) =>
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
  ],
  remedies: (traced, { at, says }) => {
    const laid = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
    if (laid?.node && says === 'absent') return withComputer(traced, laid.node)
    if (laid) return overlayRemedies(traced, laid)
    const one = short(traced).find(({ node }) => at.on === 'device' && node.id === at.device)
    return one ? largerSwitcher(traced, one.node, row => (row.keyers ?? 0) >= one.sources.length, 2) : []
  },
})

const SURFACE_WORDS: Readonly<Record<Surface['kind'], string>> = {
  panel: 'its panel',
  computer: 'a computer',
  tablet: 'a tablet',
  pad: 'a key pad',
}

interface Absent {
  readonly laid: Laid
  readonly node: DeviceNode
  readonly surfaces: readonly Surface['kind'][]
}

/** Overlays whose keyer only a computer or tablet can set up, at a switcher that nothing of the kind reaches; each switcher once. */
function absent(traced: Traced): Absent[] {
  const { reached } = controlReach(traced)
  const seen = new Set<string>()
  return allLaid(traced).flatMap((laid): Absent[] => {
    const { node, keyers, overlay } = laid
    const mix = node && mixOf(node.model)
    if (!node || !mix || !keyers?.length || seen.has(node.id)) return []
    const act = overlay.kind === 'box' ? 'picture in picture' : 'key set-up'
    const reaching = mix.surfaces.filter(({ reaches }) => reaches.includes(act)).map(({ kind }) => kind)
    const there = reached.get(node.id)
    if (reaching.length === 0 || reaching.some(kind => kind === 'panel' || there?.has(kind))) return []
    seen.add(node.id)
    return [{ laid, node, surfaces: reaching }]
  })
}

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

function kindsAt({ model }: DeviceNode): string {
  const kinds = [...new Set((mixOf(model)?.keyers ?? []).flatMap(keyer => keyer.kinds))]
  return kinds.length ? `it cuts out by ${listWords(kinds.map(kind => KIND_WORDS[kind]))}` : 'it has none at all'
}

const withComputer = (traced: Traced, node: DeviceNode): Proposal[] =>
  bringControl(
    traced,
    node,
    portsOf(node.model, 'in').flatMap(([id, { carries }]) => (carries === 'control' ? [id] : [])),
  )

/** The same with a computer beside it, where the new switcher is set up from one alone. */
function reached(traced: Traced, overlay: string, offer: Proposal): Proposal {
  const next = after(traced, offer.edits)
  const unset = next && absent(next).find(({ laid }) => laid.id === overlay)
  const more = unset && withComputer(next, unset.node)[0]
  return more
    ? { ...offer, title: `${offer.title}; ${more.title}`.slice(0, 120), edits: [...offer.edits, ...more.edits] }
    : offer
}

/** Another way to cut it out that the switcher has, or another switcher. */
function overlayRemedies(traced: Traced, laid: Laid): Proposal[] {
  const { id, overlay, node } = laid
  if (!node) return []
  const there = [...new Set((mixOf(node.model)?.keyers ?? []).flatMap(({ kinds }) => kinds))]
  const others = there.filter(kind => kind !== overlay.kind && INSTEAD[overlay.kind].includes(kind))
  return [
    ...others.map((kind): Proposal => {
      const draft = new Draft(traced.plan)
      draft.set(['overlays', id, 'kind'], kind)
      return { title: `Cut ${overlay.title} out by ${KIND_WORDS[kind]}`.slice(0, 120), edits: draft.edits }
    }),
    ...largerSwitcher(
      traced,
      node,
      row => (row.mix?.keyers ?? []).some(({ kinds }) => kinds.includes(overlay.kind)),
      2,
    ).map(offer => reached(traced, id, offer)),
    without(traced, laid),
  ]
}

/** Kinds that can stand in for another without another source. */
const INSTEAD: Readonly<Record<KeyKind, readonly KeyKind[]>> = {
  luma: [],
  linear: ['luma'],
  chroma: [],
  pattern: ['box'],
  box: ['pattern'],
}
