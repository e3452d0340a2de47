import { deviceName } from '#core/chain'
import { text } from '#core/kernel'
import { feedSink, outputsAreFull, rule, unfedWants } from '#core/propose'

export const sinkUnfed = rule({
  code: 'O01',
  about: 'A sink that the brief wants gets no feed.',
  messages: { unfed: { severity: 'D', says: '{sink} should see {feed}, and no cable reaches it: it stays black.' } },
  find: (traced, say) =>
    unfedWants(traced)
      .filter(([, { feed }]) => !outputsAreFull(traced, feed))
      .map(([id, { sink, feed }]) =>
        say(
          'unfed',
          { on: 'sink', want: id, device: sink },
          {
            sink: text(deviceName(traced, sink)),
            feed: text(feed),
          },
        ),
      ),
  remedies: feedSink,
})
