import type { JournalEntry } from '#shared/api'

const AGAIN_MS = 2000

/**
 * Hears what is written to a plan, as it is written, until the returned function is called. `after` tells the revision
 * that is there already: after a break the stream begins behind it, not where it was first opened.
 */
export function listenTo(
  address: string,
  after: () => number,
  hear: (entries: readonly JournalEntry[]) => void,
): () => void {
  if (typeof EventSource === 'undefined') return () => undefined
  let stream: EventSource | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  function open(): void {
    stream = new EventSource(`/api${address}/events?after=${after()}`)
    stream.addEventListener('written', event => {
      hear(JSON.parse((event as MessageEvent<string>).data) as JournalEntry[])
    })
    stream.addEventListener('error', () => {
      stream?.close()
      again = setTimeout(open, AGAIN_MS)
    })
  }
  open()
  return () => {
    clearTimeout(again)
    stream?.close()
  }
}
