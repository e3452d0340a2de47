export type { BestDelay, SinkTime, SyncPair } from './sync'
export type { Hop } from './hops'
