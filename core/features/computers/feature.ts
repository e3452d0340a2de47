import { feature } from '#core/propose'
import { computerPaper } from './paper'

/** Which computer does what, and what that asks of it. */
export const computers = feature({ id: 'computers', papers: [computerPaper] })
