import { own, type Want } from '#core/plan'
import { text } from '../finding'
import { moreOutputs } from '../grow'
import { feedSink, outputsAreFull, unfedWants } from '../feeding'
import { deviceName, finding, type Rule } from '../rule'

export const C11: Rule = {
  id: 'C11',
  about: 'More feeds are wanted than outputs can give.',
  says: { full: '{sink} should see {feed}, and every output that can carry it is taken: it stays black.' },
  find: traced => unfedWants(traced).filter(([, { feed }]) => outputsAreFull(traced, feed)).map(([id, { sink, feed }]) => finding('C11', 'D', { on: 'sink', want: id, device: sink }, 'full', { sink: text(deviceName(traced, sink)), feed: text(feed) })),
  remedies: (traced, found) => {
    const want = found.at.on === 'sink' ? own<Want>(traced.plan.wants, found.at.want) : undefined
    const [giveUp, fed] = [feedSink(traced, found).filter(offer => offer.givesUp), feedSink(traced, found).filter(offer => !offer.givesUp)]
    return want ? [...fed, ...moreOutputs(traced, want.feed), ...giveUp] : []
  },
}
