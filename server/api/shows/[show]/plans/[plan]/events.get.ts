import { readJournal, readPlan, type JournalEntry } from '../../../../../db/shows'

/** Keeps the way open through anything that closes silent connections. */
const BEAT_MS = 20_000

/** A stream of what is written to the plan, from the revision after `after` on: `data` is a list of journal entries. */
export default defineEventHandler(async event => {
  const [show, plan] = [idParam(event, 'show'), idParam(event, 'plan')]
  const after = Number(getQuery(event).after ?? 0)
  if (!Number.isInteger(after) || after < 0)
    throw refused({
      path: '/after',
      found: String(getQuery(event).after),
      allowed: 'a revision: a whole number from 0',
    })
  const db = await useDatabase()
  if (!(await readPlan(db, show, plan))) throw noPlan()
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
  const past = await readJournal(db, show, plan, after)
  void stream.push({ event: 'open', data: '' })
  if (past.length) send(past)
  return stream.send()
})
