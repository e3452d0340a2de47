export type { Hearing, SoundInput, WhoHears } from './hearing'
