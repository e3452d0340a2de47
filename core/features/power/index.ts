export type { CircuitLoad, Circuits } from './circuits'
