import { feature } from '#core/propose'
import { feedback } from './rules/feedback'
import { feederAstray } from './rules/feeder-astray'
import { noMultiview } from './rules/no-multiview'
import { operatorBlind } from './rules/operator-blind'
import { outputShared } from './rules/output-shared'
import { outputsFull } from './rules/outputs-full'
import { sinkUnfed } from './rules/sink-unfed'
import { wrongFeed } from './rules/wrong-feed'
import { feederShown } from './rules/feeder-shown'
import { multiviewMisses } from './rules/multiview-misses'

export const outputs = feature({
  id: 'outputs',
  rules: [
    sinkUnfed,
    wrongFeed,
    noMultiview,
    outputsFull,
    outputShared,
    feedback,
    feederAstray,
    feederShown,
    multiviewMisses,
    operatorBlind,
  ],
})
