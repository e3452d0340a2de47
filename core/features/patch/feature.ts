import { feature } from '#core/propose'
import { COMMANDS } from './commands'

export const patch = feature({ id: 'patch', commands: COMMANDS })
