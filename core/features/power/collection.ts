import { collection, idSet, listOf, number, object, oneOf, ref, said, whole } from '#core/kernel'

/** One protected circuit of the house, and what hangs on it. */
export interface Circuit {
  readonly title: string
  readonly order: number
  /** Rated current of its protection, A. */
  readonly amps: number
  /** Ids of devices. A device may be gone from the plan: then it draws nothing. */
  readonly loads?: Readonly<Record<string, true>>
  /** Places at which it has outlets, by name as of devices; absent, nobody said. */
  readonly places?: readonly string[]
  /** The residual-current protection (30 mA) that it lies behind, by name: what trips there takes all its circuits along. */
  readonly residual?: string
}

export const circuits = collection<Circuit>({
  name: 'circuits',
  entry: 'circuit',
  about:
    'Protected circuits of the house, each with the rated current of its protection and the devices that hang on it.',
  most: 200,
  schema: object(['title', 'order', 'amps'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    amps: number(0.1, 1000),
    loads: idSet(5000),
    places: listOf(ref('title'), 200, 1),
    residual: ref('title'),
  }),
  words: ({ title, amps }) => `${title}, ${amps} A`,
})

/** A strip of outlets, plugged into an outlet of a circuit, or into another strip. */
export interface Strip {
  readonly title: string
  readonly order: number
  /** Ids of the circuit, or of the strip before it; they may be gone. */
  readonly circuit?: string
  readonly strip?: string
  /** An uninterruptible supply: what it holds, Wh, and the most that it gives, W, when the mains fail. */
  readonly keeps?: { readonly wh: number; readonly mostW: number }
  readonly loads?: Readonly<Record<string, true>>
}

export const strips = collection<Strip>({
  name: 'strips',
  entry: 'strip',
  about:
    'Strips of outlets: what each is plugged into, the devices that hang on it, and whether it keeps them going without mains.',
  most: 500,
  schema: object(['title', 'order'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    circuit: ref('slug'),
    strip: ref('slug'),
    keeps: object(['wh', 'mostW'], { wh: number(1, 100_000), mostW: number(1, 100_000) }),
    loads: idSet(5000),
  }),
  words: ({ title }) => title,
})

/** A pack in or on the device; a bank that charges it meanwhile. */
export const BATTERY_KINDS = ['pack', 'bank'] as const

/** A kind of battery at a position: so many of them, one after the other. */
export interface Battery {
  readonly title: string
  readonly order: number
  readonly kind: (typeof BATTERY_KINDS)[number]
  /** Of one, watt-hours: volts of its cells times ampere-hours. */
  readonly wh: number
  /** How many are there; absent, one. */
  readonly count?: number
  /** The most that it gives, W; absent, enough. */
  readonly mostW?: number
  /** What its charger gives to one, W; absent, nobody said. */
  readonly chargerW?: number
  /** Banks: below this draw it switches itself off, W. */
  readonly offBelowW?: number
  /** From 300 charges or two years on. */
  readonly aged?: true
  /** It goes by freight, not with people, on a show that flies. */
  readonly freight?: true
  /** Ids of the devices that it feeds; they may be gone. */
  readonly loads?: Readonly<Record<string, true>>
}

export const batteries = collection<Battery>({
  name: 'batteries',
  entry: 'battery',
  about: 'Batteries and banks: how much one holds, how many there are, and which devices live on them.',
  most: 1000,
  schema: object(['title', 'order', 'kind', 'wh'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    kind: oneOf(BATTERY_KINDS),
    wh: number(0.1, 5000),
    count: whole(1, 99),
    mostW: number(0.1, 5000),
    chargerW: number(0.1, 5000),
    offBelowW: number(0, 100),
    aged: said,
    freight: said,
    loads: idSet(5000),
  }),
  words: ({ title, wh }) => `${title}, ${wh} Wh`,
})
