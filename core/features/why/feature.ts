import { feature } from '#core/propose'
import { COMMANDS } from './commands'

export const whyFeature = feature({ id: 'why', commands: COMMANDS })
