export { type Kept, type Target, readKept } from './kept'
export { type Broken, type Hand, type Now, type Planned, Session, type Summary } from './session'
export type { Stage } from './stage'
export type { Shown } from './watch'
