import { existsSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { Worker } from 'node:worker_threads'

/** A folder beside the one that is served, of which there is none yet. */
function freeFolder(served: string, day: string): string {
  const first = `${resolve(served)}-restored-${day}`
  for (let n = 1; ; n++) {
    const folder = n === 1 ? first : `${first}-${n}`
    if (!existsSync(folder)) return folder
  }
}

/** Begins a folder beside the one that is served with what a copy holds; gives its path. Throws what is wrong with the copy. */
export async function restoreBeside(served: string, copy: string): Promise<string> {
  const folder = freeFolder(served, new Date().toISOString().slice(0, 10))
  const worker = new Worker(join(dirname(process.argv[1] ?? ''), 'restorer.mjs'), { workerData: { folder, copy } })
  try {
    const answer = await new Promise<{ ok: boolean; why?: string }>((done, failed) => {
      worker.once('message', done)
      worker.once('error', failed)
      worker.once('exit', () => failed(new Error('The copy was not restored.')))
    })
    if (!answer.ok) throw new Error(answer.why)
    return folder
  } catch (error) {
    rmSync(folder, { recursive: true, force: true })
    throw error
  } finally {
    await worker.terminate()
  }
}
