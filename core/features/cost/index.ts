export { GOODS, HAD, type Had, PER, WHEN } from './collection'
export { type Cost, type CostLine, STEPS } from './money'
export type { Asked, Way } from './which'
export { STEP_WORDS, kgText, minutesText } from './words'
