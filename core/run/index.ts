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
export { type Moment, cuesOf, momentsOf, segmentsOf } from './moments'
export { type MixState, type ShowState, mixerNodes, stateBefore, taken, takenBack } from './state'
