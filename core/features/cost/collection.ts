import { collection, idSet, number, object, oneOf, ref, whole } from '#core/kernel'

/** Things without a plug. A case and a van hold others. */
export const GOODS = ['stand', 'rigging', 'weight', 'tape', 'tool', 'case', 'van', 'other'] as const
export type GoodsKind = (typeof GOODS)[number]

/** How one comes by a thing. */
export const HAD = ['owned', 'hired', 'bought', 'used'] as const
export type Had = (typeof HAD)[number]

/** Something that the show needs and that has no plug: a stand, a sandbag, a roll of tape, a case, the van. */
export interface Goods {
  readonly title: string
  readonly order: number
  readonly kind: GoodsKind
  /** How many; absent, one. */
  readonly count?: number
  /** Absent, owned. */
  readonly had?: Had
  /** What one costs for the show, its hire or its price, minor units; of what is owned, what it is worth. */
  readonly eachMinor?: number
  /** Mass of one, grams. */
  readonly grams?: number
  /** Room that one takes, litres; of a case, from outside. */
  readonly litres?: number
  /** Where it stands, by name, as of devices. */
  readonly place?: string
  /** Cases and vans: what one holds, litres and grams. */
  readonly holdsLitres?: number
  readonly holdsGrams?: number
}

export const goods = collection<Goods>({
  name: 'goods',
  entry: 'goods',
  about: 'What the show needs and has no plug: stands, rigging, weights, tape, tools, cases, vans.',
  most: 2000,
  schema: object(['title', 'order', 'kind'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    kind: oneOf(GOODS),
    count: whole(1, 9999),
    had: oneOf(HAD),
    eachMinor: whole(0, 1e9),
    grams: number(0, 10_000_000),
    litres: number(0, 100_000),
    place: ref('title'),
    holdsLitres: number(0, 1_000_000),
    holdsGrams: number(0, 100_000_000),
  }),
  words: ({ title, count = 1 }) => (count > 1 ? `${count} ${title}` : title),
})

/** By what a service is charged. */
export const PER = ['show', 'hour', 'viewer', 'viewer hour'] as const

/** Something that is paid for and not carried: a relay, a line, a call service, a hall. */
export interface Service {
  readonly title: string
  readonly order: number
  readonly per: (typeof PER)[number]
  readonly eachMinor: number
  /** Hours that are charged; absent, as long as the show lasts. */
  readonly hours?: number
  /** Viewers that are charged; absent, as many as the brief expects. */
  readonly viewers?: number
}

export const services = collection<Service>({
  name: 'services',
  entry: 'service',
  about: 'What is paid for and not carried: once, by the hour, by the viewer, or by both.',
  most: 500,
  schema: object(['title', 'order', 'per', 'eachMinor'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    per: oneOf(PER),
    eachMinor: whole(0, 1e9),
    hours: number(0.1, 1000),
    viewers: whole(0, 1e8),
  }),
  words: ({ title }) => title,
})

/** Before the show, or after it. */
export const WHEN = ['build', 'strike'] as const

/** A piece of the work before or after the show. */
export interface Job {
  readonly title: string
  readonly order: number
  readonly when: (typeof WHEN)[number]
  readonly minutes: number
  /** Ids of jobs that must be done before it; they may be gone. */
  readonly after?: Readonly<Record<string, true>>
  /** Ids of the people who do it; they may be gone. */
  readonly people?: Readonly<Record<string, true>>
}

export const jobs = collection<Job>({
  name: 'jobs',
  entry: 'job',
  about: 'The work before and after the show: how long each piece takes, what it waits for, and who does it.',
  most: 500,
  schema: object(['title', 'order', 'when', 'minutes'], {
    title: ref('title'),
    order: number(-1e9, 1e9),
    when: oneOf(WHEN),
    minutes: number(1, 10_000),
    after: idSet(500),
    people: idSet(500),
  }),
  words: ({ title, minutes }) => `${title}, ${minutes} min`,
})
