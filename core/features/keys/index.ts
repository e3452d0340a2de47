export { type KeyerPlan, type Place, assignKeyers, inLooks } from './assign'
export type { OverlayRow, Overlays } from './overlays'
