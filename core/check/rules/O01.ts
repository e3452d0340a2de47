import { text } from '../finding'
import { feedSink, outputsAreFull, unfedWants } from '../feeding'
import { deviceName, finding, type Rule } from '../rule'

export const O01: Rule = {
  id: 'O01',
  about: 'A sink that the brief wants gets no feed.',
  says: { unfed: '{sink} should see {feed}, and no cable reaches it: it stays black.' },
  find: traced => unfedWants(traced).filter(([, { feed }]) => !outputsAreFull(traced, feed)).map(([id, { sink, feed }]) => finding('O01', 'D', { on: 'sink', want: id, device: sink }, 'unfed', { sink: text(deviceName(traced, sink)), feed: text(feed) })),
  remedies: feedSink,
}
