export type { BestDelay, SinkTime, SyncPair, SyncPicture, SyncSound } from './sync'
export type { Hop } from './hops'
