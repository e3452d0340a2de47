import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { expect, it } from 'vitest'
import { QUERIES } from './queries'

it('every query has a name of its own over all features, and can be asked for', async () => {
  const folder = new URL('../features/', import.meta.url)
  // What is asked of all papers belongs to no feature.
  const names: string[] = ['papers', 'compare']
  for (const { name } of readdirSync(folder, { withFileTypes: true }).filter(entry => entry.isDirectory())) {
    const file = new URL(`${name}/queries.ts`, folder)
    if (!existsSync(file)) continue
    const { QUERIES: own } = (await import(/* @vite-ignore */ file.pathname)) as { QUERIES: object }
    names.push(...Object.keys(own))
  }
  expect(names.filter((name, i) => names.indexOf(name) !== i)).toEqual([])
  expect(names.sort()).toEqual(Object.keys(QUERIES).sort())
})

it.each(['queries', 'commands', 'paper'])('every feature that has %s is listed', kind => {
  const folder = new URL('../features/', import.meta.url)
  const list = readFileSync(new URL(kind === 'paper' ? 'papers.ts' : `${kind}.ts`, import.meta.url), 'utf8')
  const having = readdirSync(folder).filter(name => existsSync(new URL(`${name}/${kind}.ts`, folder)))
  expect(having.length).toBeGreaterThan(5)
  for (const name of having) expect(list).toContain(`'../features/${name}/${kind}'`)
})
