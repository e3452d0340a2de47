export { callsOf } from './calls'
export { TICKS_PER_S, frameTicks } from './clock'
export {
  type Picture,
  fillInput,
  linkTo,
  makesGraphics,
  pictureAt,
  pictureFrom,
  type Tile,
  shownIn,
  tapOf,
} from './compose'
export { runInto } from './ends'
export { type Gate, type SoundWay, doubled, gateAt, waysTo } from './heard'
export { type Jump, jumpsOf } from './jumps'
export type { Command } from './machine'
export { type Moment, cuesOf, momentsOf, segmentsOf } from './moments'
export { type Happening, Rehearsal, seededChances } from './rehearsal'
export { safeState, showing, tallyOf, withOverlay } from './stage'
export { type ShowState, stateBefore, taken } from './state'
export { type Take, happeningsOf, judgedSinks, planTake } from './take'
export { isDark, wordsOf } from './tell'
