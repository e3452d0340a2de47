import { mixOf } from '#core/catalog'
import { type Socket, type Traced, deviceName, endName } from '#core/chain'
import { own } from '#core/document'
import { type Finding, text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeInputs, freeSockets, moveInput, rule } from '#core/propose'
import { fillInput, keyInput, makesGraphics, momentsOf, ownStills, storeCount } from '#core/run'
import { listWords } from '#core/words'
import { PARTS, type Pair, type Part, pairsOf } from '../facts'
import { type Laid, allLaid } from '../laid'
import { without } from '../offers'

export const fillAlone = rule({
  code: 'K01',
  about:
    'Of fill and key only one is connected, they go to two switchers, or what is to be laid over does not come to the keyer.',
  messages: {
    alone: {
      severity: 'D',
      says: 'The {part} of {source} goes into {input}, and its {other} nowhere: nothing can be laid over a picture with one of them.',
    },
    parted: {
      severity: 'D',
      says: 'The fill of {source} goes to {fill} and its key to {key}: a keyer needs both at one switcher.',
    },
    gone: { severity: 'D', says: '{overlay} is to show {source}, which the plan no longer has.' },
    unreached: {
      severity: 'D',
      says: '{overlay} is to show {source} over the pictures of {switcher}, and no cable brings it there.',
    },
    plain: {
      severity: 'D',
      says: '{overlay} is cut out by a key signal, and {switcher} keeps its stills without theirs: the whole picture would lie over the other.',
    },
    unstored: {
      severity: 'D',
      apart: true,
      says: '{overlay} is a still of {switcher}, lit in {moment} beside {others}, and {switcher} holds {count}: its store has another.',
    },
    keyless: {
      severity: 'D',
      says: '{overlay} is cut out by a key signal, and {source} has none that comes to {switcher}.',
    },
  },
  find: (traced, say) => [
    ...missing(traced).map(({ id, overlay, node }) =>
      say(
        isPlain({ node, overlay })
          ? 'plain'
          : !own(traced.plan.devices, overlay.fill)
            ? 'gone'
            : reaches(traced, { node, overlay })
              ? 'keyless'
              : 'unreached',
        { on: 'overlay', overlay: id },
        {
          overlay: text(overlay.title),
          source: text(own(traced.plan.devices, overlay.fill)?.name ?? overlay.fill),
          switcher: text(node!.device.name),
        },
      ),
    ),
    ...unstored(traced).map(({ id, device, moment, others, count }) =>
      say(
        'unstored',
        { on: 'overlay', overlay: id },
        {
          overlay: text(traced.plan.overlays[id]!.title),
          switcher: text(deviceName(traced, device)),
          moment: text(moment),
          others: text(listWords(others.map(other => traced.plan.overlays[other]!.title))),
          count: text(count === 1 ? 'one still' : `${count} stills`),
        },
      ),
    ),
    ...pairsOf(traced).flatMap(pair => {
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
  ],
  remedies: (traced, finding) => {
    const { at, says } = finding
    if (at.on === 'overlay') return overlayRemedies(traced, finding)
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

const titleOf = ({ plan }: Traced, { look, cue, segment }: ReturnType<typeof momentsOf>[number]): string =>
  own(plan.looks, look ?? '')?.title ??
  own(plan.cues, cue ?? '')?.title ??
  own(plan.segments, segment ?? '')?.title ??
  'the show'

/** The look without it. */
function leftOut(traced: Traced, id: string): Proposal[] {
  const one = unstored(traced).find(found => found.id === id)
  const keys = one?.look === undefined ? undefined : own(traced.plan.looks[one.look]!.keys, one.device)
  const draft = new Draft(traced.plan)
  for (const [number, there] of Object.entries(keys ?? {}))
    if (there === id) draft.set(['looks', one!.look!, 'keys', one!.device, number])
  const title = `Leave ${traced.plan.overlays[id]!.title} out of ${one?.moment ?? ''}`
  return draft.edits.length ? [{ title: title.slice(0, 120), edits: draft.edits }] : []
}

/** Stills of a switcher that are lit at one moment with more others than it holds; each once. */
function unstored(traced: Traced) {
  const found = new Map<
    string,
    { id: string; device: string; moment: string; look: string | undefined; others: string[]; count: number }
  >()
  for (const moment of momentsOf(traced))
    for (const [device, { keys }] of Object.entries(moment.state.mixers)) {
      const node = traced.chain.nodes.get(device)
      const mine = new Set(node ? ownStills(traced, device) : [])
      const lit = [...new Set(Object.values(keys))].filter(id => mine.has(id))
      const count = node ? storeCount(node) : 0
      if (count === 0 || lit.length <= count) continue
      const order = [...mine].filter(id => lit.includes(id))
      for (const id of order.slice(count))
        if (!found.has(id))
          found.set(id, {
            id,
            device,
            moment: titleOf(traced, moment),
            look: moment.look,
            others: order.slice(0, count),
            count,
          })
    }
  return [...found.values()]
}

/** A still of the switcher itself, of which it keeps no key. */
const isPlain = ({ node, overlay }: Pick<Laid, 'node' | 'overlay'>): boolean =>
  overlay.kind === 'linear' && makesGraphics(node!, overlay.fill) && mixOf(node!.model)?.plainStills === true

const reaches = (traced: Traced, { node, overlay }: Pick<Laid, 'node' | 'overlay'>): boolean =>
  fillInput(traced, node!, overlay.fill, overlay.output) !== undefined

/** Overlays whose picture, or whose key, does not come to the switcher that is to lay them over. */
const missing = (traced: Traced): Laid[] =>
  allLaid(traced).filter(({ overlay, node }) => {
    if (!node) return false
    if (makesGraphics(node, overlay.fill)) return isPlain({ node, overlay })
    if (!own(traced.plan.devices, overlay.fill)) return true
    // A source of the plan that no cable leaves is told as that.
    if (!reaches(traced, { node, overlay })) return traced.runs.some(({ origin }) => origin?.device === overlay.fill)
    if (overlay.kind !== 'linear') return false
    if (overlay.key !== undefined)
      return (
        (overlay.key === overlay.fill ? keyInput(traced, node, overlay) : fillInput(traced, node, overlay.key)) ===
        undefined
      )
    const pair = pairsOf(traced).find(one => one.node.id === overlay.fill)
    // A pair of which one is not plugged, or goes elsewhere, is told as that.
    return pair === undefined
  })

function overlayRemedies(traced: Traced, { at, says }: Finding): Proposal[] {
  const laid = at.on === 'overlay' ? allLaid(traced).find(({ id }) => id === at.overlay) : undefined
  const source = laid && traced.chain.nodes.get(laid.overlay.fill)
  if (!laid?.node) return []
  const { node, id, overlay } = laid
  const offers: Proposal[] = says === 'unstored' ? leftOut(traced, id) : []
  if (says === 'unreached' && source) {
    const inputs = freeInputs(traced, node.id).filter(input => input.node.id === node.id)
    for (const out of freeSockets(traced, source, 'out'))
      offers.push(...connectTo(traced, out, inputs, `Connect ${source.device.name} to`).slice(0, 2))
  }
  if (says === 'unreached' && source && overlay.output !== undefined) {
    const input = fillInput(traced, node, overlay.fill)
    const draft = new Draft(traced.plan)
    draft.set(['overlays', id, 'output'])
    const where = input === undefined ? '' : endName(traced, { device: node.id, port: input })
    if (input !== undefined) offers.push({ title: `Take what comes to ${where}`.slice(0, 120), edits: draft.edits })
  }
  if (says === 'keyless' || says === 'plain') {
    const draft = new Draft(traced.plan)
    draft.set(['overlays', id, 'kind'], 'luma')
    draft.set(['overlays', id, 'key'])
    offers.push({ title: `Cut ${overlay.title} out by its brightness`.slice(0, 120), edits: draft.edits })
  }
  return [...offers, without(traced, laid)]
}
