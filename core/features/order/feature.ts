import { feature } from '#core/propose'
import { USE_ANCHOR } from './anchors'
import { runningOrder } from './paper'
import { segmentUnwired } from './rules/segment-unwired'

export const order = feature({ id: 'order', anchors: [USE_ANCHOR], rules: [segmentUnwired], papers: [runningOrder] })
