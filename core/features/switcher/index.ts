export type { Named, NamedAt, NamedLink, Names, Tiling } from './names'
export type { Strip, StripInput } from './strip'
