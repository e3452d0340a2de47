import { FEEDS, type Feed } from '#core/catalog'
import { collection, number, object, oneOf, ref, said } from '#core/kernel'
import { RASTER_IDS, type RasterId, type RateText } from '#core/signal'
import { idsOf, misfit, own, show } from '../problem'

/** Somebody who must see something: a sink and what it should show. */
export interface Want {
  readonly sink: string
  readonly feed: Feed
  /** Whose: a switcher, or for one picture alone its source. Absent, the show's, which the last switcher makes. */
  readonly of?: string
  /** What is asked of the picture; absent, whatever the chain makes. */
  readonly asks?: { readonly raster?: RasterId; readonly rate?: RateText }
  /** Sound is to be heard there too. */
  readonly sound?: true
  /** Nothing is to be heard there, on purpose. Said neither way, it is asked. */
  readonly silent?: true
  /** How far sound goes through the air there, from the loudspeakers (or, where it is silent, the mouth) to the ears, m. */
  readonly airM?: number
}

export const wants = collection<Want, { readonly devices: Readonly<Record<string, unknown>> }>({
  name: 'wants',
  entry: 'want',
  about: 'Who must see what: a sink and what it should show.',
  most: 5000,
  schema: object(['sink', 'feed'], {
    sink: ref('slug'),
    feed: oneOf(FEEDS),
    of: ref('slug'),
    sound: said,
    silent: said,
    airM: number(0.5, 300),
    asks: object([], { raster: oneOf(RASTER_IDS), rate: ref('rate') }, { minProperties: 1 }),
  }),
  misfit: (entries, at, { devices }) => {
    for (const [id, { sink, sound, silent }] of Object.entries(entries)) {
      if (sound && silent) return misfit(`${at}/${id}/silent`, show(silent), 'silent or sound, not both')
      if (!own(devices, sink)) return misfit(`${at}/${id}/sink`, show(sink), `a key of devices: ${idsOf(devices)}`)
    }
    return undefined
  },
  words: ({ sink, feed }) => `${sink} sees ${feed}`,
})
