import { deviceName } from '#core/chain'
import { type Want, own } from '#core/document'
import { text } from '#core/kernel'
import { feedSink, moreOutputs, outputsAreFull, rule, unfedWants } from '#core/propose'

export const outputsFull = rule({
  code: 'C11',
  about: 'More feeds are wanted than outputs can give.',
  messages: {
    full: {
      severity: 'D',
      says: '{sink} should see {feed}, and every output that can carry it is taken: it stays black.',
    },
  },
  find: (traced, say) =>
    unfedWants(traced)
      .filter(([, { feed }]) => outputsAreFull(traced, feed))
      .map(([id, { sink, feed }]) =>
        say(
          'full',
          { on: 'sink', want: id, device: sink },
          {
            sink: text(deviceName(traced, sink)),
            feed: text(feed),
          },
        ),
      ),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const [giveUp, fed] = [
      feedSink(traced, found).filter(offer => offer.givesUp),
      feedSink(traced, found).filter(offer => !offer.givesUp),
    ]
    return want ? [...fed, ...moreOutputs(traced, want.feed), ...giveUp] : []
  },
})
