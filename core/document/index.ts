export { type Brief, minutesOfDay, powered, showMinutes } from './brief'
export { canonicalPlan, canonicalValue, canonicalText, sameValue } from './canonical'
export { type Clash, clashOf } from './clash'
export { COLLECTIONS, type Collection, DEFINITIONS, type Entry } from './collections'
export {
  EVERYWHERE,
  type Air,
  type Device,
  type Fit,
  OPENINGS,
  type Opening,
  type PortSetting,
  SHOTS,
  SHOT_SIZES,
  type ShotSize,
  TASKS,
  type Task,
} from './collections/devices'
export { CODING_WORDS } from '../features/media/collection'
export type { Clip } from './collections/clips'
export type { Cue } from './collections/cues'
export type { KitItem } from './collections/kit'
export type { Link, LinkEnd } from './collections/links'
export {
  type Address,
  addressText,
  areTogether,
  dottedText,
  isReservedAddress,
  nextFree,
  parseAddress,
} from './address'
export { BLACK, CONTENTS, type Content, type Look, type Pointed } from './collections/looks'
export { MOST_STEPS, type Macro, type MacroStep } from './collections/macros'
export {
  type Box,
  type Cut,
  type FillKind,
  OFF,
  type Overlay,
  cutOf,
  graphicsOf,
  EDGES,
  SHAPES,
  screenOf,
  slidesOf,
} from './collections/overlays'
export type { Graphic as GraphicEntry, Photograph as PhotographEntry, WordBox } from '../features/keys/collection'
export type { Segment } from './collections/segments'
export { CROSSES, CROSSINGS, type Distance, KEPT_WORDS, keptFrom } from './collections/distances'
export type { Want } from './collections/wants'
export { type Edit, type Transaction, type ValueAt, applyEdits, checkTransaction, setEdit, transactionId } from './edit'
export { copiedDevice } from './copy'
export { freshId, slug } from './ids'
export { MAX_FILE_BYTES, migratePlan, nestedBeyond, openFile, openPlan } from './open'
export {
  FORMAT_VERSION,
  type Plan,
  type ShowFile,
  WITHIN_PLACE_M,
  completePlan,
  distanceM,
  emptyPlan,
  emptyShow,
  routeOf,
  withRoute,
  placeAt,
  receiverAt,
} from './plan'
export { type Outcome, type Problem, misfit, own, problemText, show } from './problem'
export { SCHEMA } from './schema'
export { circuitOf, hangingBehind, hangingOn, keepersOf, keptDevices, minutesAt, stripsTo } from './supply'
export { validatorsReady } from '#validators'
