import { type Run, type Traced, deviceName, runInto } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, replaceDevice, rule } from '#core/propose'
import { fillInput, keyInput } from '#core/run'
import { format, sameFormat } from '#core/signal'
import { type Pair, drawnNow, pairsOf } from '../facts'
import { type Laid, allLaid } from '../laid'
import { without } from '../offers'

/** Two like ways differ by no more, milliseconds. */
const ALIKE_MS = 0.5

export const pairApart = rule({
  code: 'K02',
  about: 'Fill and key arrive in different formats or at different times.',
  messages: {
    late: {
      severity: 'Q',
      says: 'The {later} of {source} comes {apart} after its {earlier}: the edge of what is laid over a picture trails in every move.',
    },
    formats: {
      severity: 'Q',
      says: 'The fill of {source} arrives as {fill} and its key as {key}: they do not lie on each other.',
    },
    drift: {
      severity: 'Q',
      says: '{overlay} takes its fill from {fill} and its key from {key}: nothing keeps the two in step, and in moves they lie up to a frame apart.',
    },
  },
  find: (traced, say) => [
    ...allPairs(traced).flatMap(pair => {
      const found = apart(pair)
      if (!found) return []
      const at = { on: 'device', device: pair.node.id } as const
      const source = text(pair.node.device.name)
      return [
        found.formats
          ? say(
              'formats',
              at,
              { source, fill: format(found.fill.format), key: format(found.key.format) },
              pair.runs.key!.id,
            )
          : say(
              'late',
              at,
              {
                source,
                later: text(found.ms > 0 ? 'key' : 'fill'),
                earlier: text(found.ms > 0 ? 'fill' : 'key'),
                apart: delay(Math.abs(found.ms)),
              },
              pair.runs[found.ms > 0 ? 'key' : 'fill']!.id,
            ),
      ]
    }),
    ...drifting(traced).map(({ id, overlay }) =>
      say(
        'drift',
        { on: 'overlay', overlay: id },
        {
          overlay: text(overlay.title),
          fill: text(deviceName(traced, overlay.fill)),
          key: text(deviceName(traced, overlay.key!)),
        },
      ),
    ),
  ],
  remedies: (traced, { at }) => {
    const laid = at.on === 'overlay' ? drifting(traced).find(({ id }) => id === at.overlay) : undefined
    if (laid) return [...ownKey(traced, laid), ...byBrightness(traced, laid), without(traced, laid)]
    const pair = at.on === 'device' ? allPairs(traced).find(({ node }) => node.id === at.device) : undefined
    const found = pair && apart(pair)
    if (!pair || !found) return []
    return found.formats ? alike(traced, pair) : straight(traced, pair.runs[found.ms > 0 ? 'key' : 'fill']!)
  },
})

/** Sources with both, and those of which an overlay takes one output as fill and another as key. */
function allPairs(traced: Traced): Pair[] {
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
const drifting = (traced: Traced): Laid[] =>
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

/** The key signal that its fill's own source sends beside it. */
function ownKey(traced: Traced, { id, overlay }: Laid): Proposal[] {
  const pair = pairsOf(traced).find(({ node }) => node.id === overlay.fill)
  if (!pair?.runs.key?.lit) return []
  const draft = new Draft(traced.plan)
  draft.set(['overlays', id, 'key'])
  return [{ title: `Take the key of ${pair.node.device.name} too`.slice(0, 120), edits: draft.edits }]
}

/** Cut out by its own brightness, from black. */
function byBrightness({ plan }: Traced, { id, overlay, node }: Laid): Proposal[] {
  if (!node?.model.mix?.keyers.some(({ kinds }) => kinds.includes('luma'))) return []
  const draft = new Draft(plan)
  draft.set(['overlays', id, 'kind'], 'luma')
  draft.set(['overlays', id, 'key'])
  return [{ title: `Cut ${overlay.title} out by its own brightness, on black`.slice(0, 120), edits: draft.edits }]
}

/** What arrives of both parts at one switcher, where the two are not alike. */
function apart({ runs: { fill, key } }: Pair) {
  if (!fill?.lit || !key?.lit || fill.end!.device !== key.end!.device) return undefined
  const [a, b] = [fill.links.at(-1)!.signal!, key.links.at(-1)!.signal!]
  const formats = !sameFormat(a.format, b.format)
  const ms = b.delay.typ - a.delay.typ
  return formats || Math.abs(ms) > ALIKE_MS ? { fill: a, key: b, formats, ms } : undefined
}

/** The one output set as the other is. */
function alike({ plan }: Traced, { node, runs }: Pair): Proposal[] {
  const [from, to] = [runs.fill!.origin!.port, runs.key!.origin!.port]
  const fill = node.device.ports?.[from]?.format
  if (!fill) return []
  const draft = new Draft(plan)
  draft.set(['devices', node.id, 'ports', to, 'format'], fill)
  return [{ title: `Set the key of ${node.device.name} as its fill`.slice(0, 120), edits: draft.edits }]
}

/** The later one without the boxes on its way. */
const straight = (traced: Traced, { links }: Run): Proposal[] =>
  links.slice(0, -1).flatMap(({ wire }) =>
    replaceDevice(traced, wire.to!.node.id, 2).map(({ title, edits }) => ({
      title: title.replace('In its place:', `In place of ${wire.to!.node.device.name}:`).slice(0, 120),
      edits,
    })),
  )
