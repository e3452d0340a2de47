import Papa from 'papaparse'
import type { Paper } from '#core/kernel'

/**
 * A paper as CSV after RFC 4180: comma, CRLF, quotes doubled. A cell that a spreadsheet would take for a formula
 * (= + - @, tab, carriage return) begins with an apostrophe.
 */
export function paperCsv({ columns, rows }: Paper): string {
  return `${Papa.unparse({ fields: columns.map(({ title }) => title), data: rows.map(row => columns.map(({ key }) => row[key] ?? '')) }, { newline: '\r\n', escapeFormulae: true })}\r\n`
}
