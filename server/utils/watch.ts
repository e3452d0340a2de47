import { Worker } from 'node:worker_threads'

/** A process that has not come round for so long hangs. */
const HANGS_MS = 60_000

/** A thread of its own ends the process when it no longer comes round: what was acknowledged is on the disk. */
export function watchMyself(ms = HANGS_MS): void {
  const beats = new Int32Array(new SharedArrayBuffer(4))
  setInterval(() => Atomics.add(beats, 0, 1), Math.min(1000, ms / 4)).unref()
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
  new Worker(code, { eval: true, workerData: { beats, ms } }).unref()
}
