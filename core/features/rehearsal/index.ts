export { type Line, type Now, type Planned, Session, type Shown, type Stage, type Target } from './session'
