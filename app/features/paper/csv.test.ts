import { describe, expect, it } from 'vitest'
import type { Paper } from '#core/kernel'
import { paperCsv } from './csv'

const paper = (...cells: string[]): Paper => ({
  id: 'cables',
  title: 'x',
  about: '',
  columns: [
    { key: 'a', title: 'Name' },
    { key: 'b', title: 'Say "where"' },
  ],
  rows: cells.map(cell => ({ a: cell, b: 'x' })),
})
const csv = (...cells: string[]): string => paperCsv(paper(...cells))

describe('a paper as CSV', () => {
  it('follows RFC 4180: CRLF at every end, quotes doubled, and quotes around what holds a comma, a quote or a line', () => {
    expect(csv('plain', 'a, b', 'the "west" wall', 'two\nlines')).toBe(
      'Name,"Say ""where"""\r\nplain,x\r\n"a, b",x\r\n"the ""west"" wall",x\r\n"two\nlines",x\r\n',
    )
  })
  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1'])('keeps a spreadsheet from computing %j', cell => {
    const [, row] = csv(cell).split(/\r\n(?!=)/)
    expect(row!.replace(/^"/, '').startsWith("'")).toBe(true)
  })
  it('leaves minus signs and figures inside a cell alone', () => {
    expect(csv('5\u00A0m', 'a-b', '')).toContain('5\u00A0m,x\r\na-b,x\r\n,x\r\n')
  })
})
