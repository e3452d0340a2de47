import { cableSchedule, inputList } from '../features/paper/papers'
import { setupSheets } from '../features/switcher/paper'
import { matchingSheet } from '../features/switcher/matching'
import { circuitList } from '../features/power/paper'
import { startPaper, chargePaper } from '../features/power/start'
import { syncSheet } from '../features/time/paper'
import { mediaSheet } from '../features/media/paper'
import { lineSheet } from '../features/line/paper'
import { clipSheet } from '../features/clips/paper'
import { computerPaper } from '../features/computers/paper'
import { budgetPaper, packingList, profilesPaper, workPaper } from '../features/cost/paper'
import { runningOrder, cueSheet } from '../features/order/paper'
import { macroSheet } from '../features/rehearsal/paper'
import type { Paper, PaperMaker } from '#core/kernel'
import type { Checked } from '#core/propose'
import type { Units } from '#core/words'

/** All papers, in the order in which they are used. */
const PAPERS: readonly PaperMaker<Checked>[] = [
  cableSchedule,
  inputList,
  setupSheets,
  matchingSheet,
  circuitList,
  startPaper,
  chargePaper,
  syncSheet,
  mediaSheet,
  lineSheet,
  clipSheet,
  computerPaper,
  budgetPaper,
  profilesPaper,
  packingList,
  workPaper,
  runningOrder,
  cueSheet,
  macroSheet,
]

/** The papers of a plan; those that have nothing to say are not there. */
export const papersOf = (checked: Checked, units: Units): Paper[] => PAPERS.flatMap(make => make(checked, units) ?? [])
