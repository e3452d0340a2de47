import { describe, expect, it } from 'vitest'
import type { Plan } from '#core/document'
import { papersOf } from '#core/asked'
import { plan } from '../../../testing/plans'
import { check } from '../index'
import { segmentTimes } from './facts'

const show = (brief: Plan['brief'], ...minutes: (number | undefined)[]): Plan =>
  plan({
    brief,
    devices: { cam: 'camera-box-hdmi 1080p59.94' },
    segments: Object.fromEntries(
      minutes.map((m, i) => [
        `s-${i}`,
        { title: `Part ${i + 1}`, order: i, ...(m === undefined ? {} : { minutes: m }) },
      ]),
    ),
  })
const begins = (written: Plan) => segmentTimes(written).rows.map(row => row.begins)

describe('when segments begin', () => {
  it('is the start and the lengths before added up, past midnight too', () => {
    const late = show({ start: '23:10', end: '00:30' }, 20, 45, 25)
    expect(begins(late)).toEqual(['23:10', '23:30', '00:15'])
    // 90 min of segments in a show of 80.
    expect(segmentTimes(late)).toMatchObject({ ends: '00:40', over: 10 })
  })
  it('is open behind what has no length, and without a start', () => {
    expect(begins(show({ start: '19:00', end: '21:00' }, 30, undefined, 20))).toEqual(['19:00', '19:30', undefined])
    expect(segmentTimes(show({ start: '19:00', end: '21:00' }, 30, undefined))).not.toHaveProperty('over')
    expect(begins(show({}, 30, 30))).toEqual([undefined, undefined])
  })
  it('stands on the paper of the running order, which is none without segments', () => {
    const paper = (written: Plan) => papersOf(check(written), { length: 'm' }).find(({ id }) => id === 'order')
    expect(paper(show({ start: '19:00' }, 30, 20))!.rows.map(row => [row.begins, row.minutes, row.sources])).toEqual([
      ['19:00', '30\u00A0min', 'everything'],
      ['19:30', '20\u00A0min', 'everything'],
    ])
    expect(paper(show({}))).toBeUndefined()
  })
})
