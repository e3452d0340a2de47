export { type Now, type Planned, Session, type Shown, type Stage, type Target } from './session'
