import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto'

/** Shorter codes are guessed. */
export const CODE_LENGTH = 8
/** So many wrong guesses of one address, then a wait that doubles with each further one. */
const FREE_GUESSES = 5
const FIRST_WAIT_MS = 2000
const LONGEST_WAIT_MS = 15 * 60_000
const MOST_ADDRESSES = 10_000

function same(a: string, b: string): boolean {
  const [x, y] = [Buffer.from(a), Buffer.from(b)]
  return x.length === y.length && timingSafeEqual(x, y)
}

/** Who may come in from outside: by a code once, by a pass that does not tell the code from then on. */
export class Gate {
  private readonly wrong = new Map<string, { count: number; until: number }>()
  /** Passes end with the process that gave them. */
  private readonly secret = randomBytes(32)

  constructor(private readonly code: string) {}

  /** What a browser keeps. */
  get pass(): string {
    return createHmac('sha256', this.secret).update(this.code).digest('base64url')
  }

  knows(pass: string | undefined): boolean {
    return pass !== undefined && same(pass, this.pass)
  }

  /** Tries a code: `wait` tells how many milliseconds an address must wait that has guessed too often. */
  try(code: string, address: string, now = Date.now()): { readonly ok: boolean; readonly wait: number } {
    const before = this.wrong.get(address)
    if (before && before.until > now) return { ok: false, wait: before.until - now }
    if (same(code, this.code)) {
      this.wrong.delete(address)
      return { ok: true, wait: 0 }
    }
    const count = (before?.count ?? 0) + 1
    const wait = count < FREE_GUESSES ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (count - FREE_GUESSES))
    // Who guesses from ever new addresses does not fill the memory.
    if (this.wrong.size >= MOST_ADDRESSES) this.wrong.clear()
    this.wrong.set(address, { count, until: now + wait })
    return { ok: false, wait }
  }
}
