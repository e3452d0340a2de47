import { readFileSync } from 'node:fs'
import { parseArgs, styleText } from 'node:util'
import highsLoader from 'highs'
import { openFile, own, problemText, type ShowFile } from '#core/document'
import { check, COMMANDS } from '#core/features'
import { Unusable } from '#core/kernel'
import type { CommandContext } from '#core/propose'

type Command = (typeof COMMANDS)[number]

const optionsOf = ({ options, json }: Command): string =>
  [
    ...Object.entries(options).map(([name, { value, required }]) =>
      required ? `--${name} ${value}` : `[--${name} ${value}]`,
    ),
    '[--plan ID]',
    ...(json ? ['[--json]'] : []),
  ].join(' ')

export const USAGE = `usage:
${COMMANDS.map(command => `  npm run -s interlumen -- ${command.name} FILE ${optionsOf(command)}`).join('\n')}

${COMMANDS.map(({ name, about }) => `${name} ${about}`).join('\n')}
FILE may be - for standard input.`

interface Arguments {
  readonly file: string
  readonly values: ReadonlyMap<string, string>
  readonly json: boolean
}

function readArguments(args: readonly string[], command: Command): Arguments {
  const named = Object.fromEntries([...Object.keys(command.options), 'plan'].map(name => [name, { type: 'string' }]))
  const flags = command.json ? { json: { type: 'boolean' } } : {}
  try {
    const { values, positionals } = parseArgs({
      args: [...args],
      options: { ...named, ...flags } as Record<string, { type: 'string' | 'boolean' }>,
      allowPositionals: true,
    })
    const [file, more] = positionals
    if (file === undefined) throw new Unusable(USAGE)
    if (more !== undefined) throw new Unusable(`unknown argument ${more}\n${USAGE}`)
    const given = Object.entries(values).filter((entry): entry is [string, string] => typeof entry[1] === 'string')
    return { file, values: new Map(given), json: values.json === true }
  } catch (error) {
    if (error instanceof Unusable) throw error
    const odd = /Unknown option '([^']+)'/.exec((error as Error).message)?.[1]
    throw new Unusable(`${odd ? `unknown argument ${odd}` : (error as Error).message}\n${USAGE}`)
  }
}

/** What the command line reads by; tests give their own. */
export interface Source {
  /** The text of a file, or of standard input for `-`. */
  readonly read: (path: string) => string
  /** Names and figures are set apart by weight. */
  readonly styled?: boolean
}

const DISK: Source = {
  read: path => readFileSync(path === '-' ? 0 : path, 'utf8'),
  styled: process.stdout.isTTY && process.env.NO_COLOR === undefined,
}

function readShow(path: string, { read }: Source): ShowFile {
  let text: string
  try {
    text = read(path)
  } catch (error) {
    throw new Unusable(`${path}: ${(error as Error).message}`)
  }
  const opened = openFile(text)
  if (!opened.ok) throw new Unusable(`${path}: ${problemText(opened.problem)}`)
  return opened.value
}

function choosePlan({ plans }: ShowFile, asked: string | undefined): string {
  if (asked === undefined) return own(plans, 'main') ? 'main' : Object.keys(plans).sort()[0]!
  if (!own(plans, asked)) throw new Unusable(`no plan ${asked}; the file has ${Object.keys(plans).join(', ')}`)
  return asked
}

/** What a call prints on both its outputs, and its exit status. */
export interface Printed {
  readonly out: string
  readonly error: string
  readonly exit: number
}

/** Runs one call of the command line. Bad arguments and files end with 2 and say what is wrong. */
export async function runCommand(args: readonly string[], source: Source = DISK): Promise<Printed> {
  const [name, ...rest] = args
  const command = COMMANDS.find(candidate => candidate.name === name)
  if (!command) {
    const asked = name === '--help' || name === 'help'
    return asked ? { out: USAGE, error: '', exit: 0 } : { out: '', error: USAGE, exit: 2 }
  }
  try {
    const { file, values, json } = readArguments(rest, command)
    const show = readShow(file, source)
    const planId = choosePlan(show, values.get('plan'))
    const plan = show.plans[planId]!
    const strong = (words: string) => (source.styled ? styleText('bold', words, { validateStream: false }) : words)
    const checked = check(plan)
    const context: CommandContext = { show, planId, plan, checked, values, json, strong, solver: highsLoader }
    const { out = '', error = '', exit } = await command.run(context)
    return { out, error, exit }
  } catch (error) {
    if (!(error instanceof Unusable)) throw error
    return { out: '', error: error.message, exit: 2 }
  }
}
