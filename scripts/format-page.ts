// Writes the catalogue's tables into docs/plan-format.md.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { LEADS } from '../core/cable'
import { MODELS } from '../core/catalog'

/** The page with its two tables made anew from the catalogue. */
export function withTables(page: string): string {
  const models = [...MODELS.values()].map(model => `| \`${model.from}\` | ${model.title} | ${Object.keys(model.ports).map(id => `\`${id}\``).join(' ')} |`)
  const leads = [...LEADS.values()].map(lead => `| \`${lead.from}\` | ${lead.title} | ${lead.ends.join(', ')} |`)
  return replaceRows(replaceRows(page, '| reference | what it is | ports |', models), '| reference | what it is | ends |', leads)
}

function replaceRows(page: string, head: string, rows: readonly string[]): string {
  const lines = page.split('\n')
  const start = lines.indexOf(head) + 2
  let end = start
  while (lines[end] !== '') end++
  return [...lines.slice(0, start), ...rows, ...lines.slice(end)].join('\n')
}

const target = fileURLToPath(new URL('../docs/plan-format.md', import.meta.url))
if (process.argv[1] === fileURLToPath(import.meta.url)) writeFileSync(target, withTables(readFileSync(target, 'utf8')))
