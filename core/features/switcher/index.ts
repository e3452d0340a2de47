export type { Strip, StripInput } from './strip'
