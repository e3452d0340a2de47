import type { H3Event } from 'h3'

/** Keeps the way open through anything that closes silent connections. */
const BEAT_MS = 20_000
/** Bytes that wait for one reader, at most: who does not read loses the stream, and asks anew when it comes back. */
const MOST_WAITING = 1_000_000

export interface EventWriter {
  /** Sends an event; false when the reader was given up. */
  readonly send: (event: string, data: unknown) => boolean
  readonly end: () => void
}

/**
 * A stream of server-sent events, written straight to the socket. `begin` is called once and gives what ends its
 * listening; the promise settles when the reader is gone.
 */
export function streamEvents(event: H3Event, begin: (writer: EventWriter) => () => void): Promise<void> {
  const { res } = event.node
  event._handled = true
  res.writeHead(200, {
    'content-type': 'text/event-stream',
    'cache-control': 'no-store, no-transform',
    'x-accel-buffering': 'no',
    'connection': 'keep-alive',
  })
  const write = (text: string): boolean => {
    if (res.destroyed) return false
    if (res.writableLength > MOST_WAITING) {
      res.destroy()
      return false
    }
    res.write(text)
    return true
  }
  const send = (name: string, data: unknown) =>
    write(`event: ${name}\ndata: ${data === '' ? '' : JSON.stringify(data)}\n\n`)
  return new Promise(resolve => {
    const stop = begin({ send, end: () => void res.end() })
    const beat = setInterval(() => send('beat', ''), BEAT_MS)
    res.once('close', () => {
      clearInterval(beat)
      stop()
      resolve()
    })
  })
}
