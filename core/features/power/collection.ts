import { collection, idSet, listOf, number, object, oneOf, ref, said, whole } from '#core/kernel'

/**
 * Sockets of mains circuits: what every house has, and the round ones of IEC 60309 by their current, A, which a household
 * plug does not fit.
 */
export const SOCKETS = ['household', 'round-16', 'round-32', 'round-63'] as const
export type Socket = (typeof SOCKETS)[number]
export const SOCKET_WORDS: Readonly<Record<Socket, string>> = {
  'household': 'household outlets',
  'round-16': 'a round socket of 16\u00A0A',
  'round-32': 'a round socket of 32\u00A0A',
  'round-63': 'a round socket of 63\u00A0A',
}

/** Classes of protections after IEC 60898-1: how many times its rated current one bears for an instant. */
export const TRIPS = { b: 3, c: 5, d: 10 } as const
export type Trips = keyof typeof TRIPS

/** What one switch does to the outlets behind it: all of them at once, or one after another by itself. */
export const SWITCHED = ['at-once', 'in-turn'] as const

/** A three-phase distribution of the house, with circuits on each of its phases. */
export interface Distribution {
  readonly title: string
  readonly order: number
  /** Rated current of its protection, a phase, A. */
  readonly amps: number
}

export const distributions = collection<Distribution>({
  name: 'distributions',
  entry: 'distribution',
  about:
    'Three-phase distributions of the house, each with the rated current of a phase; circuits say on which phase they are.',
  most: 50,
  schema: object(['title', 'order', 'amps'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    amps: number(0.1, 1000),
  }),
  words: ({ title, amps }) => `${title}, ${amps} A a phase`,
})

export const PHASES = [1, 2, 3] as const
export type Phase = (typeof PHASES)[number]

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
  /** Id of the three-phase distribution that it comes from, which may be gone, and on which phase of it. */
  readonly distribution?: string
  readonly phase?: Phase
  /** Class of its protection; absent, nobody said: judged as C. */
  readonly trips?: Trips
  /** What its outlets are; absent, household. */
  readonly socket?: Socket
  /** One switch of the house is before all its outlets. */
  readonly switched?: 'at-once'
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
    distribution: ref('slug'),
    phase: oneOf(PHASES),
    trips: oneOf(Object.keys(TRIPS)),
    socket: oneOf(SOCKETS),
    switched: { const: 'at-once' },
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
  readonly keeps?: {
    readonly wh: number
    readonly mostW: number
    /** What its data sheet says of how long it goes on at a draw: W and min, the least draw first; absent, by what it holds. */
    readonly table?: readonly { readonly w: number; readonly min: number }[]
  }
  /** Its plug; absent, household. Its own outlets are household ones. */
  readonly plug?: Socket
  /** The lead to it, there and not back, m, and the section of its conductors, mm². */
  readonly lead?: { readonly m: number; readonly mm2: number }
  /** A reel: what it bears wound up and unwound, W, and whether it stays wound. */
  readonly reel?: { readonly woundW: number; readonly unwoundW: number; readonly wound?: true }
  /** A transformer: what its outlets give, V; absent, what it is fed with. */
  readonly givesV?: number
  /** It has a switch. */
  readonly switched?: (typeof SWITCHED)[number]
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
    keeps: object(['wh', 'mostW'], {
      wh: number(1, 100_000),
      mostW: number(1, 100_000),
      table: listOf(object(['w', 'min'], { w: number(1, 100_000), min: number(0, 10_000) }), 20, 1),
    }),
    plug: oneOf(SOCKETS),
    lead: object(['m', 'mm2'], { m: number(0.1, 1000), mm2: number(0.1, 100) }),
    reel: object(['woundW', 'unwoundW'], { woundW: number(1, 50_000), unwoundW: number(1, 50_000), wound: said }),
    givesV: number(90, 250),
    switched: oneOf(SWITCHED),
    loads: idSet(5000),
  }),
  misfit: (entries, at) => {
    for (const [id, { keeps }] of Object.entries(entries)) {
      const odd = (keeps?.table ?? []).findIndex(
        ({ w, min }, i, all) => i > 0 && (w <= all[i - 1]!.w || min > all[i - 1]!.min),
      )
      if (odd > 0)
        return {
          path: `${at}/${id}/keeps/table/${odd}`,
          found: JSON.stringify(keeps!.table![odd]),
          allowed: 'draws that rise, and minutes that do not rise with them',
        }
    }
    return undefined
  },
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
