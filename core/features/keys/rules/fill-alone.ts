import { type Socket, type Traced, deviceName, endName } from '#core/chain'
import { text } from '#core/kernel'
import { type Proposal, connectTo, freeInputs, moveInput, rule } from '#core/propose'
import { PARTS, type Pair, type Part, pairsOf } from '../facts'

export const fillAlone = rule({
  code: 'K01',
  about: 'Of fill and key only one is connected, or they go to two switchers.',
  messages: {
    alone: {
      severity: 'D',
      says: 'The {part} of {source} goes into {input}, and its {other} nowhere: nothing can be laid over a picture with one of them.',
    },
    parted: {
      severity: 'D',
      says: 'The fill of {source} goes to {fill} and its key to {key}: a keyer needs both at one switcher.',
    },
  },
  find: (traced, say) =>
    pairsOf(traced).flatMap(pair => {
      const { node, runs } = pair
      const source = text(node.device.name)
      const at = { on: 'device', device: node.id } as const
      if (runs.fill && runs.key)
        return runs.fill.end!.device === runs.key.end!.device
          ? []
          : [
              say(
                'parted',
                at,
                {
                  source,
                  fill: text(deviceName(traced, runs.fill.end!.device)),
                  key: text(deviceName(traced, runs.key.end!.device)),
                },
                runs.key.id,
              ),
            ]
      const part = single(pair)
      return part
        ? [
            say(
              'alone',
              at,
              { part: text(part), source, input: text(endName(traced, runs[part]!.end!)), other: text(otherOf(part)) },
              runs[part]!.id,
            ),
          ]
        : []
    }),
  remedies: (traced, { at, says }) => {
    const pair = at.on === 'device' ? pairsOf(traced).find(({ node }) => node.id === at.device) : undefined
    if (!pair) return []
    if (says === 'parted') return together(traced, pair)
    const part = single(pair)
    if (!part) return []
    const portId = otherOf(part)
    const from: Socket = { node: pair.node, portId, port: pair.node.model.ports[portId] }
    const there = pair.runs[part]!.end!.device
    return connectTo(
      traced,
      from,
      freeInputs(traced, there).filter(({ node }) => node.id === there),
      `Connect its ${portId} to`,
    )
  },
})

const otherOf = (part: Part): Part => PARTS.find(other => other !== part)!

/** The part that goes to a switcher while the other's socket is empty. */
const single = ({ runs, unplugged }: Pair): Part | undefined =>
  PARTS.find(part => runs[part] && unplugged.includes(otherOf(part)))

/** The key led to the switcher of the fill, or the fill to that of the key. */
const together = (traced: Traced, { runs }: Pair): Proposal[] =>
  PARTS.flatMap(part => {
    const there = runs[part]!.end!.device
    const free = freeInputs(traced, there).filter(({ node }) => node.id === there)
    return moveInput(traced, runs[otherOf(part)]!.links.at(-1)!, free).map(({ title, edits }) => ({
      title: title.replace('Move it', `Move its ${otherOf(part)}`).slice(0, 120),
      edits,
    }))
  })
