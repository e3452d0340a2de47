export { CHAIN_ANCHORS } from './anchors'
export { astray, feeders, lastSwitchers, stranded } from './cascade'
export { accepts, bars, carry, leadOf, lengthOf, overClass } from './carry'
export { linkMinor, planMinor, planWatts } from './cost'
export { runInto } from './ends'
export { type Impossible, darkens, impossibleSettings } from './impossible'
export { type KitLine, kitLines, kitMinor, usedOf } from './kit'
export {
  carriedRun,
  deviceName,
  endName,
  hostOf,
  pointedName,
  pointedWords,
  runAt,
  runWith,
  socketName,
  stoppedBy,
  wireAt,
} from './lookup'
export { lostDevices } from './loss'
export {
  carriedBy,
  choicesAt,
  inputsBefore,
  letsThrough,
  madeBy,
  mixedBy,
  passed,
  pathFrom,
  pointEdits,
  pointedAt,
  tiledBy,
} from './pass'
export {
  type Beside,
  type DeviceNode,
  type Socket,
  type Wire,
  gathers,
  isSwitcher,
  recordedInside,
  outputFormat,
  placeOf,
  resolve,
  socketKey,
  takesAnyEnd,
  wiresAt,
} from './resolve'
export { isMisread, rangeRead, weightsOf } from './reading'
export { type Run, runsOf } from './runs'
export { type DelayMs, type Signal, addDelay, delayMs } from './signal'
export { UNHEARD_DB, gainOf, isReplaced, openingOf } from './sound'
export type { Stop } from './stop'
export { type WireTrace, slowestMs, trace, upstream } from './trace'
export { Traced, tracedOf } from './traced'
