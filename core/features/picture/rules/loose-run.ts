import { isSink } from '#core/catalog'
import {
  type DeviceNode,
  type Socket,
  type Traced,
  type WireTrace,
  deviceName,
  endName,
  pointedWords,
  isSwitcher,
  runWith,
  socketKey,
  socketName,
  stoppedBy,
  wireAt,
} from '#core/chain'
import { type Finding, ghost, text } from '#core/kernel'
import {
  Draft,
  type Proposal,
  after,
  connectTo,
  excessSources,
  feedChoices,
  firstSwitchers,
  freeInputs,
  freeSockets,
  loopsBehind,
  rule,
  splitOff,
} from '#core/propose'

export const looseRun = rule({
  code: 'C07',
  about: 'A run has no source or no sink.',
  messages: {
    unconnected: { severity: 'D', says: '{device} is not connected: its picture goes nowhere.' },
    looseEnd: { severity: 'D', says: 'The cable from {from} ends loose: the picture goes nowhere.' },
    looseStart: { severity: 'D', says: 'The cable into {to} begins loose: no picture enters it.' },
    deadEnd: { severity: 'D', says: '{sender} goes into {device}, and no cable leaves it: the picture goes nowhere.' },
    unchosen: {
      severity: 'D',
      says: '{sender} comes into {input}, and no output of {device} is set to show it: the picture goes nowhere.',
    },
    empty: {
      severity: 'D',
      says: '{output} is pointed at {input}, in which nothing is plugged: the cable to {to} carries nothing.',
    },
    itself: {
      severity: 'D',
      says: '{output} is pointed at {input}, which gets only what comes from there: no picture enters the ring.',
    },
    noSource: {
      severity: 'D',
      apart: true,
      says: '{device} has no picture at any input, so the cable to {to} carries nothing.',
    },
  },
  find: (traced, say) => {
    const loose = stoppedBy(traced, 'loose').map(({ wire, stop }) =>
      say(
        stop.end === 'to' ? 'looseEnd' : 'looseStart',
        { on: 'link', link: wire.id, part: stop.end },
        {
          from: text(wire.from ? socketName(wire.from) : ''),
          to: text(wire.to ? socketName(wire.to) : 'nowhere'),
        },
        runWith(traced, wire.id)?.id,
      ),
    )
    const dead = stoppedBy(traced, 'dead-end').map(({ wire, signal }) =>
      say(
        'deadEnd',
        { on: 'device', device: wire.to!.node.id },
        {
          sender: text(deviceName(traced, signal!.origin.device)),
          device: text(wire.to!.node.device.name),
        },
        runWith(traced, wire.id)?.id,
      ),
    )
    const unchosen = stoppedBy(traced, 'unchosen').map(({ wire, signal }) =>
      say(
        'unchosen',
        { on: 'link', link: wire.id, part: 'to' },
        {
          sender: text(deviceName(traced, signal!.origin.device)),
          input: text(socketName(wire.to!)),
          device: text(wire.to!.node.device.name),
        },
        runWith(traced, wire.id)?.id,
      ),
    )
    const without = stoppedBy(traced, 'no-source').map(({ wire, stop }) => {
      const found = say(
        'noSource',
        { on: 'device', device: stop.device },
        { device: text(deviceName(traced, stop.device)), to: text(wire.to ? wire.to.node.device.name : 'nowhere') },
        runWith(traced, wire.id)?.id,
      )
      // A ring has neither beginning nor end: no lane would show it.
      return found.run === undefined ? ghost(`Ring at ${deviceName(traced, stop.device)}`, found) : found
    })
    const empty = stoppedBy(traced, 'empty').map(({ wire, stop }) =>
      say(
        traced.chain.entering.has(socketKey(wire.from!.node.id, stop.input)) ? 'itself' : 'empty',
        { on: 'link', link: wire.id, part: 'from' },
        {
          output: text(socketName(wire.from!)),
          input: text(pointedWords(wire.from!.node, stop.input)),
          to: text(wire.to ? wire.to.node.device.name : 'nowhere'),
        },
        runWith(traced, wire.id)?.id,
      ),
    )
    const wired = new Set([...traced.chain.wires.values()].flatMap(({ from }) => (from ? [from.node.id] : [])))
    // Those that no input is left for are told at once, as that.
    const excess = new Set(excessSources(traced).map(({ id }) => id))
    const alone = traced.pictures.flatMap(picture =>
      picture.of === 'source' && !wired.has(picture.device) && !excess.has(picture.device)
        ? [
            say(
              'unconnected',
              { on: 'device', device: picture.device },
              { device: text(deviceName(traced, picture.device)) },
            ),
          ]
        : [],
    )
    return [...loose, ...dead, ...unchosen, ...empty, ...without, ...alone]
  },
  remedies: (traced, found) => {
    switch (found.says) {
      case 'unconnected':
        return connectSource(traced, found)
      case 'looseEnd':
        return [...toInputs(traced, wireAt(traced, found)!), ...takeOut(traced, wireAt(traced, found)!)]
      case 'looseStart':
        return [...fromOutputs(traced, wireAt(traced, found)!), ...takeOut(traced, wireAt(traced, found)!)]
      case 'deadEnd':
        return leadOn(traced, found)
      case 'empty':
      case 'itself': {
        const { from } = wireAt(traced, found)!.wire
        return [...feedChoices(traced, from!.node, from!.portId), ...takeOut(traced, wireAt(traced, found)!)]
      }
      case 'unchosen':
        return chooseAtMatrix(traced, wireAt(traced, found)!)
      default:
        return feed(traced, found)
    }
  },
})

