import type { Finding, Verdict } from '#core/kernel'
import type { Checked } from '#core/propose'
import type { Stretch, Units } from '#core/words'
import { type Board, boardOf } from './board'

/** A finding with its sentence in the units that people measure in, in place of its figures, and the screen that shows where it stands. */
export interface ShownFinding extends Omit<Finding, 'with'> {
  readonly screen: string
  readonly said: Readonly<Record<Units['length'], readonly Stretch[]>>
}

/** A figure of the whole plan, and the screen that shows where it comes from. */
export interface Figure {
  readonly id: string
  readonly title: string
  readonly value: number
  readonly words: string
  readonly screen: string
}

/** What a page shows of a checked plan before anything is asked. */
export interface Judged {
  readonly verdict: Verdict
  readonly findings: readonly ShownFinding[]
  readonly board: Board
  readonly figures: readonly Figure[]
  /** Time that tracing and checking took in this page, ms; absent where the verdict came with the plan. */
  readonly ms?: number
}

/** A checked plan as a page shows it: plain data, the same for the same plan wherever it is worked out. */
export function judgedOf(checked: Checked, ms?: number): Judged {
  const { by, traced, verdict } = checked
  const measured = by.measured(traced)
  return {
    verdict,
    findings: checked.findings.map(({ with: figures, ...finding }) => ({
      ...finding,
      screen: by.screenOf(finding.at),
      said: {
        m: by.sayParts({ ...finding, with: figures }, { length: 'm' }),
        ft: by.sayParts({ ...finding, with: figures }, { length: 'ft' }),
      },
    })),
    board: boardOf(checked),
    figures: by.measures.map(({ id, title, quantity, screen }) => ({
      id,
      title,
      value: measured[id]!,
      words: by.words(quantity(measured[id]!, traced), { length: 'm' }),
      screen,
    })),
    ...(ms === undefined ? {} : { ms }),
  }
}
