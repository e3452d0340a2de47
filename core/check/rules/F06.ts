import { text, format } from '../finding'
import { formatsTaken, offerWays, setSender, waysFor } from '../offers'
import { Draft, waysBetween, layWay, wayTitle } from '#core/ways'
import { upstream, type WireTrace } from '#core/chain'
import { finding, runWith, stoppedBy, wireAt, type Proposal, type Rule, type Traced } from '../rule'

export const F06: Rule = {
  id: 'F06',
  about: 'A device in the run does not pass the format.',
  says: { stopped: '{device} does not pass {sends} from {sender}: nothing leaves it.' },
  find: traced => stoppedBy(traced, 'not-passed').map(({ wire, signal, stop }) => finding(
    'F06', 'D', { on: 'link', link: wire.id, part: 'to' }, 'stopped',
    { device: text(wire.to!.node.device.name), sends: format(stop.sends), sender: text(traced.chain.nodes.get(signal!.setBy.device)!.device.name) },
    runWith(traced, wire.id)?.id,
  )),
  remedies: (traced, found) => {
    const at = wireAt(traced, found)
    return at ? [...setSender(traced, at, formatsTaken(traced, at)).slice(0, 4), ...offerWays(traced, at, waysFor(traced, at)), ...replaceDevice(traced, at)] : []
  },
}

/** Another way from before the device that refuses to the end of its run. */
function replaceDevice(traced: Traced, at: WireTrace): Proposal[] {
  const { plan, chain } = traced
  const run = runWith(traced, at.wire.id)
  const last = run?.links.at(-1)?.wire
  if (!last?.to?.port || !run?.end || last.id === at.wire.id) return []
  const span = last.link.routeM === undefined ? {} : { routeM: last.link.routeM }
  const ways = waysBetween(plan, { port: at.wire.from!.port!, signal: at.signal! }, { node: last.to.node, portId: last.to.portId, port: last.to.port }, span)
  return ways.slice(0, 3).map((way) => {
    const draft = new Draft(plan)
    const gone = new Set<string>()
    for (let wire: typeof last | undefined = last; wire && wire.id !== at.wire.id; wire = upstream(chain, wire)) {
      draft.disconnect(wire.id)
      gone.add(wire.from!.node.id)
    }
    draft.disconnect(at.wire.id)
    for (const device of gone) {
      const others = [...chain.wires.values()].some(wire => (wire.from?.node.id === device || wire.to?.node.id === device) && !draft.edits.some(edit => edit.do === 'disconnect' && edit.id === wire.id))
      if (!others) draft.edits.push({ do: 'remove', collection: 'devices', id: device })
    }
    layWay(draft, way, at.wire.link.from!, last.link.to!, chain.nodes.get(at.signal!.origin.device)!.device.name, last.id)
    return { title: `In its place: ${wayTitle(way)}`.slice(0, 120), edits: draft.edits }
  })
}
