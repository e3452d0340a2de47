import { describe, expect, it } from 'vitest'
import { slipSeconds } from '#core/signal'
import { WHAT_IS_RIGHT } from './right'

describe('what is often believed otherwise', () => {
  // 30 - 30000/1001 = 30/1001 frames a second: one in 33.37 s; 24 - 24000/1001 = 24/1001: one in 41.71 s.
  it('is said with the figures of the rates themselves', () => {
    expect(WHAT_IS_RIGHT.rates).toContain(`${slipSeconds('30/1', '30000/1001').toFixed(1)}\u00A0s`)
    expect(WHAT_IS_RIGHT.rates).toContain(`${slipSeconds('24/1', '24000/1001').toFixed(1)}\u00A0s`)
    expect(WHAT_IS_RIGHT.rates).toMatch(/33\.4.*41\.7/)
  })
})
