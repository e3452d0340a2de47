import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyEdits } from '#core/document'
import { check } from '#core/features'
import { remediesOf } from '#core/propose'
import { plan } from '../../../testing/plans'

const SCREENS = 24
const DEVICES = {
  main: { model: 'switcher-4-strict', standard: { raster: '1920x1080', scan: 'p', rate: '60000/1001' } },
  ...Object.fromEntries(Array.from({ length: SCREENS }, (_, i) => [`scr-${i}`, { model: 'screen-computer' }])),
} as const

describe('leakage behind a protection', () => {
  it('is told exactly where the sum of what hangs there is above 9 mA, over random houses', () => {
    fc.assert(
      fc.property(
        // By screen: the circuit that it hangs on; by circuit: the protection that it lies behind.
        fc.array(fc.constantFrom(0, 1, 2, 3), { minLength: SCREENS, maxLength: SCREENS }),
        fc.array(fc.constantFrom('', 'A', 'B'), { minLength: 4, maxLength: 4 }),
        (hangs, behind) => {
          const circuits = Object.fromEntries(
            behind.map((residual, c) => [
              `c${c}`,
              {
                title: `Circuit ${c}`,
                order: c,
                amps: 63,
                ...(residual ? { residual } : {}),
                ...(hangs.includes(c as 0)
                  ? {
                      loads: Object.fromEntries(
                        hangs.flatMap((to, i) => (to === c ? [[`scr-${i}`, true as const]] : [])),
                      ),
                    }
                  : {}),
              },
            ]),
          )
          const checked = check(plan({ brief: { mains: '230v-50hz' }, devices: DEVICES, circuits } as never))
          // A screen leaks 1 mA.
          const above = ['A', 'B'].filter(name => hangs.filter(c => behind[c] === name).length > 9)
          const told = checked.findings.filter(({ id }) => id === 'P12')
          expect(told.length).toBe(above.length)
          for (const finding of told)
            for (const { edits, title } of remediesOf(checked, finding)) {
              const applied = applyEdits(checked.traced.plan, edits)
              expect(applied.ok, title).toBe(true)
              const left = applied.ok ? check(applied.value.plan).findings.filter(({ id }) => id === 'P12') : []
              expect(left.length, title).toBe(above.length - 1)
            }
        },
      ),
      { numRuns: 60, seed: 5 },
    )
  })
})
