import { collection, number, object, oneOf, ref, whole } from '#core/kernel'

/** How pictures are written, with the data rate that each takes. */
export const CODINGS = ['long', 'intra-light', 'intra', 'intra-high', 'intra-alpha'] as const
export type RecordCoding = (typeof CODINGS)[number]

export const CODING_WORDS: Readonly<Record<RecordCoding, string>> = {
  'long': 'long groups of pictures',
  'intra-light': 'single pictures, light',
  'intra': 'single pictures',
  'intra-high': 'single pictures, high',
  'intra-alpha': 'single pictures with transparency',
}

export const FILE_SYSTEMS = ['fat32', 'exfat', 'other'] as const

/** A card or disk in a recorder; several of one kind are changed in turn. */
export interface Medium {
  readonly title: string
  readonly order: number
  /** The device that writes on it; it may be gone. */
  readonly device: string
  /** What is written on it, GB of 10^9 byte. */
  readonly gb: number
  /** What it takes without pause, MB/s of 10^6 byte; absent, nobody measured it. */
  readonly writeMBs?: number
  readonly system?: (typeof FILE_SYSTEMS)[number]
  /** How many there are; absent, one. */
  readonly count?: number
}

export const media = collection<Medium>({
  name: 'media',
  entry: 'medium',
  about: 'Cards and disks: in which recorder, how large and how fast, and how many.',
  most: 1000,
  schema: object(['title', 'order', 'device', 'gb'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    device: ref('slug'),
    gb: number(0.1, 100_000),
    writeMBs: number(0.1, 20_000),
    system: oneOf(FILE_SYSTEMS),
    count: whole(1, 99),
  }),
  words: ({ title, gb }) => `${title}, ${gb} GB`,
})
