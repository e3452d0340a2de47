// What a picture is besides its format: how its values are meant, and what a receiver must know to show it right.

/** Quantisation: video levels 16..235 (narrow) or 0..255 (full), ITU-R BT.709 and CTA-861. */
export const RANGES = ['narrow', 'full'] as const
export type Range = (typeof RANGES)[number]

/** Transfer function: BT.1886/BT.709 (sdr), PQ and HLG (ITU-R BT.2100), or a camera's log curve. */
export const TRANSFERS = ['sdr', 'hlg', 'pq', 'log'] as const
export type Transfer = (typeof TRANSFERS)[number]
export const TRANSFER_TITLES: Readonly<Record<Transfer, string>> = { sdr: 'SDR', hlg: 'HLG', pq: 'PQ', log: 'log' }

/** Mapping of a picture onto 3G-SDI, ST 425-1; a receiver may take one alone. It exists at 3G only. */
export const LEVELS = ['A', 'B'] as const
export type Level = (typeof LEVELS)[number]

/** How 2160 is shared among links: every second sample (ST 425-5) or a quarter of the picture each. */
export const DIVISIONS = ['interleave', 'square'] as const
export type Division = (typeof DIVISIONS)[number]
export const DIVISION_TITLES: Readonly<Record<Division, string>> = {
  interleave: 'two-sample interleave',
  square: 'square division',
}

/** Shape of what is shown, width to height. */
export const ASPECTS = ['16:9', '16:10', '4:3', '9:16'] as const
export type Aspect = (typeof ASPECTS)[number]
