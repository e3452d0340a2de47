export type { Pixels } from './pixels'
export { type Scene, drawn } from './scene'
export { scenesOf } from './scenes'
export { seen } from './seen'
