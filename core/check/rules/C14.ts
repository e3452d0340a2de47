import { isStage, socketKey, type Node, type WireTrace } from '#core/chain'
import { own } from '#core/plan'
import { Draft } from '#core/ways'
import { text, type Finding } from '../finding'
import { connectTo, freeInputs, freeSockets, signalAt } from '../offers'
import { finding, runWith, socketName, wireAt, type Proposal, type Rule, type Traced } from '../rule'

export const C14: Rule = {
  id: 'C14',
  about: 'A feeder\u2019s output to the next stage does not carry its program, or no cable leads on.',
  says: {
    wrong: '{output} carries {feed} and leads into {input}: what {feeder} cuts to air never gets there.',
    missing: '{feeder} has pictures, and no cable leads from it to another switcher or a screen: none of them can be shown.',
  },
  find: traced => [
    ...links(traced).map(at => finding('C14', 'D', { on: 'link', link: at.wire.id, part: 'from' }, 'wrong', {
      output: text(socketName(at.wire.from!)), feed: text(signalAt(traced, at.wire.from!)!.feed!), input: text(socketName(at.wire.to!)), feeder: text(at.wire.from!.node.device.name),
    }, runWith(traced, at.wire.id)?.id)),
    ...stranded(traced).map(node => finding('C14', 'D', { on: 'device', device: node.id }, 'missing', { feeder: text(node.device.name) }, traced.runs.find(run => run.end?.device === node.id)?.id)),
  ],
  remedies: (traced, found) => (found.says === 'wrong' ? pointAtProgram(traced, found) : leadOn(traced, found)),
}

const isProgram = (feed: string | undefined): boolean => feed === undefined || feed === 'program' || feed === 'clean'

/** First links of runs from stage to stage that carry neither program nor clean. */
function links(traced: Traced): WireTrace[] {
  return traced.runs.flatMap((run) => {
    const [first] = run.links
    const from = first?.wire.from
    const to = run.end && traced.chain.nodes.get(run.end.device)
    return from && to && isStage(from.node) && isStage(to) && first.stop === undefined && !isProgram(signalAt(traced, from)?.feed) ? [first] : []
  })
}

/** Stages with pictures whose outputs lead nowhere, while the show is seen from another one. */
function stranded({ chain, trace, runs }: Traced): Node[] {
  const stages = [...chain.nodes.values()].filter(isStage)
  const leads = (node: Node) => Object.keys(node.model.ports).some(port => chain.leaving.has(socketKey(node.id, port)))
  const seen = runs.some(({ origin, end }) => origin && end && isStage(chain.nodes.get(origin.device)!) && chain.nodes.get(end.device)!.model.role === 'sink')
  return seen ? stages.filter(node => !leads(node) && (trace.stages.get(node.id)?.lit ?? 0) > 0) : []
}

function pointAtProgram(traced: Traced, found: Finding): Proposal[] {
  const at = wireAt(traced, found)
  const from = at?.wire.from
  if (!from) return []
  const point = new Draft(traced.plan)
  if (from.port?.feeds?.includes('program')) point.set(['devices', from.node.id, 'ports', from.portId, 'feed'], 'program')
  const others = freeSockets(traced, from.node, 'out').filter(({ port }) => port?.feeds?.includes('program') && port.carries === from.port?.carries && port.connector === from.port.connector)
  return [
    ...(point.edits.length ? [{ title: `Point ${socketName(from)} at program`, edits: point.edits }] : []),
    ...others.map((socket) => {
      const draft = new Draft(traced.plan)
      if ((own(from.node.device.ports, socket.portId)?.feed ?? socket.port!.feeds![0]) !== 'program') draft.set(['devices', from.node.id, 'ports', socket.portId, 'feed'], 'program')
      draft.move(at.wire.id, 'from', { device: from.node.id, port: socket.portId }, at.wire.link.adapters?.from)
      return { title: `Take it from ${socketName(socket)}`, edits: draft.edits }
    }),
  ]
}

function leadOn(traced: Traced, { at }: Finding): Proposal[] {
  const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
  if (!node) return []
  const outs = freeSockets(traced, node, 'out').filter(({ port }) => port?.feeds?.includes('program'))
  const inputs = freeInputs(traced).filter(socket => socket.node.id !== node.id)
  return outs.flatMap(out => connectTo(traced, out, inputs, 'Connect its program to').slice(0, 1).map(({ title, edits }) => {
    const draft = new Draft(traced.plan)
    if ((own(node.device.ports, out.portId)?.feed ?? out.port!.feeds![0]) !== 'program') draft.set(['devices', node.id, 'ports', out.portId, 'feed'], 'program')
    return { title, edits: [...draft.edits, ...edits] }
  })).slice(0, 3)
}
