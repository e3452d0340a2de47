import { feature } from '#core/propose'
import { COMMANDS } from './commands'
import { syncSheet } from './paper'

/** How late pictures and sounds are where they are seen and heard. */
export const time = feature({ id: 'time', papers: [syncSheet], commands: COMMANDS, rules: [] })
