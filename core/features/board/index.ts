export {
  type Board,
  type BoardSwitcher,
  type CableHop,
  type DeviceHop,
  type Hop,
  type Lane,
  type SpineInput,
  type SpineOutput,
  type Texture,
  boardOf,
} from './board'
export { type Judged, type ShownFinding, judgedOf } from './report'
