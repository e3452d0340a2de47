import { portsOf } from '#core/catalog'
import {
  type DeviceNode,
  type Traced,
  type Wire,
  gathers,
  inputsBefore,
  carriedBy,
  isSwitcher,
  pointedAt,
  runWith,
  socketKey,
  socketName,
} from '#core/chain'
import { own } from '#core/document'
import { text } from '#core/kernel'
import { Draft, type Proposal, freeSockets, moveInput, rule, signalAt } from '#core/propose'

export const feedback = rule({
  code: 'C13',
  about: 'Feedback: a picture is led back into what makes it.',
  messages: {
    live: { severity: 'D', says: '{output} is led back into {input} of the same device: it shows itself without end.' },
    press: {
      severity: 'R',
      says: '{output} comes back to {input}: cutting {press} to air closes a loop, and the picture eats itself.',
    },
  },
  find: (traced, say) =>
    loops(traced).map(loop =>
      say(
        loop.press ? 'press' : 'live',
        { on: 'link', link: loop.last.id, part: 'to' },
        {
          output: text(socketName(loop.first.from!)),
          input: text(socketName(loop.last.to!)),
          press: text(socketName((loop.press ?? loop.last).to!)),
        },
        runWith(traced, loop.last.id)?.id,
      ),
    ),
  remedies: (traced, found) => {
    const loop = loops(traced).find(({ last }) => found.at.on === 'link' && last.id === found.at.link)
    if (!loop) return []
    const { node, portId } = (loop.press ?? loop.last).to!
    const off = new Draft(traced.plan)
    off.set(['devices', node.id, 'ports', portId, 'offAir'], true)
    const out = new Draft(traced.plan)
    out.disconnect(loop.last.id)
    return [
      ...moveTap(traced, loop),
      ...(loop.press
        ? [{ title: `Keep ${socketName(loop.press.to!)} off the air`.slice(0, 120), edits: off.edits }]
        : []),
      {
        title: `Give up the picture at ${socketName(loop.last.to!)}`.slice(0, 120),
        edits: out.edits,
        givesUp: true as const,
      },
    ]
  },
})

interface Loop {
  /** The links by which the loop leaves the device and comes back to it. */
  readonly first: Wire
  readonly last: Wire
  /** The link that closes it when its input is cut to air; absent, it is closed as it stands. */
  readonly press: Wire | undefined
}

/** Every cable by which a mix or a tiled picture comes back to its own inputs, over any number of devices. Linear in links where there is none, and for each device in a ring else. */
function loops(traced: Traced): Loop[] {
  const found: Loop[] = []
  const done = new Set<string>()
  const rings = inRings(traced)
  for (const start of traced.chain.nodes.values()) {
    if (!rings.has(start.id) || done.has(start.id)) continue
    for (const first of leaving(traced, start)) {
      const back = walk(traced, start, first)
      if (!back) continue
      found.push({ first, last: back.last, press: back.press })
      for (const node of back.through) done.add(node.id)
      break
    }
  }
  return found
}

/** Devices that gather, without those that a picture leaves for good: what is left stands in a ring or behind one. */
function inRings({ chain, runs }: Traced): ReadonlySet<string> {
  const next = new Map<string, Set<string>>()
  const before = new Map<string, number>()
  const gathering = (id: string | undefined): DeviceNode | undefined => {
    const node = id === undefined ? undefined : chain.nodes.get(id)
    return node && gathers(node) ? node : undefined
  }
  for (const { origin, end, lit, beside } of runs) {
    const [from, to] = [gathering(origin?.device), gathering(end?.device)]
    if (
      beside ||
      !lit ||
      !from ||
      !to ||
      (isSwitcher(to) && own(to.device.ports, end!.port)?.offAir && !isLedOn(to, end!.port)) ||
      next.get(from.id)?.has(to.id)
    )
      continue
    next.set(from.id, (next.get(from.id) ?? new Set()).add(to.id))
    before.set(to.id, (before.get(to.id) ?? 0) + 1)
  }
  const left = new Set([...chain.nodes.values()].filter(gathers).map(({ id }) => id))
  const free = [...left].filter(id => !before.get(id))
  for (let id = free.pop(); id !== undefined; id = free.pop()) {
    left.delete(id)
    for (const to of next.get(id) ?? []) {
      before.set(to, before.get(to)! - 1)
      if (before.get(to) === 0) free.push(to)
    }
  }
  return left
}

