import { Worker } from 'node:worker_threads'
import { endAll } from '../utils/announce'
import { CODE_LENGTH } from '../utils/gate'
import { isLoopback } from '../utils/host'
import { stopStore } from '../utils/store'

/** A process that has not come round for so long hangs. */
const HANGS_MS = 60_000

// Runs before the server listens: without a word from outside, it serves this machine alone.
export default defineNitroPlugin(() => {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, endAll)
  process.on('uncaughtException', (error: NodeJS.ErrnoException & { port?: number }) => {
    if (error.code !== 'EADDRINUSE' && error.code !== 'EACCES') return
    const what = error.code === 'EADDRINUSE' ? 'is in use by another program' : 'may not be used'
    console.error(`interlumen: port ${error.port ?? process.env.PORT ?? 3000} ${what}; set PORT to another one`)
    void stopStore().finally(() => process.exit(1))
  })
  watch()
  process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'
  if (!isLoopback(process.env.NITRO_HOST) && !process.env.INTERLUMEN_JOIN_CODE) {
    console.error(`interlumen: to serve on ${process.env.NITRO_HOST}, set INTERLUMEN_JOIN_CODE; others need it to join`)
    process.exit(1)
  }
  const code = process.env.INTERLUMEN_JOIN_CODE
  if (code !== undefined && code.length < CODE_LENGTH) {
    console.error(`interlumen: INTERLUMEN_JOIN_CODE has ${code.length} characters; it needs at least ${CODE_LENGTH}`)
    process.exit(1)
  }
})

/** A thread of its own ends the process when it no longer comes round: what was acknowledged is on the disk. */
function watch(): void {
  const beats = new Int32Array(new SharedArrayBuffer(4))
  setInterval(() => Atomics.add(beats, 0, 1), 1000).unref()
  const code = `const { workerData: { beats, ms } } = require('node:worker_threads')
    let last = -1
    setInterval(() => {
      const now = Atomics.load(beats, 0)
      if (now === last) {
        require('node:fs').writeSync(2, 'interlumen: the server hangs and is ended; nothing that was acknowledged is lost\\n')
        process.kill(process.pid, 'SIGKILL')
      }
      last = now
    }, ms)`
  new Worker(code, { eval: true, workerData: { beats, ms: HANGS_MS } }).unref()
}
