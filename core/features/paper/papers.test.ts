import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { type Plan, openFile } from '#core/document'
import { check } from '#core/features'
import { boardOf } from '#core/features/board'
import { CLEAN } from '../../../testing/clean'
import { FAULTY } from '../../../testing/faulty'
import { papersOf } from '#core/asked'
import { paperHead, paperText } from './papers'

const demo = (name: string): Plan => {
  const opened = openFile(readFileSync(new URL(`../../../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!opened.ok) throw new Error(opened.problem.path)
  return opened.value.plans.main!
}
const metres = { length: 'm' } as const
const harbour = check(demo('harbour-robotics-cup'))
const paper = (id: string, units: { length: 'm' | 'ft' } = metres, checked = harbour) =>
  papersOf(checked, units).find(candidate => candidate.id === id)!

describe('papers', () => {
  it('have one row for each cable, with the lengths that the board shows', () => {
    for (const plan of [
      ...Object.values(CLEAN),
      ...FAULTY.filter(({ name }) => name !== 'a ring of converters').map(({ plan: faulty }) => faulty),
      demo('harbour-robotics-cup-draft'),
    ]) {
      const checked = check(plan)
      const { rows } = paper('cables', metres, checked)
      expect(rows).toHaveLength(Object.keys(plan.links).length)
      expect(new Set(rows.map(({ number }) => number)).size).toBe(rows.length)
      const shown = boardOf(checked)
        .lanes.flatMap(({ hops }) => hops)
        .flatMap(hop =>
          hop.is === 'cable' && hop.pieces
            ? [`${hop.title} ${hop.pieces.map(piece => `${piece}\u00A0m`).join(' + ')}`]
            : [],
        )
      for (const { type, piece } of rows) if (/^[\d.]/.test(piece!)) expect(shown).toContain(`${type} ${piece}`)
    }
  })
  it('say how a cable lies where it crosses a way that people walk', () => {
    const crossed = check(CLEAN['cables under a ramp where people walk, and overhead at an escape way']!)
    expect(paper('cables', metres, crossed).rows.map(({ note }) => note)).toEqual([
      'crosses a way that people walk: under a ramp',
      'crosses an escape way: overhead, on rated hardware with a second bond',
    ])
  })
  it('label both ends of a cable with the number and the other end', () => {
    // 60 m of route: 6 m of slack make 66 m, and the next piece is 75 m.
    expect(paper('cables').rows[0]).toMatchObject({
      number: '01',
      from: 'Wide, gallery SDI out',
      to: 'Tap, wide SDI in',
      type: 'RG-6 size coax',
      route: '60\u00A0m',
      piece: '75\u00A0m',
      near: '01 to Tap, wide',
      far: '01 from Wide, gallery',
    })
    // 60 m / 0.3048 = 196.9 ft, 75 m = 246.1 ft
    expect(paper('cables', { length: 'ft' }).rows[0]).toMatchObject({ route: '197\u00A0ft', piece: '246\u00A0ft' })
  })
  it('list every input with both names, free ones too', () => {
    const { rows } = paper('inputs')
    expect(rows.find(({ source }) => source === 'Pit lane, roaming')).toEqual({
      switcher: 'Main',
      input: '4',
      source: 'Pit lane, roaming',
      label: 'PIT',
      arrives: '1080p50',
      shot: 'roaming',
      person: 'manned',
      sound: 'shut',
    })
    // Twelve inputs; four cameras, fill and key, the feeder and the judge's tablet.
    expect(rows.filter(({ switcher, source }) => switcher === 'Main' && source === 'free')).toHaveLength(4)
    expect(rows.find(({ source }) => source === 'Hall sound desk')).toMatchObject({
      input: 'Sound in 1 (XLR)',
      arrives: 'sound',
      sound: 'open',
    })
  })
  it('say what is to be set where', () => {
    const set = paper('settings').rows.map(({ device, port, setting, value }) =>
      [device, port, setting, value].filter(Boolean).join(' / '),
    )
    expect(set).toEqual(
      expect.arrayContaining([
        'Main / Operating standard / 1080p50',
        'Remote referee / HDMI out / Format / 1080p50',
        'Main / SDI out 2 / Carries / clean',
        'Main / Sound in 1 (XLR) / Sound held back / 70\u00A0ms',
        'Side / HDMI in 2 / Label / REF',
      ]),
    )
  })
  it('can be copied as text, and are headed by place and day', () => {
    const text = paperText(paper('inputs')).split('\n')
    expect(text[0]).toBe('Switcher\tInput\tLong name\tLabel\tArrives\tShot\tOperator\tSound')
    expect(text).toHaveLength(paper('inputs').rows.length + 1)
    expect(paperHead(harbour)).toEqual([
      'Quayside Sports Hall, Port Lunden, 13 March 2027',
      'rehearsal 07:30, doors 09:00, live 10:00 to 16:30',
      'standard 1080p50',
    ])
  })
})
