import { readFileSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { parseArgs, styleText } from 'node:util'
import highsLoader from 'highs'
import { openFile, own, problemText, type ShowFile } from '#core/document'
import { COMMANDS } from '#core/asked'
import { check } from '#core/features'
import { Unusable } from '#core/kernel'
import type { Graphic } from '#core/picture'
import type { CommandContext } from '#core/propose'
import { unpackArchive } from '#shared/archive'
import { readPng, writeFinePng, writePng } from '#shared/png'

type Command = (typeof COMMANDS)[number]

const optionsOf = ({ options, json }: Command): string =>
  [
    ...Object.entries(options).map(([name, { value, flag, required }]) => {
      const words = flag ? `--${name}` : `--${name} ${value}`
      return required ? words : `[${words}]`
    }),
    '[--plan ID]',
    ...(json ? ['[--json]'] : []),
  ].join(' ')

export const USAGE = `usage:
${COMMANDS.map(command => `  npm run -s interlumen -- ${command.name} FILE ${optionsOf(command)}`).join('\n')}

${COMMANDS.map(({ name, about }) => `${name} ${about}`).join('\n')}
FILE may be - for standard input.`

interface Arguments {
  readonly file: string
  readonly values: Map<string, string>
  readonly json: boolean
}

function readArguments(args: readonly string[], command: Command): Arguments {
  const named = {
    ...Object.fromEntries(
      Object.entries(command.options).map(([name, { flag }]) => [name, { type: flag ? 'boolean' : 'string' }]),
    ),
    plan: { type: 'string' },
  }
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
    const given = Object.entries(values).flatMap(([name, value]): [string, string][] =>
      typeof value === 'string' ? [[name, value]] : name !== 'json' && value === true ? [[name, '']] : [],
    )
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
  /** The bytes of a file; absent, none but text can be read. */
  readonly bytes?: (path: string) => Uint8Array
  /** Writes a file; absent, none is written. */
  readonly write?: (path: string, content: string | Uint8Array) => void
  /** Names and figures are set apart by weight. */
  readonly styled?: boolean
}

const DISK: Source = {
  read: path => readFileSync(path === '-' ? 0 : path, 'utf8'),
  bytes: path => readFileSync(path),
  write: (path, content) => writeFileSync(path, content),
  styled: process.stdout.isTTY && process.env.NO_COLOR === undefined,
}

function readText(path: string, { read }: Source): string {
  try {
    return read(path)
  } catch (error) {
    throw new Unusable(`${path}: ${(error as Error).message}`)
  }
}

interface Read {
  readonly show: ShowFile
  readonly picture: (file: string) => Graphic | undefined
}

/** An open file, or an archive of one with its pictures; those of an open file lie in a folder `pictures` beside it. */
function readShow(path: string, { read, bytes }: Source): Read {
  let text: string
  let pictures: (file: string) => Uint8Array | undefined = () => undefined
  try {
    if (path.endsWith('.zip') && bytes) {
      const archive = unpackArchive(bytes(path))
      text = new TextDecoder().decode(archive.show)
      pictures = file => archive.pictures.get(file)
    } else {
      text = read(path)
      pictures = file => {
        try {
          return bytes?.(join(dirname(path), 'pictures', `${file}.png`))
        } catch {
          return undefined
        }
      }
    }
  } catch (error) {
    throw new Unusable(`${path}: ${(error as Error).message}`)
  }
  const opened = openFile(text)
  if (!opened.ok) throw new Unusable(`${path}: ${problemText(opened.problem)}`)
  const picture = (file: string): Graphic | undefined => {
    const found = pictures(file)
    try {
      return found && readPng(found)
    } catch (error) {
      throw new Unusable(`the picture ${file}: ${(error as Error).message}`)
    }
  }
  return { show: opened.value, picture }
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
    const { show, picture } = readShow(file, source)
    const planId = choosePlan(show, values.get('plan'))
    const plan = show.plans[planId]!
    const strong = (words: string) => (source.styled ? styleText('bold', words, { validateStream: false }) : words)
    const checked = check(plan)
    for (const [name, { file: isFile }] of Object.entries(command.options)) {
      const path = isFile && values.get(name)
      if (path) values.set(name, readText(path, source))
    }
    const context: CommandContext = { show, planId, plan, checked, values, json, strong, picture, solver: highsLoader }
    const { out = '', error = '', exit, files = {} } = await command.run(context)
    for (const [path, content] of Object.entries(files))
      try {
        source.write?.(
          path,
          typeof content === 'string' ? content : 'values' in content ? writeFinePng(content) : writePng(content),
        )
      } catch (failed) {
        throw new Unusable(`${path}: ${(failed as Error).message}`)
      }
    return { out, error, exit }
  } catch (error) {
    if (!(error instanceof Unusable)) throw error
    return { out: '', error: error.message, exit: 2 }
  }
}
