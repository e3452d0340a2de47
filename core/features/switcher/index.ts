export type { Sheet, Step } from './setup'
export type { Strip, StripInput, StripOutput } from './strip'
