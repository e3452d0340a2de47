export { callsOf } from './calls'
export { TICKS_PER_MS, TICKS_PER_S, frameTicks } from './clock'
export {
  type Picture,
  fillInput,
  linkTo,
  makesGraphics,
  pictureAt,
  pictureFrom,
  type Tile,
  shownIn,
  unfitIn,
  tapOf,
} from './compose'
export { runInto } from './ends'
export { type Gate, type SoundWay, doubled, gateAt, levelsAt, waysTo } from './heard'
export { type Fault, Judge } from './judge'
export { type Jump, jumpsOf } from './jumps'
export { type RunLog, digest, fingerprint, readRun, runOf } from './log'
export type { Command } from './machine'
export { type Moment, cuesOf, momentsOf, segmentsOf } from './moments'
export type { Event, Happening } from './happening'
export { type Refusal, Rehearsal, seededChances } from './rehearsal'
export { commandOf, expandMacro, stepsOf } from './macros'
export { routeTo, safeState, showing, tallyOf, withOverlay } from './stage'
export { type ShowState, stateBefore, taken } from './state'
export { type Take, happeningsOf, judgedSinks, planTake } from './take'
export { isDark, wordsOf } from './tell'
