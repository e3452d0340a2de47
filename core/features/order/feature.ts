import { feature } from '#core/propose'
import { CLIP_ANCHOR, CUE_ANCHOR, LOOK_ANCHOR, SEGMENT_ANCHOR, USE_ANCHOR } from './anchors'
import { clipShort } from './rules/clip-short'
import { guestInput } from './rules/guest-input'
import { movedOnAir } from './rules/moved-on-air'
import { nameGone } from './rules/name-gone'
import { notTold } from './rules/not-told'
import { playsAndRecords } from './rules/plays-and-records'
import { segmentUnwired } from './rules/segment-unwired'
import { staysOn } from './rules/stays-on'

export const order = feature({
  id: 'order',
  anchors: [USE_ANCHOR, LOOK_ANCHOR, CUE_ANCHOR, SEGMENT_ANCHOR, CLIP_ANCHOR],
  rules: [segmentUnwired, clipShort, playsAndRecords, notTold, guestInput, movedOnAir, nameGone, staysOn],
})
