import type { Highs } from 'highs'

/** A linear program with whole and continuous unknowns, to be minimised. Rows and columns are only ever added. */
export class Program {
  readonly costs: number[] = []
  readonly lower: number[] = []
  readonly upper: number[] = []
  readonly whole: boolean[] = []
  private readonly rows: {
    readonly terms: readonly (readonly [column: number, factor: number])[]
    readonly lower: number
    readonly upper: number
  }[] = []

  get size(): { readonly columns: number; readonly rows: number } {
    return { columns: this.costs.length, rows: this.rows.length }
  }

  /** A new unknown between two bounds; returns its column. */
  column(cost: number, lower: number, upper: number, whole = true): number {
    this.costs.push(cost)
    this.lower.push(lower)
    this.upper.push(upper)
    this.whole.push(whole)
    return this.costs.length - 1
  }

  binary(cost = 0): number {
    return this.column(cost, 0, 1)
  }

  /** lower <= sum of terms <= upper. A column may be named more than once. */
  row(terms: readonly (readonly [column: number, factor: number])[], lower: number, upper: number): void {
    const sums = new Map<number, number>()
    for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor)
    this.rows.push({ terms: [...sums].filter(([, factor]) => factor !== 0), lower, upper })
  }

  /** A program of its own that begins as this one is. */
  copy(): Program {
    const twin = new Program()
    twin.costs.push(...this.costs)
    twin.lower.push(...this.lower)
    twin.upper.push(...this.upper)
    twin.whole.push(...this.whole)
    twin.rows.push(...this.rows)
    return twin
  }

  /** The same with every unknown free to be a fraction. */
  relaxed(): Program {
    const twin = this.copy()
    twin.whole.fill(false)
    return twin
  }

  /** Row-wise, as the solver takes it. */
  matrix(): {
    starts: Int32Array
    indices: Int32Array
    values: Float64Array
    rowLower: Float64Array
    rowUpper: Float64Array
  } {
    const starts = new Int32Array(this.rows.length + 1)
    this.rows.forEach(({ terms }, i) => {
      starts[i + 1] = starts[i]! + terms.length
    })
    const indices = new Int32Array(starts.at(-1)!)
    const values = new Float64Array(starts.at(-1)!)
    this.rows.forEach(({ terms }, i) =>
      terms.forEach(([column, factor], j) => {
        indices[starts[i]! + j] = column
        values[starts[i]! + j] = factor
      }),
    )
    return {
      starts,
      indices,
      values,
      rowLower: Float64Array.from(this.rows, ({ lower }) => lower),
      rowUpper: Float64Array.from(this.rows, ({ upper }) => upper),
    }
  }
}

type Solved =
  /** `proven`: no solution is better by more than the tolerance. `bound`: no solution can cost less. */
  | {
      readonly status: 'solved'
      readonly proven: boolean
      readonly cost: number
      readonly bound: number
      readonly values: Float64Array
    }
  | { readonly status: 'infeasible' }
  /** Time ran out before any solution was found. */
  | { readonly status: 'unknown'; readonly bound: number }

export interface Watch {
  /** Seconds that one solve may take. */
  readonly seconds?: number
  /** Called while the solver works: the best cost so far, and the bound below which none can be. */
  readonly progress?: (best: number, bound: number) => void
}

/** Least time between two reports of progress. */
const PROGRESS_MS = 100

/** Largest difference of cost that still counts as proven, in the unit of the costs. */
const TOLERANCE = 1e-6

/** Solves a program. Throws when the solver reports anything but a solution, that there is none, or a limit. */
export function solve(highs: Highs, program: Program, { seconds = 30, progress }: Watch = {}): Solved {
  const { columns, rows } = program.size
  // The solver calls a program without columns empty rather than solved.
  if (columns === 0) return { status: 'solved', proven: true, cost: 0, bound: 0, values: new Float64Array() }
  const { starts, indices, values, rowLower, rowUpper } = program.matrix()
  const { optimal, infeasible, unboundedOrInfeasible, timeLimit, interrupted, solutionLimit } =
    highs.constants.modelStatus
  return highs.withModel(
    {
      numCols: columns,
      numRows: rows,
      colCost: program.costs,
      colLower: program.lower,
      colUpper: program.upper,
      rowLower,
      rowUpper,
      matrix: { format: 'csr', numRows: rows, numCols: columns, starts, indices, values },
      integrality: Int32Array.from(program.whole, Number),
    },
    (model): Solved => {
      model.options.set({
        output_flag: false,
        time_limit: seconds,
        mip_rel_gap: 0,
        mip_abs_gap: TOLERANCE,
        random_seed: 1,
        presolve: 'off',
        mip_allow_restart: false,
        mip_heuristic_run_feasibility_jump: false,
      })
      let told = 0
      const { modelStatus } = model.run(
        progress
          ? {
              [highs.constants.callbackType.mipInterrupt](event) {
                const now = Date.now()
                if (now - told < PROGRESS_MS) return undefined
                told = now
                progress(event.data.mip_primal_bound ?? Infinity, event.data.mip_dual_bound ?? -Infinity)
                return undefined
              },
            }
          : {},
      )
      if (modelStatus === infeasible || modelStatus === unboundedOrInfeasible) return { status: 'infeasible' }
      const bound = Number(model.info.get('mip_dual_bound'))
      if (modelStatus === optimal) {
        const cost = model.getObjectiveValue()
        return {
          status: 'solved',
          proven: true,
          cost,
          bound: Number.isFinite(bound) && bound <= cost ? bound : cost,
          values: rounded(program, model.getSolution().colValue),
        }
      }
      if (modelStatus !== timeLimit && modelStatus !== interrupted && modelStatus !== solutionLimit)
        throw new Error(`the solver ended with status ${modelStatus}`)
      const cost = model.getObjectiveValue()
      return Number.isFinite(cost) && Number(model.info.get('primal_solution_status')) === 2
        ? { status: 'solved', proven: false, cost, bound, values: rounded(program, model.getSolution().colValue) }
        : { status: 'unknown', bound }
    },
  )
}

/** The least cost of a program whose unknowns need not be whole: none of its solutions costs less. Undefined where there is none. */
export function relaxed(highs: Highs, program: Program): number | undefined {
  const solved = solve(highs, program.relaxed())
  return solved.status === 'solved' ? solved.cost : solved.status === 'unknown' ? -Infinity : undefined
}

/** Whole unknowns come back within the solver's tolerance of a whole number. */
const rounded = (program: Program, values: Float64Array): Float64Array =>
  values.map((value, i) => (program.whole[i] ? Math.round(value) : value))
