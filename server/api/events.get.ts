/**
 * One stream for a whole browser: what is written to any plan, as `{ show, plan, entries }`. It begins with `open`, and
 * knows no past: whoever opens it asks the journals for what came before.
 */
export default defineEventHandler(async event => {
  await useStore()
  return streamEvents(event, ({ send, end }) => {
    const stop = listenToAll(news => void send('written', news), end)
    send('open', '')
    return stop
  })
})
