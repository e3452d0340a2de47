import { feature } from '#core/propose'
import { COMMANDS } from './commands'
import { matchingSheet } from './matching'
import { setupSheets } from './paper'

export const switcher = feature({ id: 'switcher', papers: [setupSheets, matchingSheet], commands: COMMANDS })
