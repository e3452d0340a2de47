import { readFileSync, writeFileSync } from 'node:fs'
import { openStore, restoreCopy } from '../server/store/pglite/open'

const USAGE = `usage:
  npm run -s data -- copy FOLDER|ADDRESS FILE   writes a copy of everything: of a folder that nobody serves, or of a running server
  npm run -s data -- restore FILE FOLDER        begins a new folder with what a copy holds
  npm run -s data -- verify FOLDER              holds every plan against its journal; ends with 1 where one differs`

async function copy(from: string, file: string): Promise<string> {
  let text: string
  if (/^https?:/.test(from)) {
    const answer = await fetch(new URL('/api/copy', from))
    if (!answer.ok) throw new Error(`${from} answers ${answer.status}`)
    text = await answer.text()
  } else {
    const store = await openStore(from, { engine: 'copy' })
    const lines: string[] = []
    await store.copyLines(line => lines.push(line)).finally(() => store.close())
    text = `${lines.join('\n')}\n`
  }
  writeFileSync(file, text, { flag: 'wx' })
  return `${file}: ${text.split('\n').length - 2} rows`
}

async function run([name, first, second]: readonly string[]): Promise<number> {
  if (name === 'copy' && first && second) console.log(await copy(first, second))
  else if (name === 'restore' && first && second) {
    await restoreCopy(second, readFileSync(first, 'utf8'))
    console.log(`${second} holds what ${first} holds; serve it with INTERLUMEN_DATA=${second}`)
  } else if (name === 'verify' && first) {
    const store = await openStore(first, { engine: 'verify' })
    const found = await store.verify().finally(() => store.close())
    for (const { show, plan, what } of found) console.log(`${show}/${plan}: ${what}`)
    console.log(
      found.length ? `${found.length} plans differ from their journal` : 'every plan is what its journal leads to',
    )
    return found.length ? 1 : 0
  } else {
    console.error(USAGE)
    return 2
  }
  return 0
}

process.exitCode = await run(process.argv.slice(2)).catch((error: Error) => {
  console.error(`interlumen: ${error.message}`)
  return 2
})
