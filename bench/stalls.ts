// How long the save of one client waits while another asks for what is heavy. Printed by npm run bench.
import { FORMAT_VERSION, canonicalText } from '#core/document'
import { dropFolder, freshFolder, start } from '../server/tests/running'
import { largePlan } from './plans'

const fileOf = (plans: Record<string, unknown>, title: string): string =>
  canonicalText({ format: FORMAT_VERSION, show: { title }, plans } as never)

let seq = 0

/** Saves one after the other until told to stop; gives what each took, ms. */
async function saving(url: string, show: string, busy: () => boolean): Promise<number[]> {
  const took: number[] = []
  const { revision } = (await (await fetch(`${url}/api/shows/${show}/plans/main`)).json()) as { revision: number }
  for (let n = 0; busy(); n++) {
    const begun = performance.now()
    const response = await fetch(`${url}/api/shows/${show}/plans/main/transactions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        base: revision + n,
        transactions: [
          {
            client: 'bench-client',
            seq: ++seq,
            title: 'Rename',
            edits: [{ do: 'set', at: ['title'], value: `T ${n}` }],
          },
        ],
      }),
    })
    if (!response.ok) throw new Error(`${response.status} ${await response.text()}`)
    took.push(performance.now() - begun)
    await new Promise(resolve => setTimeout(resolve, 5))
  }
  return took
}

export async function stalls(): Promise<void> {
  const folder = freshFolder()
  const server = await start(folder)
  const post = (path: string, body: string) =>
    fetch(`${server.url}${path}`, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
  const { id } = (await (await post('/api/shows', JSON.stringify({ title: 'Saved meanwhile' }))).json()) as {
    id: string
  }
  const large = largePlan(1000)
  const twelve = fileOf(
    Object.fromEntries(Array.from({ length: 12 }, (_, i) => [i ? `v-${i}` : 'main', large])),
    'Large',
  )
  const shows = Array.from({ length: 40 }, (_, i) => fileOf({ main: largePlan(200) }, `Show ${i}`))
  const loads: Record<string, () => Promise<unknown>> = {
    'nothing else': () => new Promise(resolve => setTimeout(resolve, 1500)),
    [`an import of ${(twelve.length / 1e6).toFixed(1)} MB, 12 plans of 1,000 sources`]: () =>
      post('/api/shows/import', twelve),
    '20 MB of brackets': () => post('/api/shows/import', '['.repeat(19_900_000)),
    '40 imports of 200 sources': () => Promise.all(shows.map(text => post('/api/shows/import', text))),
    'the list of shows, 20 times': () =>
      Promise.all(Array.from({ length: 20 }, () => fetch(`${server.url}/api/shows`).then(r => r.text()))),
    'one write of 2,000 edits': async () => {
      const { id: other } = (await (await post('/api/shows', JSON.stringify({ title: 'Many edits' }))).json()) as {
        id: string
      }
      const edits = Array.from({ length: 2000 }, (_, n) => ({
        do: 'add',
        collection: 'distances',
        id: `d-${n}`,
        value: { between: [`A ${n}`, `B ${n}`], m: n },
      }))
      const body = { base: 0, transactions: [{ client: 'bench-client', seq: ++seq, title: 'Distances', edits }] }
      const response = await post(`/api/shows/${other}/plans/main/transactions`, JSON.stringify(body))
      if (!response.ok) throw new Error(await response.text())
    },
    'a copy of everything': () => fetch(`${server.url}/api/copy`).then(response => response.text()),
  }
  for (const [what, load] of Object.entries(loads)) {
    let busy = true
    const begun = performance.now()
    const saves = saving(server.url, id, () => busy)
    await new Promise(resolve => setTimeout(resolve, 100))
    await load()
    busy = false
    const took = (await saves).sort((a, b) => a - b)
    console.log(
      `  ${what.padEnd(58)} longest save ${took.at(-1)!.toFixed(0).padStart(5)} ms, median ${took[Math.floor(took.length / 2)]!.toFixed(1)} ms of ${took.length}; took ${((performance.now() - begun) / 1000).toFixed(1)} s`,
    )
  }
  await server.stop()
  dropFolder(folder)
}
