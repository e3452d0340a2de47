import { feature } from '#core/propose'
import { COMMANDS } from './commands'

export const insideFeature = feature({ id: 'inside', commands: COMMANDS })
