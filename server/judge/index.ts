// eslint-disable-next-line @typescript-eslint/triple-slash-reference -- the declaration must be known in every project that reaches this file
/// <reference path="./comlink-node.d.ts" />
import { existsSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { WORK, type Work } from './work'

/** What the judge does, asked from elsewhere. */
export type Judge = {
  readonly [K in keyof Work]: (...args: Parameters<Work[K]>) => Promise<ReturnType<Work[K]>>
}

/** One that does all in the thread that asks: for tests, and for commands that serve nobody meanwhile. */
export const HERE: Judge = {
  prepare: async bytes => WORK.prepare(bytes),
  pictureProblem: async bytes => WORK.pictureProblem(bytes),
  summary: async document => WORK.summary(document),
  judged: async plan => WORK.judged(plan),
  fileText: async (title, rows) => WORK.fileText(title, rows),
  transactOn: async (document, revision, fresh) => WORK.transactOn(document, revision, fresh),
}

/** Longer than any plan within the limits takes: what still works then hangs, and is ended. */
const PATIENCE_MS = 60_000

/**
 * A judge beside the server, in a thread of its own that the build put beside the server's entry. A thread that dies or
 * hangs fails what was asked of it, and the next question begins a new one.
 */
export function judgeBeside(script = join(dirname(process.argv[1] ?? ''), 'judge.mjs')): Judge {
  if (!existsSync(script)) return HERE
  let thread: { readonly worker: Worker; readonly remote: Judge; readonly end: Promise<never> } | undefined
  let asked = 0
  let late: NodeJS.Timeout | undefined
  /** Counts from the last answer: what waits behind others is not late. */
  const watch = (worker: Worker): void => {
    clearTimeout(late)
    late = asked > 0 ? setTimeout(() => void worker.terminate(), PATIENCE_MS).unref() : undefined
  }
  const begin = () => {
    const worker = new Worker(script)
    worker.unref()
    const end = new Promise<never>((_, reject) => {
      const gone = (why: string) => {
        thread = undefined
        reject(new Error(`the judge ${why}`))
      }
      worker.once('error', error => gone(`failed: ${error.message}`))
      worker.once('exit', () => gone('ended'))
    })
    end.catch(() => undefined)
    return { worker, remote: wrap(nodeEndpoint(worker)) as unknown as Judge, end }
  }
  async function ask<K extends keyof Work>(what: K, ...args: Parameters<Work[K]>): Promise<ReturnType<Work[K]>> {
    const { worker, remote, end } = (thread ??= begin())
    asked += 1
    if (asked === 1) watch(worker)
    try {
      return await Promise.race([
        (remote[what] as (...all: Parameters<Work[K]>) => Promise<ReturnType<Work[K]>>)(...args),
        end,
      ])
    } finally {
      asked -= 1
      watch(worker)
    }
  }
  return {
    prepare: bytes => ask('prepare', bytes),
    pictureProblem: bytes => ask('pictureProblem', bytes),
    summary: document => ask('summary', document),
    judged: plan => ask('judged', plan),
    fileText: (title, rows) => ask('fileText', title, rows),
    transactOn: (document, revision, fresh) => ask('transactOn', document, revision, fresh),
  }
}
