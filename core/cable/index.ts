export {
  type AdapterModel,
  CABLE_SCHOOLS,
  type CableModel,
  type CableSchool,
  DEFAULT_BUDGET_DB,
  type LeadModel,
  isAir,
  opticalShare,
} from './cable'
export { LEADS, leadGrams } from './leads'
export { reachAt, refit, usedShare } from './margin'
export { coaxLossDb, coaxReachM, lengthStep } from './reach'
export { choosePieces, cutLengthM, pieceSumM, piecesMinor } from './stock'