/** Outputs that lead somewhere set to show it, those that show nothing first; or the cable taken out. */
function chooseAtMatrix(traced: Traced, at: WireTrace): Proposal[] {
  const { node, portId } = at.wire.to!
  const { chain, trace } = traced
  const path = node.model.paths.find(({ format, from }) => format === 'chosen' && from.includes(portId))
  const outputs = (path?.to ?? []).map(out => {
    const [wire] = chain.leaving.get(socketKey(node.id, out)) ?? []
    return { out, wire, shows: wire !== undefined && trace.wires.get(wire.id)!.signal !== undefined }
  })
  const set = outputs
    .filter(({ wire }) => wire !== undefined)
    .sort((a, b) => Number(a.shows) - Number(b.shows))
    .map(({ out }) => {
      const draft = new Draft(traced.plan)
      draft.set(['devices', node.id, 'ports', out, 'of'], portId)
      return { title: `Set ${endName(traced, { device: node.id, port: out })} to show it`, edits: draft.edits }
    })
  const [free] = outputs.filter(({ wire }) => wire === undefined)
  const led = free
    ? connectTo(
        traced,
        { node, portId: free.out, port: node.model.ports[free.out] },
        openInputs(traced),
        'Lead it on to',
      )
        .slice(0, 2)
        .map(({ title, edits }) => {
          const draft = new Draft(traced.plan)
          draft.set(['devices', node.id, 'ports', free.out, 'of'], portId)
          return { title, edits: [...draft.edits, ...edits] }
        })
    : []
  return [...set.slice(0, 3), ...led, ...takeOut(traced, at)]
}

export const nodeAt = ({ chain }: Traced, { at }: Finding): DeviceNode =>
  chain.nodes.get((at as { device: string }).device)!

/** To a free input of a switcher, or, with none left, to a sink that nothing feeds. */
function openInputs(traced: Traced): Socket[] {
  const sinks = [...traced.chain.nodes.values()]
    .filter(node => isSink(node.model))
    .flatMap(node => freeSockets(traced, node, 'in'))
  return [...freeInputs(traced).slice(0, 12), ...sinks.slice(0, 4)]
}

function connectSource(traced: Traced, found: Finding): Proposal[] {
  const outs = freeSockets(traced, nodeAt(traced, found), 'out')
  return [
    ...outs.flatMap(out => connectTo(traced, out, openInputs(traced), 'Connect it to').slice(0, 4)),
    ...firstSwitchers(traced).flatMap(({ row, edits }): Proposal[] => {
      const next = after(traced, edits)
      const [lead] = next
        ? outs.flatMap(out => connectTo(next, out, freeInputs(next), 'and connect it to').slice(0, 1))
        : []
      const title = `Put in a switcher, ${row.title.replace(/^Switcher, /, '')}`
      return lead ? [{ title: `${title}, ${lead.title}`.slice(0, 120), edits: [...edits, ...lead.edits] }] : []
    }),
  ]
}

