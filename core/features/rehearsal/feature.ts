import { feature } from '#core/propose'
import { COMMANDS } from './commands'

export const rehearsal = feature({ id: 'rehearsal', commands: COMMANDS })
