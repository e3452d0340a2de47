import type { Edit } from '#core/document'
import type { Checked } from '#core/propose'
import { drawingWays } from './drawing'
import { outcomesOf } from './outcomes'
import { overlaysOf } from './overlays'
import { schoolsOf } from './schools'
import { type Times, lowerThird, stinger } from './templates'

export const QUERIES = {
  overlays: ({ traced }: Checked) => overlaysOf(traced),
  lowerThird: ({ traced }: Checked, id: string, times: Times) => lowerThird(traced, id, times),
  stinger: ({ traced }: Checked, id: string, clip: string) => stinger(traced, id, clip),
  /** What is measured of an overlay after each of some changes. */
  outcomes: (checked: Checked, id: string, offers: readonly (readonly Edit[])[]) => outcomesOf(checked, id, offers),
  /** The ways in which an overlay can be drawn, each tried. */
  drawing: (checked: Checked, id: string) => drawingWays(checked, id) ?? [],
  /** The ways in which an overlay can be made, each tried. */
  schools: (checked: Checked, id: string) => schoolsOf(checked, id) ?? [],
}
