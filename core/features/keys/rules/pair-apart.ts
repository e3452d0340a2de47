import type { Run, Traced } from '#core/chain'
import { delay, text } from '#core/kernel'
import { Draft, type Proposal, replaceDevice, rule } from '#core/propose'
import { format, sameFormat } from '#core/signal'
import { type Pair, pairsOf } from '../facts'

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
  },
  find: (traced, say) =>
    pairsOf(traced).flatMap(pair => {
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
  remedies: (traced, { at }) => {
    const pair = at.on === 'device' ? pairsOf(traced).find(({ node }) => node.id === at.device) : undefined
    const found = pair && apart(pair)
    if (!pair || !found) return []
    return found.formats ? alike(traced, pair) : straight(traced, pair.runs[found.ms > 0 ? 'key' : 'fill']!)
  },
})

/** What arrives of both parts at one switcher, where the two are not alike. */
function apart({ runs: { fill, key } }: Pair) {
  if (!fill?.lit || !key?.lit || fill.end!.device !== key.end!.device) return undefined
  const [a, b] = [fill.links.at(-1)!.signal!, key.links.at(-1)!.signal!]
  const formats = !sameFormat(a.format, b.format)
  const ms = b.delay.typ - a.delay.typ
  return formats || Math.abs(ms) > ALIKE_MS ? { fill: a, key: b, formats, ms } : undefined
}

/** The one output set as the other is. */
function alike({ plan }: Traced, { node }: Pair): Proposal[] {
  const fill = node.device.ports?.fill?.format
  if (!fill) return []
  const draft = new Draft(plan)
  draft.set(['devices', node.id, 'ports', 'key', 'format'], fill)
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
