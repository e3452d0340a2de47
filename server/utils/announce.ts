import { EventEmitter } from 'node:events'
import type { JournalEntry, News } from '#shared/api'

/** What was written to a plan, told to whoever has it open. */
const bus = new EventEmitter().setMaxListeners(0)
const END = Symbol('end')
const ALL = Symbol('all')

const named = (show: string, plan: string): string => `${show}/${plan}`

export function announce(show: string, plan: string, entries: readonly JournalEntry[]): void {
  bus.emit(named(show, plan), entries)
  bus.emit(ALL, { show, plan, entries })
}

/** Listens until the returned function is called; `end` is called when the server stops. */
export function listen(
  show: string,
  plan: string,
  hear: (entries: readonly JournalEntry[]) => void,
  end: () => void,
): () => void {
  bus.on(named(show, plan), hear)
  bus.on(END, end)
  return () => {
    bus.off(named(show, plan), hear)
    bus.off(END, end)
  }
}

/** The same for what is written to any plan. */
export function listenToAll(hear: (news: News) => void, end: () => void): () => void {
  bus.on(ALL, hear)
  bus.on(END, end)
  return () => {
    bus.off(ALL, hear)
    bus.off(END, end)
  }
}

/** Ends every open stream, so that the server can stop. */
export function endAll(): void {
  bus.emit(END)
}
