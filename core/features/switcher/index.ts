export type { NamedAt, Tiling } from './names'
export type { Strip, StripInput } from './strip'
