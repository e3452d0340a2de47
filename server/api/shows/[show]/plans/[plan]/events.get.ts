import type { JournalEntry } from '#shared/api'

/** Keeps the way open through anything that closes silent connections. */
const BEAT_MS = 20_000

/** A stream of what is written to the plan, from the revision after `after` on: `data` is a list of journal entries. */
export default defineEventHandler(async event => {
  const [show, plan, after] = [idParam(event, 'show'), idParam(event, 'plan'), afterQuery(event)]
  const store = await useStore()
  if (!(await store.journalAfter(show, plan, after))) throw noPlan()
  const stream = createEventStream(event)
  const send = (entries: readonly JournalEntry[]) =>
    void stream.push({ event: 'written', data: JSON.stringify(entries) })
  // Listening begins before the past is read: nothing falls in between; what comes twice is known by its revision.
  const stop = listen(show, plan, send, () => void stream.close())
  const beat = setInterval(() => void stream.push({ event: 'beat', data: '' }), BEAT_MS)
  stream.onClosed(() => {
    clearInterval(beat)
    stop()
  })
  const past = (await store.journalAfter(show, plan, after))?.entries ?? []
  void stream.push({ event: 'open', data: '' })
  if (past.length) send(past)
  return stream.send()
})
