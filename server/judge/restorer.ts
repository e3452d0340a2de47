import { parentPort, workerData } from 'node:worker_threads'
import { restoreCopy } from '../store/pglite/open'

// A thread that begins a data folder with a copy, beside the server that serves another one, and ends.
const { folder, copy } = workerData as { folder: string; copy: string }
restoreCopy(folder, copy).then(
  () => parentPort?.postMessage({ ok: true }),
  (error: unknown) => parentPort?.postMessage({ ok: false, why: (error as Error).message }),
)
