import { quantityKind, type Quantity } from '#core/kernel'
import { figure, SPACE } from '#core/words'

declare module '../../kernel/quantity' {
  interface Quantities {
    current: { a: number }
  }
}

export const CURRENT_QUANTITY = quantityKind({
  is: 'current',
  words: ({ a }) => `${figure(a)}${SPACE}A`,
  plain: ({ a }) => ({ value: a, unit: 'A' }),
})

export const current = (a: number): Quantity => ({ is: 'current', a })
