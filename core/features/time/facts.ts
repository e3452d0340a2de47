export { timesOf } from './sync'
