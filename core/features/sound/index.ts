export type { Hearing } from './hearing'
