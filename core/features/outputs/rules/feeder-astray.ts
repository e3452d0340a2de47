import { type Traced, astray, runWith, socketName, stranded, wireAt } from '#core/chain'
import { own } from '#core/document'
import { type Finding, text } from '#core/kernel'
import { Draft, type Proposal, connectTo, freeInputs, freeSockets, rule, signalAt } from '#core/propose'

export const feederAstray = rule({
  code: 'C14',
  about: 'A feeder\u2019s output to the next switcher does not carry its program, or no cable leads on.',
  messages: {
    wrong: {
      severity: 'D',
      says: '{output} carries {feed} and leads into {input}: what {feeder} cuts to air never gets there.',
    },
    missing: {
      severity: 'D',
      says: '{feeder} has pictures, and no cable leads from it to another switcher or a screen: none of them can be shown.',
    },
  },
  find: (traced, say) => [
    ...astray(traced).map(({ links: [at] }) =>
      say(
        'wrong',
        { on: 'link', link: at!.wire.id, part: 'from' },
        {
          output: text(socketName(at!.wire.from!)),
          feed: text(signalAt(traced, at!.wire.from!)!.feed!),
          input: text(socketName(at!.wire.to!)),
          feeder: text(at!.wire.from!.node.device.name),
        },
        runWith(traced, at!.wire.id)?.id,
      ),
    ),
    ...stranded(traced).map(node =>
      say(
        'missing',
        { on: 'device', device: node.id },
        { feeder: text(node.device.name) },
        traced.runs.find(run => run.end?.device === node.id)?.id,
      ),
    ),
  ],
  remedies: (traced, found) => (found.says === 'wrong' ? pointAtProgram(traced, found) : leadOn(traced, found)),
})

function pointAtProgram(traced: Traced, found: Finding): Proposal[] {
  const at = wireAt(traced, found)
  const from = at?.wire.from
  if (!from) return []
  const point = new Draft(traced.plan)
  if (from.port?.feeds?.includes('program'))
    point.set(['devices', from.node.id, 'ports', from.portId, 'feed'], 'program')
  const others = freeSockets(traced, from.node, 'out').filter(
    ({ port }) =>
      port?.feeds?.includes('program') && port.carries === from.port?.carries && port.connector === from.port.connector,
  )
  return [
    ...(point.edits.length ? [{ title: `Point ${socketName(from)} at program`, edits: point.edits }] : []),
    ...others.map(socket => {
      const draft = new Draft(traced.plan)
      if ((own(from.node.device.ports, socket.portId)?.feed ?? socket.port!.feeds![0]) !== 'program')
        draft.set(['devices', from.node.id, 'ports', socket.portId, 'feed'], 'program')
      draft.move(at!.wire.id, 'from', { device: from.node.id, port: socket.portId }, at!.wire.link.adapters?.from)
      return { title: `Take it from ${socketName(socket)}`, edits: draft.edits }
    }),
  ]
}

function leadOn(traced: Traced, { at }: Finding): Proposal[] {
  const node = at.on === 'device' ? traced.chain.nodes.get(at.device) : undefined
  if (!node) return []
  const outs = freeSockets(traced, node, 'out').filter(({ port }) => port?.feeds?.includes('program'))
  const inputs = freeInputs(traced).filter(socket => socket.node.id !== node.id)
  return outs
    .flatMap(out =>
      connectTo(traced, out, inputs, 'Connect its program to')
        .slice(0, 1)
        .map(({ title, edits }) => {
          const draft = new Draft(traced.plan)
          if ((own(node.device.ports, out.portId)?.feed ?? out.port!.feeds![0]) !== 'program')
            draft.set(['devices', node.id, 'ports', out.portId, 'feed'], 'program')
          return { title, edits: [...draft.edits, ...edits] }
        }),
    )
    .slice(0, 3)
}
