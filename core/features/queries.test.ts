import { existsSync, readdirSync } from 'node:fs'
import { expect, it } from 'vitest'
import { QUERIES } from './queries'

it('every query has a name of its own over all features, and can be asked for', async () => {
  const folder = new URL('.', import.meta.url)
  const names: string[] = []
  for (const { name } of readdirSync(folder, { withFileTypes: true }).filter(entry => entry.isDirectory())) {
    const file = new URL(`${name}/queries.ts`, folder)
    if (!existsSync(file)) continue
    const { QUERIES: own } = (await import(/* @vite-ignore */ file.pathname)) as { QUERIES: object }
    names.push(...Object.keys(own))
  }
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([])
  expect(names.sort()).toEqual(Object.keys(QUERIES).sort())
})
