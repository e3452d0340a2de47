import { describe, expect, it } from 'vitest'
import { tracedOf } from '#core/chain'
import { CLEAR, kept, patches } from '../../../testing/graphics'
import { onBlackPage } from '../../../testing/overlaid'
import { check } from '../index'
import { inputList } from '../paper/papers'
import { keptFree, placeWords } from './facts'

const name = { x: 0.1, y: 0.75, w: 0.3, h: 0.1 }
const art = kept(patches(160, 90, CLEAR, [[16, 68, 48, 9, [255, 255, 255, 255]]]), { name })

describe('what cameras keep free', () => {
  it.each([
    [{ x: 0, y: 0.7, w: 0.3, h: 0.25 }, 'the lower left'],
    [{ x: 0.05, y: 0.75, w: 0.9, h: 0.2 }, 'the lower part'],
    [{ x: 0.7, y: 0, w: 0.3, h: 0.3 }, 'the upper right'],
    [{ x: 0.4, y: 0.4, w: 0.2, h: 0.2 }, 'the middle'],
    [{ x: 0, y: 0.3, w: 0.2, h: 0.4 }, 'the left'],
    [{ x: 0.4, y: 0, w: 0.2, h: 0.2 }, 'the upper part'],
  ])('is called after its thirds: %j is %s', (box, words) => expect(placeWords(box)).toBe(words))
  it('is where the words of an overlay stand, or its box, for each camera under it', () => {
    const free = (more: object) =>
      Object.fromEntries(keptFree(tracedOf(onBlackPage(art, { clip: 0.1, gain: 0.9, ...more }))))
    expect(free({})).toEqual({})
    const both = ['the lower left (Names)']
    expect(free({ keepsFree: true })).toEqual({ wide: both, guest: both })
    expect(free({ keepsFree: true, box: { x: 0.7, y: 0.05, w: 0.25, h: 0.2 } }).wide).toEqual([
      'the upper right (Names)',
    ])
  })
  it('is told on the paper of sources and inputs', () => {
    const { rows } = inputList(check(onBlackPage(art, { clip: 0.1, gain: 0.9, keepsFree: true })))
    expect(rows.find(({ source }) => source === 'wide')!.shot).toBe('keeps the lower left (Names) free')
    expect(rows.find(({ source }) => source === 'slides')!.shot).toBe('')
  })
})
