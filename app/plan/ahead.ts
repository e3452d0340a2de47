/** What the page began before its program was there: see `shared/ahead.ts`. */
interface Ahead {
  readonly checker?: Worker
  readonly path: string
  readonly answer: Promise<Response>
}

declare global {
  var interlumenAhead: Ahead | undefined
}

/** Whether the page asked for its plan before its program was there. */
export const begunAhead = (): boolean => globalThis.interlumenAhead !== undefined

/** The worker that already starts; each can be taken once. */
export function checkerAhead(): Worker | undefined {
  const worker = globalThis.interlumenAhead?.checker
  if (worker) globalThis.interlumenAhead = { ...globalThis.interlumenAhead!, checker: undefined as never }
  return worker
}

/** The answer to a request that is already on its way, if it is this one. */
export function answerAhead(path: string): Promise<Response> | undefined {
  const ahead = globalThis.interlumenAhead
  // The label of the browser is made by the program: a browser that is here for the first time asks without one.
  // Only the page's own first breath: later the plan may have gone on.
  if (
    !ahead ||
    performance.now() > 10_000 ||
    path.split('?')[0] !== ahead.path.split('?')[0] ||
    !path.startsWith(ahead.path)
  )
    return undefined
  globalThis.interlumenAhead = undefined
  return ahead.answer
}
