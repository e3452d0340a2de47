import { feature } from '#core/propose'
import { followsAlone } from './rules/follows-alone'
import { hearsOneself } from './rules/hears-oneself'
import { heardTwice } from './rules/heard-twice'
import { levelDiffers } from './rules/level-differs'
import { levelsDiffer } from './rules/levels-apart'
import { lipSync } from './rules/lip-sync'
import { noneFits } from './rules/none-fits'
import { oneSide } from './rules/one-side'
import { oneSound } from './rules/one-sound'
import { phantomPower } from './rules/phantom-power'
import { riderShut } from './rules/rider-shut'
import { sampledApart } from './rules/sampled-otherwise'
import { shutOnTheWay } from './rules/shut-on-the-way'
import { silent } from './rules/silent'
import { soundDropped } from './rules/sound-dropped'
import { strayMicrophone } from './rules/stray-microphone'
import { unbalancedTooLong } from './rules/unbalanced-too-long'

export const sound = feature({
  id: 'sound',
  rules: [
    silent,
    heardTwice,
    strayMicrophone,
    oneSound,
    followsAlone,
    levelDiffers,
    oneSide,
    riderShut,
    sampledApart,
    levelsDiffer,
    phantomPower,
    lipSync,
    noneFits,
    hearsOneself,
    soundDropped,
    shutOnTheWay,
    unbalancedTooLong,
  ],
})
