import {
  CONNECTORS,
  type FormatSet,
  SDI_CLASSES,
  SIGNAL_KINDS,
  formatLabel,
  listFormats,
  parseFormatLabel,
} from '#core/signal'
import { CARRIED, type Model, type Port } from './model'

// The ports of a model as rows of text, one port each, for a spreadsheet.

export const PORT_COLUMNS = [
  'port',
  'title',
  'dir',
  'carries',
  'connector',
  'number',
  'maxMHz',
  'classes',
  'takes',
  'makes',
  'feeds',
  'sound',
] as const
export type PortColumn = (typeof PORT_COLUMNS)[number]
export type PortRow = Readonly<Record<PortColumn, string>>

/** Where a row is wrong: its number from 1, the column, what was found and what is allowed. */
export interface RowProblem {
  readonly row: number
  readonly column: PortColumn
  readonly found: string
  readonly allowed: string
}

export type Ports =
  | { readonly ok: true; readonly ports: Readonly<Record<string, Port>> }
  | { readonly ok: false; readonly problem: RowProblem }

const words = (sets: readonly FormatSet[] | undefined): string =>
  listFormats(sets ?? [])
    .map(formatLabel)
    .join(' ')

/** The ports in the order of the model; what the table has no column for stays with the model. */
export function portRows(model: Model): PortRow[] {
  return Object.entries(model.ports).map(([port, row]) => ({
    port,
    title: row.title,
    dir: row.dir,
    carries: row.carries,
    connector: row.connector,
    number: row.number === undefined ? '' : String(row.number),
    maxMHz: row.maxMHz === undefined ? '' : String(row.maxMHz),
    classes: (row.classes ?? []).join(' '),
    takes: row.takes === 'standard' ? 'standard' : words(row.takes),
    makes: words(row.makes),
    feeds: (row.feeds ?? []).join(' '),
    sound: row.sound === undefined ? '' : String(row.sound),
  }))
}

/** Ports of rows; a port that the model has already keeps what the table has no column for. The first wrong cell is told. */
export function portsOfRows(rows: readonly Partial<Record<string, string>>[], before: Model['ports'] = {}): Ports {
  const ports: Record<string, Port> = {}
  for (const [i, row] of rows.entries()) {
    const cell = (column: PortColumn): string => (row[column] ?? '').trim()
    const wrong = (column: PortColumn, allowed: string): Ports => ({
      ok: false,
      problem: { row: i + 1, column, found: cell(column) || 'nothing', allowed },
    })
    const id = cell('port')
    if (!/^[a-z0-9](?:[a-z0-9-]{0,62}[a-z0-9])?$/.test(id) || id === 'constructor')
      return wrong('port', 'an id of lower-case letters, figures and hyphens')
    if (Object.hasOwn(ports, id)) return wrong('port', 'each port once')
    const [dir, carries, connector] = [cell('dir'), cell('carries'), cell('connector')]
    if (!cell('title')) return wrong('title', 'what is printed beside it')
    if (dir !== 'in' && dir !== 'out') return wrong('dir', 'in or out')
    if (!(SIGNAL_KINDS as readonly string[]).includes(carries)) return wrong('carries', SIGNAL_KINDS.join(', '))
    if (!(CONNECTORS as readonly string[]).includes(connector)) return wrong('connector', CONNECTORS.join(', '))
    const figures: Partial<Record<'number' | 'maxMHz' | 'sound', number>> = {}
    for (const column of ['number', 'maxMHz', 'sound'] as const) {
      if (cell(column) === '') continue
      const value = Number(cell(column))
      if (!Number.isFinite(value) || value < 0 || (column !== 'maxMHz' && !Number.isInteger(value)))
        return wrong(column, 'a figure, or nothing')
      figures[column] = value
    }
    const listed = (column: 'classes' | 'feeds', allowed: readonly string[]): string[] | undefined => {
      const found = cell(column).split(/\s+/).filter(Boolean)
      return found.every(one => allowed.includes(one)) ? found : undefined
    }
    const classes = listed('classes', SDI_CLASSES)
    if (!classes) return wrong('classes', SDI_CLASSES.join(' '))
    const feeds = listed('feeds', CARRIED)
    if (!feeds) return wrong('feeds', CARRIED.join(' '))
    const takes = cell('takes') === 'standard' ? ('standard' as const) : setsOf(cell('takes'))
    if (!takes) return wrong('takes', 'standard, or formats such as 1080p50 1080i59.94')
    const makes = setsOf(cell('makes'))
    if (!makes) return wrong('makes', 'formats such as 1080p50 1080i59.94')
    const {
      number: _n,
      maxMHz: _m,
      sound: _s,
      classes: _c,
      feeds: _f,
      takes: _t,
      makes: _k,
      ...kept
    } = Object.hasOwn(before, id) ? before[id]! : ({} as Partial<Port>)
    ports[id] = {
      ...kept,
      title: cell('title'),
      dir,
      carries: carries as Port['carries'],
      connector: connector as Port['connector'],
      ...figures,
      ...(classes.length ? { classes: classes as Port['classes'] & object } : {}),
      ...(feeds.length ? { feeds: feeds as Port['feeds'] & object } : {}),
      ...(takes.length ? { takes } : {}),
      ...(makes.length ? { makes } : {}),
    }
  }
  return { ok: true, ports }
}

/** Formats by their labels, gathered by raster and scan; undefined where one is not known. */
function setsOf(text: string): FormatSet[] | undefined {
  const sets: { raster: FormatSet['raster']; scan: FormatSet['scan']; rates: FormatSet['rates'][number][] }[] = []
  for (const label of text.split(/\s+/).filter(Boolean)) {
    const format = parseFormatLabel(label)
    if (!format) return undefined
    const last = sets.at(-1)
    if (last && last.raster === format.raster && last.scan === format.scan) last.rates.push(format.rate)
    else sets.push({ raster: format.raster, scan: format.scan, rates: [format.rate] })
  }
  return sets
}
