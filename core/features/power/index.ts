export type { CircuitLoad, Circuits } from './circuits'
export type { Cell, Endurance } from './endurance'
