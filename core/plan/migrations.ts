/** One step turns a document of version n into one of version n + 1; it may rely on the shape that n had. */
export type Migrations = Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>>

/** Steps by the version that they start from. Each has a frozen sample under samples/. */
export const MIGRATIONS: Migrations = {}
