import type { Mix, Model } from './model'
import { BATTERIES, CHARGING } from './rows/batteries'
import { BESIDE } from './rows/beside'
import { bodyRow } from './rows/bodies'
import { opticsRow } from './rows/optics'
import { SINKS } from './rows/sinks'
import { SOURCES } from './rows/sources'
import { STAGES } from './rows/switchers'
import { WAYS } from './rows/ways'

/** The currency that the catalogue's planning prices are in (ISO 4217). */
export const CATALOGUE_CURRENCY = 'EUR'

/** Revision of the rows: it rises when what a row says about its device changes. */
const REVISION = 2

/** The catalogue of device models by id; each carries its own reference. */
export const MODELS: ReadonlyMap<string, Model> = new Map(
  Object.entries({ ...SOURCES, ...STAGES, ...WAYS, ...SINKS, ...BESIDE }).map(([id, row]) => [
    id,
    {
      from: `builtin/${id}@${REVISION}`,
      ...row,
      ...bodyRow(id, row.supply),
      ...opticsRow(id),
      ...(BATTERIES[id] ? { battery: BATTERIES[id] } : {}),
      ...(CHARGING.includes(id) ? { charges: true as const } : {}),
    },
  ]),
)

const BY_REFERENCE: ReadonlyMap<string | undefined, Model> = new Map([...MODELS.values()].map(row => [row.from, row]))

/** What a mixing device can do: as its model says, else as the row of the catalogue that it was copied from before rows said it. */
export const mixOf = ({ mix, from }: Model): Mix | undefined => mix ?? BY_REFERENCE.get(from)?.mix

/** What a device weighs, takes and draws at the most: as its model says, else as the row that it was copied from. */
export const bodyOf = (model: Model): Pick<Model, 'grams' | 'litres' | 'mostWatts' | 'warm' | 'unswitched' | 'dc'> =>
  model.grams === undefined && model.litres === undefined && model.mostWatts === undefined
    ? (BY_REFERENCE.get(model.from) ?? model)
    : model

/** The most that it draws, W; what it typically does, where nobody said more. */
export const largestDrawOf = (model: Model): number => Math.max(model.watts, bodyOf(model).mostWatts ?? 0)

/** Where its mains lead goes in, and the volts that it works on; undefined where nobody said, or where it has none. */
export const inletOf = ({ supply, inlet, from }: Model): Model['inlet'] =>
  supply === 'mains' ? (inlet ?? BY_REFERENCE.get(from)?.inlet) : undefined

/** The width of a camera's picture area, and its lens where that cannot be changed; undefined where nobody said. */
export const opticsOf = ({ optics, from }: Model): Model['optics'] => optics ?? BY_REFERENCE.get(from)?.optics

/** What it takes in the instant when it is switched on; undefined where nobody said. */
export const inrushOf = ({ inrush, from }: Model): Model['inrush'] => inrush ?? BY_REFERENCE.get(from)?.inrush
