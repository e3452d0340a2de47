import { type FromNews, hub } from '~/plan/news'

// One for all tabs of the browser: a browser holds few connections to one address, and a stream keeps one of them.
const news = hub(() => new EventSource('/api/events'))
const scope = self as unknown as { onconnect: (event: MessageEvent) => void }
scope.onconnect = event => {
  const port = event.ports[0]!
  const leave = news.join((message: FromNews) => port.postMessage(message))
  port.addEventListener('message', ({ data }) => {
    if (data === 'leave') leave()
  })
  port.start()
}
