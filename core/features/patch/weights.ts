/** What each thing is worth against money: one point is one unit of the plan's currency that need not be spent. */
export interface Weights {
  /** A unit of money for what the kit does not have. */
  readonly money: number
  /** A unit of price of all that is laid, owned or not: what stands in the van. */
  readonly gear: number
  /** One thing to be bought or hired. */
  readonly things: number
  /** One millisecond of delay of one picture. */
  readonly delay: number
  /** One step of conversion: another raster or scan is one, another rate two. */
  readonly quality: number
  /** A way that may fail: beyond a length at which to be careful, or near the end of reach. */
  readonly risk: number
  /** One run laid anew that lies already. */
  readonly moves: number
  /** One output set differently. */
  readonly settings: number
  /** One watt. */
  readonly power: number
}

export const WEIGHT_NAMES = [
  'money',
  'gear',
  'things',
  'delay',
  'quality',
  'risk',
  'moves',
  'settings',
  'power',
] as const satisfies readonly (keyof Weights)[]

const EVEN: Weights = {
  money: 1,
  gear: 0.05,
  things: 2,
  delay: 0.5,
  quality: 40,
  risk: 100,
  moves: 10,
  settings: 1,
  power: 0.05,
}

/** Named sets of weights, as people speak of them. */
export const PRESETS = {
  even: { title: 'Even', about: 'Money first, with a fair price on delay, conversions, risk and work.', weights: EVEN },
  money: {
    title: 'Least money',
    about: 'What is cheapest to get; all else only breaks ties.',
    weights: { ...EVEN, things: 0.1, delay: 0.02, quality: 0.5, risk: 2, moves: 0.2, settings: 0.05, power: 0.001 },
  },
  picture: {
    title: 'Best picture',
    about: 'No conversion and no delay that money can avoid.',
    weights: { ...EVEN, delay: 5, quality: 200 },
  },
  sure: { title: 'Surest', about: 'Nothing near the end of its reach.', weights: { ...EVEN, risk: 1000 } },
  laid: {
    title: 'Leave what lies',
    about: 'As few runs as possible are laid anew.',
    weights: { ...EVEN, moves: 500, settings: 2 },
  },
  kit: {
    title: 'From the kit',
    about: 'As little as possible is bought or hired.',
    weights: { ...EVEN, money: 2, things: 200, gear: 0.02 },
  },
} as const satisfies Record<string, { title: string; about: string; weights: Weights }>
export type PresetId = keyof typeof PRESETS

/** Points for a safe shot that does not go straight to the last switcher. */
export const SAFE_SHOT_AWAY = 30

/** How many pictures a conversion on a feeder's link is taken to touch. */
export const PICTURES_OF_A_FEEDER = 3
