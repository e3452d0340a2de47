import { feature } from '#core/propose'
import { COMMANDS } from './commands'
import { budgetPaper, packingList, workPaper } from './paper'

/** What the show costs in money, weight and work, and which switcher would do. */
export const cost = feature({
  id: 'cost',
  papers: [budgetPaper, packingList, workPaper],
  commands: COMMANDS,
})
