export type { BestDelay, SinkTime, SyncPair } from './sync'
export type { Hop } from './hops'
export { AIR_MS_PER_M } from '../sound/facts'
