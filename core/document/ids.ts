import { own } from './problem'

/** A slug of a name, for an id: lower case letters, figures and single hyphens, at most 40 characters. */
export function slug(name: string): string {
  const text = name
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 40)
    .replace(/-+$/, '')
  return text === '' || text === 'constructor' ? 'item' : text
}

const TAILS = 36 ** 4

/**
 * Makes an id that a map does not hold: the slug and four characters, those that `random` (0 <= random() < 1) gives, or
 * the next that are free. Ends for any `random`, as long as the map has fewer than 36^4 entries.
 */
export function freshId(name: string, taken: Readonly<Record<string, unknown>>, random: () => number): string {
  const stem = slug(name)
  for (let tail = Math.floor(random() * TAILS); ; tail = (tail + 1) % TAILS) {
    const id = `${stem}-${tail.toString(36).padStart(4, '0')}`
    if (own(taken, id) === undefined) return id
  }
}
