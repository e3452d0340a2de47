import { isStage, type WireTrace } from '#core/chain'
import { own, type Want } from '#core/plan'
import { Draft } from '#core/ways'
import { text } from '../finding'
import { connectTo, freeOutputs, freeSockets, loopsBehind, signalAt, splitOff } from '../offers'
import { finding, type Proposal, type Rule } from '../rule'

export const O01: Rule = {
  id: 'O01',
  about: 'A sink that the brief wants gets no feed.',
  says: { unfed: '{sink} should see {feed}, and no cable reaches it: it stays black.' },
  find: ({ plan, chain, pictures }) => pictures.flatMap((picture) => {
    if (picture.of !== 'want') return []
    const { sink, feed } = plan.wants[picture.want]!
    return [finding('O01', 'D', { on: 'sink', want: picture.want, device: sink }, 'unfed', { sink: text(chain.nodes.get(sink)!.device.name), feed: text(feed) })]
  }),
  remedies: (traced, { at }) => {
    const want = at.on === 'sink' ? own<Want>(traced.plan.wants, at.want) : undefined
    const node = want && traced.chain.nodes.get(want.sink)
    if (!want || !node) return []
    const inputs = freeSockets(traced, node, 'in')
    const free = freeOutputs(traced, want.feed).flatMap(output => connectTo(traced, output, inputs, 'Connect to').slice(0, 1).map(({ title, edits }) => {
      const draft = new Draft(traced.plan)
      const pointed = own(output.node.device.ports, output.portId)?.feed ?? output.port!.feeds![0]
      if (pointed !== want.feed) draft.set(['devices', output.node.id, 'ports', output.portId, 'feed'], want.feed)
      return { title: title.replace('Connect to', `Feed it from ${output.node.device.name} output ${output.port!.number ?? output.portId} to`), edits: [...draft.edits, ...edits] }
    }))
    // Also from outputs that are dark for now: their cause has a finding of its own.
    const carries = ({ wire: { from } }: WireTrace) => from !== undefined && isStage(from.node) && signalAt(traced, from)?.feed === want.feed
    const feeding = [...traced.trace.wires.values()].filter(carries)
    const looped = traced.runs.filter(run => run.end && carries(run.links[0]!)).flatMap(run => loopsBehind(traced, run.links.at(-1)!))
      .flatMap(output => connectTo(traced, output, inputs, `Loop it through ${output.node.device.name} to`).slice(0, 1))
    const split: Proposal[] = feeding.flatMap(first => splitOff(traced, first, inputs, 'Put in'))
    const draft = new Draft(traced.plan)
    if (at.on === 'sink') draft.edits.push({ do: 'remove', collection: 'wants', id: at.want })
    return [...free, ...looped.slice(0, 2), ...split.slice(0, 2), { title: `Give up ${want.feed} at ${node.device.name}`.slice(0, 120), edits: draft.edits, givesUp: true }]
  },
}
