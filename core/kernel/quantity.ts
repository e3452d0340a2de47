import { SPACE, type Units, dataRateText, figure, lengthText, moneyText, msText } from '#core/words'

/**
 * The kinds of value that a message may hold, each by its own fields. Rooms and features add kinds of their own to
 * this interface and say in a `QuantityKind` how they are written.
 */
export interface Quantities {
  text: { text: string }
  count: { count: number }
  /** 0 .. 1 and more. */
  share: { share: number }
  length: { m: number }
  rate: { bitsPerS: number }
  loss: { db: number }
  duration: { s: number }
  delay: { ms: number }
  power: { w: number }
  /** Minor units, and the ISO 4217 code of their currency. */
  money: { minor: number; currency: string }
}

type Kinds = { readonly [K in keyof Quantities]: { readonly is: K } & Readonly<Quantities[K]> }

/** A value in a message, kept with its kind so that units and language can change without a new check. */
export type Quantity = Kinds[keyof Quantities]

/** How one kind of value is read: by people in their units, and by programs. */
export interface QuantityKind<K extends keyof Quantities = keyof Quantities> {
  readonly is: K
  readonly words: (quantity: Kinds[K], units: Units) => string
  /** A number with its unit where it is one, else as it is written. */
  readonly plain: (quantity: Kinds[K]) => unknown
}

export const quantityKind = <K extends keyof Quantities>(kind: QuantityKind<K>): QuantityKind =>
  kind as unknown as QuantityKind

export const BASE_QUANTITIES: readonly QuantityKind[] = [
  quantityKind({ is: 'text', words: ({ text }) => text, plain: ({ text }) => text }),
  quantityKind({ is: 'count', words: ({ count }) => figure(count, 0), plain: ({ count }) => count }),
  quantityKind({
    is: 'share',
    words: ({ share }) => `${figure(share * 100, 0)}${SPACE}%`,
    plain: ({ share }) => ({ value: share, unit: '1' }),
  }),
  quantityKind({
    is: 'length',
    words: ({ m }, units) => lengthText(m, units),
    plain: ({ m }) => ({ value: m, unit: 'm' }),
  }),
  quantityKind({
    is: 'rate',
    words: ({ bitsPerS }) => dataRateText(bitsPerS),
    plain: ({ bitsPerS }) => ({ value: bitsPerS, unit: 'bit/s' }),
  }),
  quantityKind({
    is: 'loss',
    words: ({ db }) => `${figure(db)}${SPACE}dB`,
    plain: ({ db }) => ({ value: db, unit: 'dB' }),
  }),
  quantityKind({
    is: 'duration',
    words: ({ s }) => (s < 1 ? msText(s * 1000) : `${figure(s)}${SPACE}s`),
    plain: ({ s }) => ({ value: s, unit: 's' }),
  }),
  quantityKind({
    is: 'power',
    words: ({ w }) => `${figure(w, 0)}${SPACE}W`,
    plain: ({ w }) => ({ value: w, unit: 'W' }),
  }),
  quantityKind({
    is: 'money',
    words: ({ minor, currency }) => moneyText(minor, currency),
    plain: ({ minor, currency }) => ({ minor, currency }),
  }),
  quantityKind({ is: 'delay', words: ({ ms }) => msText(ms), plain: ({ ms }) => ({ value: ms, unit: 'ms' }) }),
]

export const text = (words: string): Quantity => ({ is: 'text', text: words })
export const length = (m: number): Quantity => ({ is: 'length', m })
export const dataRate = (bitsPerS: number): Quantity => ({ is: 'rate', bitsPerS })
export const loss = (db: number): Quantity => ({ is: 'loss', db })
export const duration = (s: number): Quantity => ({ is: 'duration', s })
export const delay = (ms: number): Quantity => ({ is: 'delay', ms })
export const count = (value: number): Quantity => ({ is: 'count', count: value })
export const power = (w: number): Quantity => ({ is: 'power', w })
export const money = (minor: number, currency: string): Quantity => ({ is: 'money', minor, currency })
export const share = (value: number): Quantity => ({ is: 'share', share: value })
