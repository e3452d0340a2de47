import { type Run, type Traced, deviceName } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, replaceDevice, rule } from '#core/propose'
import { format } from '#core/signal'
import { type Pair, pairsOf } from '../facts'
import type { Laid } from '../laid'
import { without } from '../offers'
import { allPairs, drifting, isApart, togetherAt } from '../pairs'

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
      const found = togetherAt(pair)
      if (!found || !isApart(found)) return []
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
    const found = pair && togetherAt(pair)
    if (!pair || !found || !isApart(found)) return []
    return found.formats ? alike(traced, pair) : straight(traced, pair.runs[found.ms > 0 ? 'key' : 'fill']!)
  },
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
