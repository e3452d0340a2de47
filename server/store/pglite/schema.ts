import { sql } from 'drizzle-orm'
import { bigint, check, index, integer, pgTable, primaryKey, text, timestamp, unique } from 'drizzle-orm/pg-core'

// Documents and edits are kept as JSON text: what was acknowledged comes back to the letter.

export const shows = pgTable('shows', {
  id: text().primaryKey(),
  title: text().notNull(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  /** Set while the show lies in the bin. */
  deletedAt: timestamp({ withTimezone: true }),
  /** The demo file that it was seeded from; seeding never touches a show twice. */
  seed: text().unique(),
})

export const plans = pgTable(
  'plans',
  {
    show: text()
      .notNull()
      .references(() => shows.id, { onDelete: 'cascade' }),
    id: text().notNull(),
    revision: integer().notNull(),
    document: text().notNull(),
    /** From the document, so that a list need not read it. */
    title: text().notNull().default(''),
    basedOn: text(),
    /** What the check of the document says, by the build of the program named beside it; null while nobody has asked. */
    verdict: text(),
    checkedBy: text(),
    /** Version of the open file's format that the document is written in. */
    format: integer().notNull().default(2),
  },
  table => [primaryKey({ columns: [table.show, table.id] })],
)

/** Append-only: a snapshot at the plan's beginning and after each migration, then one row a transaction. */
export const journal = pgTable(
  'journal',
  {
    show: text().notNull(),
    plan: text().notNull(),
    revision: integer().notNull(),
    kind: text().notNull(),
    client: text(),
    seq: bigint({ mode: 'number' }),
    title: text(),
    /** The transaction, or the whole plan of a snapshot. */
    content: text().notNull(),
    inverse: text(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  table => [
    primaryKey({ columns: [table.show, table.plan, table.revision] }),
    unique('journal_once').on(table.show, table.plan, table.client, table.seq),
    index('journal_client').on(table.show, table.plan, table.client),
    check('journal_kind', sql`${table.kind} in ('snapshot', 'transaction')`),
  ],
)

/** One row: how far the log of writes is worked into these tables. */
export const marks = pgTable('marks', { id: integer().primaryKey(), applied: bigint({ mode: 'number' }).notNull() })
