export type { Share } from './inside'
