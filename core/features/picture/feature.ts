import { feature } from '#core/propose'
import { CHAIN_ANCHORS } from '#core/chain'
import { FORMAT_QUANTITY } from '#core/signal'
import { idle } from './idle'
import { MEASURES } from './measures'
import { cableTurned } from './rules/cable-turned'
import { classExceeded } from './rules/class-exceeded'
import { coaxTooLong } from './rules/coax-too-long'
import { crossing } from './rules/crossing'
import { division } from './rules/division'
import { doubleInput } from './rules/double-input'
import { doubleOutput } from './rules/double-output'
import { endsAlike } from './rules/ends-alike'
import { formatDiffers } from './rules/format-differs'
import { formatImpossible } from './rules/format-impossible'
import { hdmiTooLong } from './rules/hdmi-too-long'
import { impossibleSetting } from './rules/impossible-setting'
import { levelRefused } from './rules/level-refused'
import { looseRun } from './rules/loose-run'
import { misledSource } from './rules/misled-source'
import { nearReach } from './rules/near-reach'
import { noPort } from './rules/no-port'
import { noRelief } from './rules/no-relief'
import { notPassed } from './rules/not-passed'
import { notTaken } from './rules/not-taken'
import { openOutput } from './rules/open-output'
import { pictureShape } from './rules/picture-shape'
import { plugsDiffer } from './rules/plugs-differ'
import { protectedPicture } from './rules/protected'
import { radioFormat } from './rules/radio-format'
import { radioRange } from './rules/radio-range'
import { rangeMisread } from './rules/range-misread'
import { rateFactor } from './rules/rate-factor'
import { readouts } from './rules/readouts'
import { scanDiffers } from './rules/scan-differs'
import { smallPicture } from './rules/small-picture'
import { standardsDiffer } from './rules/standards-differ'
import { tooShort } from './rules/too-short'
import { washedOut } from './rules/washed-out'
import { wrongConverter } from './rules/wrong-converter'
import { rateConverted } from './rules/rate-converted'
import { unjudged } from './rules/unjudged'

export const picture = feature({
  id: 'picture',
  anchors: CHAIN_ANCHORS,
  quantities: [FORMAT_QUANTITY],
  measures: MEASURES,
  idle,
  rules: [
    impossibleSetting,
    formatDiffers,
    rateFactor,
    scanDiffers,
    formatImpossible,
    classExceeded,
    notPassed,
    levelRefused,
    notTaken,
    rangeMisread,
    protectedPicture,
    readouts,
    smallPicture,
    standardsDiffer,
    radioFormat,
    openOutput,
    washedOut,
    division,
    misledSource,
    pictureShape,
    plugsDiffer,
    wrongConverter,
    endsAlike,
    doubleInput,
    doubleOutput,
    noPort,
    looseRun,
    cableTurned,
    noRelief,
    crossing,
    tooShort,
    hdmiTooLong,
    coaxTooLong,
    radioRange,
    nearReach,
    rateConverted,
    unjudged,
  ],
})
