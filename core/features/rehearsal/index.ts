export {
  type Broken,
  type Hand,
  type Kept,
  type Now,
  type Planned,
  Session,
  type Summary,
  type Target,
} from './session'
export type { Stage } from './stage'
export type { Shown } from './watch'
