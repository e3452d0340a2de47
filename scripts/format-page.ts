// Writes the catalogue's tables into docs/plan-format.md.
import { readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { LEADS } from '#core/cable'
import { CONSTRAINTS, MODELS, type Model, type Port, makesOf, portsOf } from '#core/catalog'
import { type FormatSet, formatLabel, listFormats } from '#core/signal'

/** The page with its two tables made anew from the catalogue. */
export function withTables(page: string): string {
  const models = [...MODELS.values()].map(
    model =>
      `| \`${model.from}\` | ${model.title} | ${portsText(model, 'in')} | ${portsText(model, 'out')} | ${formatsText(model)} |`,
  )
  const leads = [...LEADS.values()].map(lead => `| \`${lead.from}\` | ${lead.title} | ${lead.ends.join(', ')} |`)
  const kinds = CONSTRAINTS.map(
    ({ title, has }) =>
      `| ${title} | ${[...MODELS]
        .filter(([, model]) => has(model))
        .map(([id]) => `\`${id}\``)
        .join(' ')} |`,
  )
  return replaceRows(
    replaceRows(
      replaceRows(page, '| constraint | models |', kinds),
      '| reference | what it is | inputs | outputs | formats |',
      models,
    ),
    '| reference | what it is | ends |',
    leads,
  )
}

/** Ports by connector: "`in-1` `in-2` hdmi-a". */
function portsText(model: Model, dir: Port['dir']): string {
  const byConnector = new Map<string, string[]>()
  for (const [id, { connector }] of portsOf(model, dir))
    byConnector.set(connector, [...(byConnector.get(connector) ?? []), `\`${id}\``])
  return [...byConnector].map(([connector, ids]) => `${ids.join(' ')} ${connector}`).join('; ')
}

/** The standards of a switcher, else what its outputs make, else what its inputs take: "1080p 25 50, 720p 50". */
function formatsText(model: Model): string {
  const modes = model.modes ? Object.keys(model.modes) : [undefined]
  const made =
    model.role === 'switcher'
      ? []
      : modes
          .map((mode): [string | undefined, FormatSet[]] => [
            mode,
            portsOf(model, 'out').flatMap(([id]) => makesOf(model, id, mode)),
          ])
          .filter(([, sets]) => sets.length)
  const taken = portsOf(model, 'in').flatMap(([, { takes }]) => (Array.isArray(takes) ? (takes as FormatSet[]) : []))
  if (model.standards) return `works in ${grouped(model.standards)}${feedsText(model)}`
  if (made.length)
    return made.map(([mode, sets]) => `makes ${grouped(sets)}${mode === undefined ? '' : ` in \`${mode}\``}`).join('; ')
  return taken.length ? `takes ${grouped(taken)}` : ''
}

/** What the outputs of a switcher can be pointed at, the factory setting first. */
function feedsText(model: Model): string {
  const byFeeds = new Map<string, string[]>()
  for (const [id, { feeds }] of portsOf(model, 'out'))
    if (feeds) byFeeds.set(feeds.join(', '), [...(byFeeds.get(feeds.join(', ')) ?? []), `\`${id}\``])
  return [...byFeeds].map(([feeds, ids]) => `; ${ids.join(' ')}: ${feeds}`).join('')
}

function grouped(sets: readonly FormatSet[]): string {
  const rates = new Map<string, Set<string>>()
  for (const label of listFormats(sets).map(formatLabel)) {
    const [, kind, rate] = /^(.*[a-z])([\d.]+)$/.exec(label)!
    rates.set(kind!, (rates.get(kind!) ?? new Set()).add(rate!))
  }
  return [...rates].map(([kind, all]) => `${kind} ${[...all].join(' ')}`).join(', ')
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
