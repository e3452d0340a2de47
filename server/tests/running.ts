import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'

const ENTRY = fileURLToPath(new URL('../../.output/server/index.mjs', import.meta.url))

export interface Running {
  readonly url: string
  readonly folder: string
  readonly process: ChildProcess
  /** All that it printed. */
  output(): string
  /** Sends a signal and waits for the end; gives the exit code, or the signal's name. */
  stop(signal?: NodeJS.Signals): Promise<number | string>
}

export const freshFolder = (): string => mkdtempSync(join(tmpdir(), 'interlumen-'))
export const dropFolder = (folder: string): void => rmSync(folder, { recursive: true, force: true })

/** Starting a database from nothing takes seconds; tests begin from a copy of one that was made once. */
let template: string | undefined
export async function preparedFolder(): Promise<string> {
  const folder = freshFolder()
  if (!template) {
    template = freshFolder()
    const first = await start(template)
    await first.stop()
  }
  cpSync(template, folder, { recursive: true })
  return folder
}

/** Starts the built server on a data folder and a free port, and does not wait. */
export async function launch(folder: string, env: Record<string, string> = {}): Promise<Running> {
  if (!existsSync(ENTRY)) throw new Error('run npm run build first')
  const port = await freePort()
  const child = spawn(process.execPath, [ENTRY], {
    env: { ...process.env, INTERLUMEN_DATA: folder, PORT: String(port), NITRO_PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let printed = ''
  child.stdout!.on('data', (chunk: Buffer) => {
    printed += chunk.toString()
  })
  child.stderr!.on('data', (chunk: Buffer) => {
    printed += chunk.toString()
  })
  const ended = new Promise<number | string>(resolve => {
    child.once('exit', (code, signal) => resolve(code ?? signal ?? 'gone'))
  })
  return {
    url: `http://127.0.0.1:${port}`,
    folder,
    process: child,
    output: () => printed,
    async stop(signal = 'SIGTERM') {
      child.kill(signal)
      return ended
    },
  }
}

/** As launch, and waits until the server answers; throws with what it printed when it ends instead. */
export async function start(folder: string, env: Record<string, string> = {}): Promise<Running> {
  const running = await launch(folder, env)
  const { process: child } = running
  for (let i = 0; i < 600; i++) {
    if (child.exitCode !== null) throw new Error(`the server ended with ${child.exitCode}: ${running.output()}`)
    try {
      if ((await fetch(`${running.url}/api/health`)).ok) return running
    } catch {
      /* not listening yet */
    }
    await new Promise(resolve => setTimeout(resolve, 50))
  }
  throw new Error(`the server did not start: ${running.output()}`)
}

function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', reject)
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })
}

export interface Answer<T> {
  readonly status: number
  readonly body: T
}

/** A request with a JSON answer. */
export async function ask<T = any>(
  url: string,
  method = 'GET',
  body?: unknown,
  headers: Record<string, string> = {},
): Promise<Answer<T>> {
  const response = await fetch(url, {
    method,
    headers: { 'content-type': 'application/json', ...headers },
    ...(body === undefined
      ? {}
      : { body: typeof body === 'string' || body instanceof Uint8Array ? (body as BodyInit) : JSON.stringify(body) }),
  })
  const text = await response.text()
  return { status: response.status, body: (text ? JSON.parse(text) : undefined) as T }
}
