export { type KeyerPlan, type Place, assignKeyers, inLooks } from './assign'
