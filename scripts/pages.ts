// Writes what is made from the code into the pages of docs/ and into the README.
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { LEADS } from '#core/cable'
import { CONSTRAINTS, MODELS, type Model, type Port, makesOf, portsOf } from '#core/catalog'
import { RULES } from '#core/features'
import { SEVERITY_WORDS } from '#core/kernel'
import { type FormatSet, formatLabel, listFormats } from '#core/signal'
import { SCREENS } from '../app/features'
import { EVERYWHERE, type Screen } from '../app/shell/screens'
import { USAGE } from '../cli/main'
import { FAULTY } from '../testing/faulty'

/** The page with its tables made anew from the catalogue. */
function withTables(page: string): string {
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

/** Every fault that is found: its code, its file, its sentences with their severity, and what is offered. */
function rulesPage(): string {
  const files = (readdirSync(inRoot('core/features'), { recursive: true }) as string[])
    .filter(name => /rules\/[^/]+\.ts$/.test(name) && !name.endsWith('.cases.ts'))
    .map(name => [name, readFileSync(join(inRoot('core/features'), name), 'utf8')] as const)
  const fileOf = (code: string) => files.find(([, text]) => text.includes(`'${code}'`))?.[0]
  const offered = (code: string) => [
    ...new Set(FAULTY.filter(({ gives }) => gives[0] === code).flatMap(({ offers }) => offers)),
  ]
  const entries = RULES.map(({ code, about, messages }) => {
    const sentences = Object.values(messages).map(({ severity, says }) => `- ${SEVERITY_WORDS[severity]}: ${says}`)
    const titles = offered(code)
    return [
      `## ${code}: ${about}`,
      `In \`core/features/${fileOf(code)}\`.`,
      sentences.join('\n'),
      ...(titles.length
        ? [`Its examples are offered, among others: ${titles.map(title => `_${title}_`).join('; ')}.`]
        : []),
    ].join('\n\n')
  })
  return `# The faults that are found

Made from the rules by \`npm run pages\`. In braces stands what a sentence is filled with. The part of a finding's key before
the colon is its code. A hazard or darkness cannot be accepted; a risk or a loss of quality can, with a reason.

${entries.join('\n\n')}
`
}

/** The page of the command line with its usage as the program prints it. */
function withUsage(page: string): string {
  return between(page, 'usage', `\`\`\`\n${USAGE.trim()}\n\`\`\``)
}

/** The page with the keys of every screen. */
function withKeys(page: string): string {
  const rows = (screen: string, actions: Screen['actions']) =>
    actions.map(({ key, words }, i) => `| ${i === 0 ? screen : ''} | ${key.replace('|', '\\|')} | ${words} |`)
  const list = [...SCREENS.flatMap(({ title, actions }) => rows(title, actions)), ...rows('everywhere', EVERYWHERE)]
  return between(page, 'keys', ['| screen | key | what it does |', '| --- | --- | --- |', ...list].join('\n'))
}

function between(page: string, name: string, text: string): string {
  const [begin, end] = [`<!-- ${name} -->\n`, `\n<!-- /${name} -->`]
  return page.slice(0, page.indexOf(begin) + begin.length) + text + page.slice(page.indexOf(end))
}

const inRoot = (path: string): string => fileURLToPath(new URL(`../${path}`, import.meta.url))

/** What is made from the code, by page: from the page as it stands to the page as it should be. */
export const PAGES: Readonly<Record<string, (now: string) => string>> = {
  'docs/plan-format.md': withTables,
  'docs/rules.md': rulesPage,
  'docs/commands.md': withUsage,
  'README.md': withKeys,
}
export const pageNow = (path: string): string => readFileSync(inRoot(path), 'utf8')

if (process.argv[1] === fileURLToPath(import.meta.url))
  for (const [path, made] of Object.entries(PAGES)) writeFileSync(inRoot(path), made(pageNow(path)))
