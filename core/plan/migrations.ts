/** One step turns a document of version n into one of version n + 1; it may rely on the shape that n had. */
export type Migrations = Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>>

const isMap = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value)
const mapValues = (value: unknown, change: (entry: unknown) => unknown): unknown =>
  (isMap(value) ? Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, change(entry)])) : value)

/** Models named by reference alone have no row to keep: they take the row of revision 2, which knows their sound. */
function fromFirst(document: Record<string, unknown>): Record<string, unknown> {
  const model = (row: unknown) => (isMap(row) && row.title === undefined && typeof row.from === 'string' ? { ...row, from: row.from.replace(/@1$/, '@2') } : row)
  return { ...document, format: 2, plans: mapValues(document.plans, plan => (isMap(plan) ? { ...plan, ...(plan.models === undefined ? {} : { models: mapValues(plan.models, model) }) } : plan)) }
}

/** Steps by the version that they start from. Each has a frozen sample under samples/. */
export const MIGRATIONS: Migrations = { 1: fromFirst }
