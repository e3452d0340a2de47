export { callsOf } from './calls'
export { withComing } from './coming'
export { TICKS_PER_MS, TICKS_PER_S, frameTicks } from './clock'
export {
  fillInput,
  keyInput,
  laidIn,
  linkTo,
  makesGraphics,
  pictureAt,
  pictureFrom,
  type Shown,
  shownIn,
  unfitIn,
  tapOf,
} from './compose'
export { type Gate, type SoundWay, doubled, gateAt, routesTo, waysIn, waysTo } from './heard'
export { type Fault, Judge } from './judge'
export { type Jump, type Pressed, jumpsOf, pressedOf } from './jumps'
export { type RunLog, digest, fingerprint, readRun } from './log'
export { type Command, commanded, isSettled, machineOf, seenIn } from './machine'
export { type Moment, cuesOf, momentsOf, segmentsOf } from './moments'
export { type LookNeed, holds, lostBehind, needsOf } from './needs'
export type { Event, Happening } from './happening'
export { Rehearsal, seededChances } from './rehearsal'
export { commandOf, expandMacro, stepsOf } from './macros'
export { routeTo, safeState, showing, tallyOf, withOverlay } from './stage'
export { type MixState, type ShowState, contentIn, stateBefore, taken } from './state'
export { ownStills, readied, storeCount } from './stores'
export { type Take, happeningsOf, judgedSinks, planTake } from './take'
export { isDark, wordsOf } from './tell'
export type { Layer, Picture, Tile } from './tree'
