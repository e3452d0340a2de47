/** One step turns a document of version n into one of version n + 1; it may rely on the shape that n had. */
export type Migrations = Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>>

const isMap = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const mapValues = (value: unknown, change: (entry: unknown) => unknown): unknown =>
  isMap(value) ? Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, change(entry)])) : value

/** Models named by reference alone have no row to keep: they take the row of revision 2, which knows their sound. */
function fromFirst(document: Record<string, unknown>): Record<string, unknown> {
  const model = (row: unknown) =>
    isMap(row) && row.title === undefined && typeof row.from === 'string'
      ? { ...row, from: row.from.replace(/@1$/, '@2') }
      : row
  return {
    ...document,
    format: 2,
    plans: mapValues(document.plans, plan =>
      isMap(plan) ? { ...plan, ...(plan.models === undefined ? {} : { models: mapValues(plan.models, model) }) } : plan,
    ),
  }
}

const renamed = (row: Record<string, unknown>, from: string, to: string): Record<string, unknown> => {
  if (!(from in row)) return row
  const { [from]: value, ...rest } = row
  return { ...rest, [to]: value }
}

/** One word a thing: a switcher is no stage, money says what it is, a kind is called one everywhere. */
function fromSecond(document: Record<string, unknown>): Record<string, unknown> {
  const priced = (row: unknown) => (isMap(row) ? renamed(row, 'minor', 'priceMinor') : row)
  const model = (row: unknown) => {
    if (!isMap(row)) return row
    return renamed(row.role === 'stage' ? { ...row, role: 'switcher' } : row, 'minor', 'priceMinor')
  }
  const lead = (row: unknown) => {
    if (!isMap(row)) return row
    const { stock, reach } = row
    return {
      ...renamed(row, 'minor', 'priceMinor'),
      ...(Array.isArray(stock) ? { stock: stock.map(priced) } : {}),
      ...(isMap(reach) ? { reach: renamed(reach, 'by', 'kind') } : {}),
    }
  }
  const item = (row: unknown) => (isMap(row) ? renamed(row, 'of', 'kind') : row)
  const changes: Readonly<Record<string, (row: unknown) => unknown>> = { models: model, leads: lead, kit: item }
  const plan = (value: unknown) =>
    isMap(value)
      ? {
          ...value,
          ...Object.fromEntries(
            Object.entries(changes).flatMap(([name, change]) =>
              value[name] === undefined ? [] : [[name, mapValues(value[name], change)]],
            ),
          ),
        }
      : value
  return { ...document, format: 3, plans: mapValues(document.plans, plan) }
}

/** Steps by the version that they start from. Each has a frozen sample under samples/. */
export const MIGRATIONS: Migrations = { 1: fromFirst, 2: fromSecond }