const arrives = ({ trace }: Traced, wire: Wire): boolean =>
  trace.wires.get(wire.id)?.arrives === true && trace.wires.get(wire.id)?.beside === undefined

function leaving(traced: Traced, node: DeviceNode): Wire[] {
  return Object.entries(node.model.ports).flatMap(([id, port]) =>
    port.dir === 'out'
      ? (traced.chain.leaving.get(socketKey(node.id, id)) ?? []).filter(wire => arrives(traced, wire))
      : [],
  )
}

/** The input that the output of a wire carries by itself; undefined where it carries a mix. */
const alone = ({ from }: Wire): string | undefined =>
  from && carriedBy(from.node, from.portId) === 'input' ? pointedAt(from.node, from.portId) : undefined

const isLedOn = (node: DeviceNode, input: string): boolean =>
  portsOf(node.model, 'out').some(([out]) => carriedBy(node, out) === 'input' && pointedAt(node, out) === input)

/** Follows a picture until it is back at an input of the start that may go to air, or that it left by itself. */
function walk(
  traced: Traced,
  start: DeviceNode,
  first: Wire,
): { readonly last: Wire; readonly through: readonly DeviceNode[]; readonly press: Wire | undefined } | undefined {
  const seen = new Set<string>()
  const left = alone(first)
  const presses = (wire: Wire) => isSwitcher(wire.from!.node) && alone(wire) === undefined
  const open: { wire: Wire; through: readonly DeviceNode[]; press: Wire | undefined }[] = [
    { wire: first, through: [start], press: undefined },
  ]
  for (let next = open.pop(); next; next = open.pop()) {
    const { wire, through, press } = next
    const to = wire.to
    if (!to || seen.has(wire.id)) continue
    seen.add(wire.id)
    const { node, portId } = to
    const offAir = isSwitcher(node) && own(node.device.ports, portId)?.offAir === true
    if (node === start && (left === undefined ? !offAir : left === portId))
      return { last: wire, through, press: presses(first) ? wire : press }
    const outs = gathers(node)
      ? leaving(traced, node).filter(out => (alone(out) === undefined ? !offAir : alone(out) === portId))
      : node.model.paths
          .flatMap(path => path.to.filter(out => inputsBefore(node, path, out).includes(portId)))
          .flatMap(out =>
            (traced.chain.leaving.get(socketKey(node.id, out)) ?? []).filter(wire => arrives(traced, wire)),
          )
    for (const out of outs)
      open.push({
        wire: out,
        through: gathers(node) ? [...through, node] : through,
        press: press ?? (presses(out) ? wire : undefined),
      })
  }
  return undefined
}

/** Leads the cable to an input of a device that stands outside of the loop. */
function moveTap(traced: Traced, { last }: Loop): Proposal[] {
  const at = traced.trace.wires.get(last.id)!
  const signal = at.signal ?? (last.from && signalAt(traced, last.from))
  const others = [...traced.chain.nodes.values()]
    .filter(node => node.id !== last.to!.node.id && isSwitcher(node))
    .flatMap(node => freeSockets(traced, node, 'in'))
    .sort(
      (a, b) => Number(b.port?.carries === last.to!.port?.carries) - Number(a.port?.carries === last.to!.port?.carries),
    )
  return signal ? moveInput(traced, { ...at, signal }, others).slice(0, 2) : []
}
