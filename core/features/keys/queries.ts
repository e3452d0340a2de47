import type { Checked } from '#core/propose'
import { overlaysOf } from './overlays'
import { schoolsOf } from './schools'

export const QUERIES = {
  overlays: ({ traced }: Checked) => overlaysOf(traced),
  /** The ways in which an overlay can be made, each tried. */
  schools: (checked: Checked, id: string) => schoolsOf(checked, id) ?? [],
}
