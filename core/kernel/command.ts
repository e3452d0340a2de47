/** One command of the command line. The text of its usage is made from it. */
export interface Command<C> {
  readonly name: string
  readonly about: string
  readonly options: Readonly<Record<string, CommandOption>>
  /** It can answer as JSON. */
  readonly json?: true
  readonly run: (context: C) => CommandResult | Promise<CommandResult>
}

export interface CommandOption {
  /** What stands for its value in the usage: "STANDARD". */
  readonly value: string
  /** The value names a file: what the command gets is its text. */
  readonly file?: true
  /** It stands alone, without a value. */
  readonly flag?: true
  readonly required?: true
}

export interface CommandResult {
  readonly out?: string
  readonly error?: string
  readonly exit: number
  /** Files to write, by path: text, or pixels that become a PNG. */
  readonly files?: Readonly<Record<string, string | FilePixels | FineFilePixels>>
}

/** Four bytes a pixel, rows from the top; `opaque`: the fourth says nothing. */
export interface FilePixels {
  readonly width: number
  readonly height: number
  readonly data: Uint8ClampedArray
  readonly opaque: boolean
}

/** Three values a pixel from 0 to 2^bits - 1, rows from the top. */
export interface FineFilePixels {
  readonly width: number
  readonly height: number
  readonly values: Uint16Array
  readonly bits: number
}

/** What a person asked for cannot be used; the message says where, what was found and what is allowed. */
export class Unusable extends Error {}
