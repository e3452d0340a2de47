import type { SheetData } from 'write-excel-file/universal'
import type { Paper } from '#core/kernel'

type Cell = SheetData[number][number]

/** A figure with its unit, "26 177.40 EUR", "−3 dB", "12.5 kg": spaces within it part thousands. */
const FIGURE = /^(−|-)?(\d{1,3}(?:[ \u00A0\u202F]\d{3})+|\d+)(?:\.(\d+))?(?:([ \u00A0])(%|[^\d\s=+@-][^\d]{0,11}))?$/

/**
 * A text as a cell. Of a column of figures it is a number, so that a spreadsheet can add it up, with its unit in the
 * format; all else is text, and never a formula.
 */
export function cellOf(text: string, figures: boolean): Cell {
  const found = figures ? FIGURE.exec(text) : null
  if (!found) return { value: text, type: String, wrap: true, alignVertical: 'top' }
  const [, minus, whole, decimals = '', , unit = ''] = found
  const size = Number(`${whole!.replace(/\D/g, '')}.${decimals || '0'}`)
  const digits = decimals ? `0.${'0'.repeat(decimals.length)}` : '0'
  return {
    value: minus ? -size : size,
    type: Number,
    format: unit ? `${digits}\\ "${unit.replaceAll('"', '')}"` : digits,
    align: 'right',
    alignVertical: 'top',
  }
}

/** Names of sheets: 31 characters at the most, none of \ / ? * [ ] :, each once. */
export function sheetNames(titles: readonly string[]): string[] {
  const taken = new Set<string>()
  return titles.map(title => {
    const plain = title.replace(/[\\/?*[\]:']/g, ' ').trim() || 'Paper'
    for (let n = 1; ; n++) {
      const name = n === 1 ? plain.slice(0, 31) : `${plain.slice(0, 28)} ${n}`
      if (taken.has(name.toLowerCase())) continue
      taken.add(name.toLowerCase())
      return name
    }
  })
}

/** A sheet of a workbook (Office Open XML, ISO/IEC 29500) for each paper. */
export function sheetsOf(papers: readonly Paper[]) {
  const names = sheetNames(papers.map(({ title }) => title))
  return papers.map(({ columns, rows }, i) => {
    const used = columns.filter(({ key }) => rows.some(row => row[key]))
    const shown = used.length ? used : columns
    return {
      sheet: names[i]!,
      stickyRowsCount: 1,
      columns: shown.map(({ key, title }) => ({
        width: Math.min(48, 2 + Math.max(title.length, ...rows.map(row => (row[key] ?? '').length))),
      })),
      data: [
        shown.map(({ title, figures }): Cell => ({
          value: title,
          type: String,
          fontWeight: 'bold',
          ...(figures ? { align: 'right' as const } : {}),
        })),
        ...rows.map(row => shown.map(({ key, figures }) => cellOf(row[key] ?? '', figures === true))),
      ] satisfies SheetData,
    }
  })
}

/** All papers as one workbook. The writer is fetched when it is first needed. */
export async function papersXlsx(papers: readonly Paper[]): Promise<Blob> {
  const { default: write } = await import('write-excel-file/universal')
  return write(sheetsOf(papers)).toBlob()
}
