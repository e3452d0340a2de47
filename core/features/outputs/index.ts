export type { Audience, Instant, WhoSees } from './seen'
