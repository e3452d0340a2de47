export { type LossEffect, lossesOf, placesOf, pointsOf, whatIf } from './loss'
