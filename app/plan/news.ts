import type { News } from '#shared/api'

/** What listeners are told: something was written, or the stream is (again) open and what came before must be asked for. */
export type FromNews = ({ readonly is: 'written' } & News) | { readonly is: 'open' }

const AGAIN_MS = 2000

type Stream = Pick<EventSource, 'addEventListener' | 'close'>

/** One stream for many listeners: open while there are any, opened anew after every break, whatever ended it. */
export function hub(openStream: () => Stream): { readonly join: (tell: (message: FromNews) => void) => () => void } {
  const listeners = new Set<(message: FromNews) => void>()
  let stream: Stream | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  let ready = false
  const tellAll = (message: FromNews) => {
    for (const tell of listeners) tell(message)
  }
  const end = () => {
    clearTimeout(again)
    stream?.close()
    stream = undefined
    ready = false
  }
  function begin(): void {
    const mine = openStream()
    stream = mine
    mine.addEventListener('open', () => {
      if (stream !== mine || ready) return
      ready = true
      tellAll({ is: 'open' })
    })
    mine.addEventListener('written', event => {
      if (stream === mine) tellAll({ is: 'written', ...(JSON.parse((event as MessageEvent<string>).data) as News) })
    })
    mine.addEventListener('error', () => {
      if (stream !== mine) return
      end()
      again = setTimeout(begin, AGAIN_MS)
    })
  }
  return {
    join(tell) {
      listeners.add(tell)
      if (ready) tell({ is: 'open' })
      else if (!stream && listeners.size === 1) begin()
      return () => {
        listeners.delete(tell)
        if (listeners.size === 0) end()
      }
    },
  }
}
