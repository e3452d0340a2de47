import { nextTick, ref } from 'vue'
import { describe, expect, it } from 'vitest'
import { fallen, useDrawnSize } from './size'

describe('the size of a live picture', () => {
  it('falls by a third at a time, never below 320 and never above what is wanted', () => {
    expect([0, 1, 2, 3, 9].map(steps => fallen(1280, steps))).toEqual([1280, 853, 569, 379, 320])
    expect(fallen(300, 2)).toBe(300)
  })
  it('falls after two seconds in which less than four fifths of the frames were drawn, and begins anew at another size', async () => {
    const [wanted, rate] = [ref(1200), ref<number | undefined>(50)]
    const { width, second: told } = useDrawnSize(wanted, () => rate.value)
    const second = (frames: number) => {
      told(frames)
      return width.value
    }
    // 40 of 50 keep up; one late second is none.
    expect(second(50)).toBe(1200)
    expect(second(30)).toBe(1200)
    expect(second(41)).toBe(1200)
    expect(second(39)).toBe(1200)
    expect(second(38)).toBe(800)
    expect(second(39)).toBe(800)
    expect(second(30)).toBe(533)
    wanted.value = 900
    await nextTick()
    expect(width.value).toBe(900)
    // Five seconds with nearly all frames, and it rises; where that was too large, it waits for ten.
    for (const frames of [30, 30]) second(frames)
    expect(width.value).toBe(600)
    for (const frames of [50, 48, 50, 49]) expect(second(frames)).toBe(600)
    expect(second(50)).toBe(900)
    for (const frames of [20, 20]) second(frames)
    expect(width.value).toBe(600)
    for (let s = 0; s < 9; s++) expect(second(50)).toBe(600)
    expect(second(50)).toBe(900)
    // While the run stands still nothing is late.
    rate.value = undefined
    for (const frames of [3, 2, 1]) expect(second(frames)).toBe(900)
  })
})
