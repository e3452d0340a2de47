/** What may be gone when a plan is looked at: a device, a link, all that stands at one place, the mains ... */
export interface Loss {
  readonly of: string
  readonly id: string
}

/** The part of a show that is looked at. Absent parts stand for the whole show with everything there. */
export interface Scope {
  /** Id of a segment. */
  readonly segment?: string
  /** Id of a look. */
  readonly look?: string
  readonly losses?: readonly Loss[]
}

/**
 * Something that follows from a plan and its scope, worked out when it is first asked for. What it reads (collections
 * of the plan, parts of the scope, other facts) is noted while it is worked out; its value stands for every plan in
 * which these are the same, so an edit of anything else does not touch it. `find` must be pure and keep no hold on the
 * view that it is given.
 */
export interface Fact<V, T> {
  readonly name: string
  readonly find: (view: V) => T
}

export const fact = <V, T>(name: string, find: (view: V) => T): Fact<V, T> => ({ name, find })

interface Known<T = unknown> {
  readonly value: T
  /** What was read, and what was found there. */
  readonly reads: ReadonlyMap<string, unknown>
}

type AnyFact = Fact<never, unknown>

/** The latest values of each fact, newest first. Few are kept: a plan, and what is tried in its place. */
const MEMORY = new WeakMap<AnyFact, Known[]>()
const MOST_KNOWN = 8

const LISTENERS = new Set<(name: string) => void>()

/** Tells the name of each fact as it is worked out (and not when it stands); gives what ends that. */
export function onWorkedOut(listener: (name: string) => void): () => void {
  LISTENERS.add(listener)
  return () => LISTENERS.delete(listener)
}

/** What all views of one plan in one scope share. */
class Ground<P extends object> {
  readonly known = new Map<AnyFact, Known>()
  readonly open = new Set<AnyFact>()
  private readonly losses: string

  constructor(
    readonly plan: P,
    readonly scope: Scope,
  ) {
    this.losses = JSON.stringify(scope.losses ?? [])
  }

  /** `plan/<collection>` or `scope/<part>`. */
  read(key: string): unknown {
    const slash = key.indexOf('/')
    const name = key.slice(slash + 1)
    if (key.startsWith('plan/')) return this.plan[name as keyof P]
    return name === 'losses' ? this.losses : this.scope[name as keyof Scope]
  }
}

/** A plan in a scope, and the facts about it. Subclasses give the facts of their room short names. */
export abstract class View<P extends object> {
  readonly #ground: Ground<P>
  /** Where reads are noted; absent for the view that stands outside of every fact. */
  readonly #reads: Set<string> | undefined
  readonly #asked = new Set<AnyFact>()
  readonly plan: P

  constructor(plan: P, scope: Scope = {}, inside?: { readonly ground: unknown; readonly reads: Set<string> }) {
    this.#ground = inside ? (inside.ground as Ground<P>) : new Ground(plan, scope)
    this.#reads = inside?.reads
    const reads = this.#reads
    this.plan = reads
      ? new Proxy(plan, {
          get(target, key) {
            reads.add(`plan/${String(key)}`)
            return target[key as keyof P]
          },
        })
      : plan
  }

  /** One part of the scope. */
  scoped<K extends keyof Scope>(part: K): Scope[K] {
    this.#reads?.add(`scope/${part}`)
    return this.#ground.scope[part]
  }

  get scope(): Scope {
    const [segment, look, losses] = [this.scoped('segment'), this.scoped('look'), this.scoped('losses')]
    return { ...(segment ? { segment } : {}), ...(look ? { look } : {}), ...(losses ? { losses } : {}) }
  }

  ask<T>(fact: Fact<this, T>): T {
    const known = this.#ground.known.get(fact as AnyFact) ?? this.#recall(fact as AnyFact)
    if (this.#reads && !this.#asked.has(fact as AnyFact)) {
      this.#asked.add(fact as AnyFact)
      for (const key of known.reads.keys()) this.#reads.add(key)
    }
    return known.value as T
  }

  #recall(fact: AnyFact): Known {
    const ground = this.#ground
    const memory = MEMORY.get(fact) ?? []
    MEMORY.set(fact, memory)
    const at = memory.findIndex(({ reads }) => [...reads].every(([key, value]) => ground.read(key) === value))
    const known = at < 0 ? this.#workOut(fact) : memory.splice(at, 1)[0]!
    memory.unshift(known)
    if (memory.length > MOST_KNOWN) memory.pop()
    ground.known.set(fact, known)
    return known
  }

  #workOut(fact: AnyFact): Known {
    const ground = this.#ground
    if (ground.open.has(fact)) throw new Error(`the fact ${fact.name} asks for itself`)
    const reads = new Set<string>()
    const Inner = this.constructor as new (plan: P, scope: Scope, inside: object) => this
    ground.open.add(fact)
    try {
      const value = fact.find(new Inner(ground.plan, ground.scope, { ground, reads }) as never)
      for (const listener of LISTENERS) listener(fact.name)
      return { value, reads: new Map([...reads].map(key => [key, ground.read(key)])) }
    } finally {
      ground.open.delete(fact)
    }
  }
}
