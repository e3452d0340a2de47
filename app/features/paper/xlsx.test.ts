import { strFromU8, unzipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import type { Paper } from '#core/kernel'
import { cellOf, papersXlsx, sheetNames, sheetsOf } from './xlsx'

describe('a cell of a paper in a workbook', () => {
  it.each<[string, number, string]>([
    ['5\u00A0m', 5, '0\\ "m"'],
    ['26\u00A0177.40\u00A0EUR', 26177.4, '0.00\\ "EUR"'],
    ['\u22123.5\u00A0dB', -3.5, '0.0\\ "dB"'],
    ['12\u00A0%', 12, '0\\ "%"'],
    ['7', 7, '0'],
  ])('%s is a number with its unit', (text, value, format) =>
    expect(cellOf(text, true)).toMatchObject({ value, type: Number, format }),
  )
  it.each(['=1+1', '+1', '1080p59.94', '3 of 4', '@SUM(A1)', '', '1 h 20 min', '7 m and 3 m'])('%j stays text', text =>
    expect(cellOf(text, true)).toMatchObject({ value: text, type: String }),
  )
  it('is text in a column of words, whatever it looks like', () =>
    expect(cellOf('5', false)).toMatchObject({ value: '5', type: String }))
})

describe('the workbook of a show', () => {
  const paper = (title: string, rows: Paper['rows']): Paper => ({
    id: title,
    title,
    about: '',
    columns: [
      { key: 'a', title: 'What' },
      { key: 'b', title: 'Length', figures: true },
      { key: 'c', title: 'Never filled' },
    ],
    rows,
  })
  it('gives each sheet a name that a spreadsheet takes, once', () =>
    expect(sheetNames(['Inputs: [A/B]', 'inputs   A B', 'x'.repeat(40), 'x'.repeat(40), '?'])).toEqual([
      'Inputs   A B',
      'inputs   A B 2',
      'x'.repeat(31),
      `${'x'.repeat(28)} 2`,
      'Paper',
    ]))
  it('has a sheet for each paper, with the columns that are filled', () => {
    const [one] = sheetsOf([paper('Cables', [{ a: 'Wide', b: '75\u00A0m' }])])
    expect(one!.data.map(row => row.length)).toEqual([2, 2])
  })
  it('is a file that holds its texts and numbers, and no formula', async () => {
    const blob = await papersXlsx([
      paper('Cables', [{ a: '=HYPERLINK("x")', b: '75\u00A0m' }]),
      paper('Other', [{ a: 'Näf & <son>', b: '3' }]),
    ])
    const files = unzipSync(new Uint8Array(await blob.arrayBuffer()))
    const text = (name: string) => strFromU8(files[Object.keys(files).find(path => path.endsWith(name))!]!)
    expect(text('workbook.xml')).toContain('name="Cables"')
    expect(text('sheet1.xml')).toMatch(/<v>75<\/v>/)
    expect(text('sheet1.xml')).not.toContain('<f>')
    const all = Object.entries(files)
      .filter(([name]) => name.endsWith('.xml'))
      .map(([, bytes]) => strFromU8(bytes))
      .join('')
    expect(all).toContain('N\u00E4f &amp; &lt;son&gt;')
    expect(all).toContain('=HYPERLINK')
  })
})
