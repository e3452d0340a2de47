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

/** Makes an id that a map does not hold: the slug and four characters from `random` (0 <= random() < 1). */
export function freshId(name: string, taken: Readonly<Record<string, unknown>>, random: () => number): string {
  for (;;) {
    const id = `${slug(name)}-${Math.floor(random() * 36 ** 4)
      .toString(36)
      .padStart(4, '0')}`
    if (own(taken, id) === undefined) return id
  }
}
