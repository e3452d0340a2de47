import { feature } from '#core/propose'
import { COMMANDS } from './commands'
import { setupSheets } from './paper'

export const switcher = feature({ id: 'switcher', papers: [setupSheets], commands: COMMANDS })
