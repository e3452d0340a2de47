export type { Comparison, Difference } from './compare'
