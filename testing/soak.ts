/** The long runs, `npm run soak`: everything is tried, where `npm test` tries a sample. */
export const SOAK = process.env.INTERLUMEN_SOAK === '1'

/** Every n-th of a list; all of it in a soak. */
export const sampled = <T>(list: readonly T[], n: number): T[] => list.filter((_, i) => SOAK || i % n === 0)
