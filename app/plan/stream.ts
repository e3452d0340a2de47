import type { JournalEntry } from '#shared/api'
import { type FromNews, hub } from './news'

let own: ReturnType<typeof hub> | undefined

/** Joins the stream that all tabs share; a browser without shared workers has one in each tab. */
function join(tell: (message: FromNews) => void): () => void {
  if (typeof SharedWorker === 'undefined') {
    own ??= hub(() => new EventSource('/api/events'))
    return own.join(tell)
  }
  const { port } = new SharedWorker(new URL('../workers/news.worker.ts', import.meta.url), {
    type: 'module',
    name: 'interlumen-news',
  })
  port.addEventListener('message', ({ data }: MessageEvent<FromNews>) => tell(data))
  port.start()
  const leave = () => port.postMessage('leave')
  window.addEventListener('pagehide', leave, { once: true })
  return () => {
    window.removeEventListener('pagehide', leave)
    leave()
    port.close()
  }
}

/**
 * Hears what is written to a plan, as it is written, until the returned function is called. `catchUp` is called whenever
 * something may have been missed: at first, and after every break of the stream.
 */
export function listenTo(
  show: string,
  plan: string,
  hear: (entries: readonly JournalEntry[]) => void,
  catchUp: () => void,
): () => void {
  if (typeof EventSource === 'undefined') return () => undefined
  return join(message => {
    if (message.is === 'open') catchUp()
    else if (message.show === show && message.plan === plan) hear(message.entries)
  })
}
