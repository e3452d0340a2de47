export type { Audience, Cell, Instant, Mixer, WhoSees } from './seen'
