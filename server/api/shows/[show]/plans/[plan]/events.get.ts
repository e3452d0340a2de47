import type { JournalEntry } from '#shared/api'

/** A stream of what is written to the plan, from the revision after `after` on: `data` is a list of journal entries. */
export default defineEventHandler(async event => {
  const [show, plan, after] = [idParam(event, 'show'), idParam(event, 'plan'), afterQuery(event)]
  const store = await useStore()
  if (!(await store.journalAfter(show, plan, after))) throw noPlan()
  return streamEvents(event, ({ send, end }) => {
    const hear = (entries: readonly JournalEntry[]) => void send('written', entries)
    // Listening begins before the past is read: nothing falls in between; what comes twice is known by its revision.
    const stop = listen(show, plan, hear, end)
    send('open', '')
    void store.journalAfter(show, plan, after).then(past => past?.entries.length && hear(past.entries))
    return stop
  })
})