function toInputs(traced: Traced, { wire }: WireTrace): Proposal[] {
  return connectTo(traced, wire.from!, openInputs(traced), 'Connect it to')
    .slice(0, 4)
    .map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: wire.id }, ...edits] }))
}

function fromOutputs(traced: Traced, { wire }: WireTrace): Proposal[] {
  if (!wire.to) return []
  const outs = [...traced.chain.nodes.values()]
    .filter(node => node.model.role === 'source' || isSwitcher(node))
    .flatMap(node => freeSockets(traced, node, 'out'))
    .filter(({ node }) => node.id !== wire.to!.node.id)
  const target = wire.to
  const fresh = outs.flatMap(out => connectTo(traced, out, [target], `From ${socketName(out)} to`).slice(0, 1))
  return fresh
    .slice(0, 4)
    .map(({ title, edits }) => ({ title, edits: [{ do: 'disconnect' as const, id: wire.id }, ...edits] }))
}

function takeOut({ plan, chain }: Traced, { wire }: WireTrace): Proposal[] {
  const draft = new Draft(plan)
  draft.disconnect(wire.id)
  const idle =
    wire.to?.node.model.role === 'way' &&
    ![...chain.wires.values()].some(
      other =>
        other.id !== wire.id && (other.from?.node.id === wire.to!.node.id || other.to?.node.id === wire.to!.node.id),
    )
  if (idle) draft.edits.push({ do: 'remove', collection: 'devices', id: wire.to!.node.id })
  return [{ title: 'Take the loose cable out', edits: draft.edits }]
}

function leadOn(traced: Traced, found: Finding): Proposal[] {
  const node = nodeAt(traced, found)
  const outs = freeSockets(traced, node, 'out').slice(0, 1)
  const wire = [...traced.chain.wires.values()].find(({ to }) => to?.node.id === node.id)!
  const draft = new Draft(traced.plan)
  draft.disconnect(wire.id)
  draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
  return [
    ...outs.flatMap(out => connectTo(traced, out, openInputs(traced), 'Lead it on to').slice(0, 4)),
    { title: `Take ${node.device.name} out`.slice(0, 120), edits: draft.edits },
  ]
}

/** Gives a device without a picture one from a source that goes nowhere, or takes its cables out. */
function feed(traced: Traced, found: Finding): Proposal[] {
  const node = nodeAt(traced, found)
  const inputs = freeSockets(traced, node, 'in')
  const idle = traced.pictures.flatMap(picture =>
    picture.of === 'source' ? freeSockets(traced, traced.chain.nodes.get(picture.device)!, 'out') : [],
  )
  const busy = [...traced.trace.wires.values()].filter(
    ({ arrives, wire }) => arrives && wire.from?.node.model.role === 'source' && node.model.role === 'way',
  )
  const loops = busy.flatMap(first =>
    loopsBehind(traced, first).flatMap(out => connectTo(traced, out, inputs, `From ${socketName(out)} to`)),
  )
  const draft = new Draft(traced.plan)
  for (const wire of traced.chain.wires.values())
    if (wire.from?.node.id === node.id || wire.to?.node.id === node.id) draft.disconnect(wire.id)
  if (node.model.role === 'way') draft.edits.push({ do: 'remove', collection: 'devices', id: node.id })
  return [
    ...idle.flatMap(out => connectTo(traced, out, inputs, `From ${socketName(out)} to`).slice(0, 1)),
    ...loops.slice(0, 2),
    ...busy.flatMap(first => splitOff(traced, first, inputs.slice(0, 1), 'With')).slice(0, 2),
    ...(isSwitcher(node) || node.model.role === 'source'
      ? []
      : [{ title: `Take ${node.device.name} and its cables out`.slice(0, 120), edits: draft.edits }]),
  ]
}
