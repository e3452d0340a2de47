import { feature } from '#core/propose'
import { COMMANDS } from './commands'

/** The findings as a whole, told and mended from the command line. */
export const verdict = feature({ id: 'verdict', commands: COMMANDS })
