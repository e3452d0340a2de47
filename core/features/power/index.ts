export { BTU_H_PER_W, type CircuitLoad, type Circuits } from './circuits'
export { PHASES, SOCKETS, type Circuit, type Phase, type Strip, type Trips } from './collection'
export type { Cell, Endurance } from './endurance'
export type { DistributionLoad } from './phases'
