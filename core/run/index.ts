export {
  type Layer,
  type Picture,
  type Shown,
  type Tile,
  fillInput,
  linkTo,
  makesGraphics,
  pictureAt,
  pictureFrom,
  runInto,
  shownIn,
  tapOf,
} from './compose'
export { type Gate, type SoundWay, doubled, gateAt, waysTo } from './heard'
export { type Clock, TICKS_PER_MS, TICKS_PER_S, boundary, frameAt, frameTicks } from './clock'
export { type Command, type Machine } from './machine'
export { type Watched, type Wrong, wrongFrames } from './monitor'
export { type Happening, Rehearsal, type Run, seededChances } from './rehearsal'
export { isDark, wordsOf } from './tell'
export { safeState, showing, tallyOf, withOverlay } from './stage'
export { type Take, type TakeStep, happeningsOf, judgedSinks, planTake } from './take'
export { type Moment, cuesOf, momentsOf, segmentsOf } from './moments'
export { type MixState, type ShowState, mixerNodes, stateBefore, taken, takenBack } from './state'
