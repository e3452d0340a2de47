import { deviceName, isSwitcher } from '#core/chain'
import { text } from '#core/kernel'
import { feedSink, outputsAreFull, rule, unfedWants } from '#core/propose'

export const sinkUnfed = rule({
  code: 'O01',
  about: 'A sink that the brief wants gets no feed.',
  messages: {
    unfed: { severity: 'D', says: '{sink} should see {feed}, and no cable reaches it: it stays black.' },
    inside: { severity: 'D', says: '{sink} should record {feed} inside, and {cannot}.' },
  },
  find: (traced, say) =>
    unfedWants(traced)
      .filter(([, { sink, feed }]) => isSwitcher(traced.chain.nodes.get(sink)!) || !outputsAreFull(traced, feed))
      .map(([id, { sink, feed }]) => {
        const node = traced.chain.nodes.get(sink)!
        const at = { on: 'sink', want: id, device: sink } as const
        const both = { sink: text(deviceName(traced, sink)), feed: text(feed) }
        if (!isSwitcher(node)) return say('unfed', at, both)
        const cannot = node.model.records ? 'its recorder takes its own program alone' : 'it has no recorder'
        return say('inside', at, { ...both, cannot: text(cannot) })
      }),
  remedies: feedSink,
})
