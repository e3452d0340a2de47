import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { type Edit, type Plan, type Transaction, applyEdits, canonicalPlan, transactionId } from '#core/document'
import { check } from '#core/features'
import { judgedOf } from '#core/features/board'
import { plan as written } from '../../testing/plans'
import { waiting } from './persist'

/** The worker's work, done on the spot. */
let held: { version: number; plan: Plan } | undefined
/** What the worker was told, in turn. */
let told: string[] = []
const hold = (name: string, version: number, plan: Plan) => {
  held = { version, plan }
  return { ...judgedOf(check(plan), 0), plan: name, version }
}
vi.mock('~/workers/checker', () => ({
  useChecker: () => ({
    open: async (name: string, version: number, plan: Plan) => {
      told.push('open')
      return hold(name, version, plan)
    },
    edit: async (name: string, from: number, version: number, edits: Edit[]) => {
      told.push('edit')
      if (held?.version !== from) return 'gap'
      const applied = applyEdits(held.plan, edits)
      return applied.ok ? hold(name, version, applied.value.plan) : 'gap'
    },
    ask: async (version: number) => {
      told.push('ask')
      return held?.version === version ? [] : 'stale'
    },
  }),
}))

/** The server's side of the plan, kept in memory. */
class Server {
  revision = 0
  plan: Plan = written({
    devices: { cam: 'camera-box-hdmi 1080p59.94', main: 'switcher-4-strict 1080p59.94' },
    links: { a: 'cam.hdmi > main.in-1 hdmi-passive 3' },
  })
  journal: { revision: number; transaction: Transaction; inverse: readonly Edit[] }[] = []
  away = false
  /** It sends what the page shows along with the plan. */
  judges = false
  /** The show lies in the bin. */
  gone = false
  refuses: (transaction: Transaction) => boolean = () => false
  /** Bytes of each write. */
  sizes: number[] = []
  requests = 0

  write(transaction: Transaction): void {
    const applied = applyEdits(this.plan, transaction.edits)
    if (!applied.ok) throw Object.assign(new Error('refused'), { status: 422 })
    this.plan = applied.value.plan
    this.journal.push({ revision: ++this.revision, transaction, inverse: applied.value.inverse })
  }

  answer(url: string, init?: { method?: string; body?: string }): Response {
    this.requests++
    if (this.away) throw new TypeError('no network')
    const { pathname, searchParams } = new URL(url, 'http://localhost')
    const json = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status })
    if (this.gone) return json({ error: { code: 'not-found', message: 'There is no such plan.' } }, 404)
    const headAt = (at: number): string => {
      const entry = this.journal.find(({ revision }) => revision === at)
      return entry ? transactionId(entry.transaction) : 'snapshot'
    }
    if (pathname.endsWith('/journal'))
      return json({
        revision: this.revision,
        head: headAt(Number(searchParams.get('after'))),
        entries: this.journal.filter(({ revision }) => revision > Number(searchParams.get('after'))),
      })
    if (init?.method !== 'POST')
      return json({
        show: { id: 'show', title: 'Show' },
        id: 'main',
        revision: this.revision,
        head: headAt(this.revision),
        plan: this.plan,
        mine: this.journal.filter(({ transaction }) => transaction.client === searchParams.get('client')),
        lastSeq: 0,
        ...(this.judges && { judged: judgedOf(check(this.plan), 0) }),
      })
    this.sizes.push(init.body!.length)
    if (init.body!.length > 2_000_000) return json({ error: { code: 'too-large', message: 'too large' } }, 413)
    const { base, transactions, head } = JSON.parse(init.body!) as {
      base: number
      transactions: Transaction[]
      head?: string
    }
    const fresh = transactions.filter(
      transaction => !this.journal.some(entry => transactionId(entry.transaction) === transactionId(transaction)),
    )
    if (base > this.revision || (head !== undefined && head !== headAt(base)))
      return json({ error: { code: 'restored', message: 'older' } }, 409)
    if (fresh.length && base !== this.revision)
      return json(
        {
          error: {
            code: 'behind',
            message: 'behind',
            revision: this.revision,
            newer: this.journal.filter(({ revision }) => revision > base),
          },
        },
        409,
      )
    if (fresh.some(this.refuses)) return json({ error: { code: 'refused', message: 'refused' } }, 422)
    try {
      fresh.forEach(transaction => this.write(transaction))
    } catch {
      return json({ error: { code: 'refused', message: 'refused' } }, 422)
    }
    return json({
      revision: this.revision,
      accepted: transactions.map(transaction => ({
        id: transactionId(transaction),
        revision: this.journal.find(entry => transactionId(entry.transaction) === transactionId(transaction))!.revision,
      })),
    })
  }
}

const storage = () => {
  const items: Record<string, string> = {}
  return Object.defineProperties(items, {
    getItem: { value: (key: string) => items[key] ?? null },
    setItem: {
      value: (key: string, value: string) => {
        items[key] = value
      },
    },
    removeItem: {
      value: (key: string) => {
        delete items[key]
      },
    },
  }) as unknown as Storage
}

let server: Server
async function openStore() {
  setActivePinia(createPinia())
  const { usePlanStore } = await import('./store')
  const store = usePlanStore()
  await store.open('show', 'main')
  return store
}
const settle = () =>
  vi.waitFor(
    async () => {
      const { usePlanStore } = await import('./store')
      expect(usePlanStore().saving).toBe('saved')
    },
    { timeout: 5000 },
  )
const route = (routeM: number): Edit[] => [{ do: 'set', at: ['links', 'a', 'routeM'], value: routeM }]
const name = (text: string): Edit[] => [{ do: 'set', at: ['devices', 'cam', 'name'], value: text }]
const theirs = (seq: number, edits: Edit[]): Transaction => ({ client: 'someone-else', seq, title: 'Theirs', edits })

beforeEach(() => {
  server = new Server()
  held = undefined
  told = []

  vi.stubGlobal('localStorage', storage())
  vi.stubGlobal('sessionStorage', storage())
  vi.stubGlobal('fetch', async (url: string, init?: { method?: string; body?: string }) => server.answer(url, init))
})

describe('the plan on the screen', () => {
  it('shows an edit and its verdict at once, and brings it to the server', async () => {
    const store = await openStore()
    expect(store.report!.verdict).toMatchObject({ arrive: 1, wanted: 1 })
    expect(await store.commit('Far', route(22))).toBe(true)
    expect(store.report!.verdict).toMatchObject({ arrive: 0, D: 1 })
    await settle()
    expect(server.plan.links.a!.routeM).toBe(22)
    expect(canonicalPlan(server.plan)).toBe(canonicalPlan(store.plan!))
  })
  it.each([
    [
      'asked',
      ['open', 'ask'],
      async (store: Awaited<ReturnType<typeof openStore>>) => expect(await store.ask('ladder')).toEqual([]),
    ],
    [
      'changed',
      ['edit', 'open'],
      async (store: Awaited<ReturnType<typeof openStore>>) => {
        expect(await store.commit('Far', route(22))).toBe(true)
        expect(store.report!.verdict).toMatchObject({ arrive: 0, D: 1 })
        await settle()
      },
    ],
  ] as const)(
    'shows the verdict that came with it at once, and gives the worker the plan when it is %s',
    async (_, order, act) => {
      server.judges = true
      const store = await openStore()
      expect(store.state).toBe('ready')
      expect(store.report!.verdict).toMatchObject({ arrive: 1, wanted: 1 })
      expect(told).toEqual([])
      await act(store)
      expect(told).toEqual(order)
    },
  )
  it('lays what was not sent over the verdict that came with it', async () => {
    const first = await openStore()
    server.away = true
    await first.commit('Far', route(22))
    server.away = false
    server.judges = true
    const store = await openStore()
    expect(store.report!.verdict).toMatchObject({ arrive: 0, D: 1 })
    await settle()
    await vi.waitFor(() => expect(first.saving).toBe('saved'), { timeout: 5000 })
  })
  it('refuses what does not hold, and changes nothing', async () => {
    const store = await openStore()
    const before = store.plan
    expect(await store.commit('Nonsense', route(-1))).toBe(false)
    expect(store.plan).toBe(before)
    expect(server.revision).toBe(0)
  })
  it('puts its edits on top of what others wrote meanwhile', async () => {
    const store = await openStore()
    server.write(theirs(1, name('Their name')))
    await store.commit('Far', route(5))
    await settle()
    expect(store.plan!.devices.cam!.name).toBe('Their name')
    expect(store.plan!.links.a!.routeM).toBe(5)
    expect(canonicalPlan(server.plan)).toBe(canonicalPlan(store.plan!))
  })
  it.each([
    ['mine', 5],
    ['theirs', 9],
  ] as const)('asks when both set the same field, and keeps %s', async (keep, expected) => {
    const store = await openStore()
    server.write(theirs(1, [...route(9), ...name('Beside it')]))
    await store.commit('Five', route(5))
    await settle()
    expect(server.plan.links.a!.routeM).toBe(9)
    expect(store.questions).toMatchObject([
      {
        clash: { at: ['links', 'a', 'routeM'], mine: 5, theirs: 9 },
        mine: { title: 'Five' },
        theirs: { transaction: { title: 'Theirs' } },
      },
    ])
    await store.answer(keep)
    await settle()
    expect(store.questions).toEqual([])
    expect(server.plan.links.a!.routeM).toBe(expected)
    expect(server.plan.devices.cam!.name).toBe('Beside it')
    expect(canonicalPlan(server.plan)).toBe(canonicalPlan(store.plan!))
  })
  it('asks when others removed what it changes, and brings it back for mine', async () => {
    const store = await openStore()
    server.write(theirs(1, [{ do: 'disconnect', id: 'a' }]))
    await store.commit('Far', route(5))
    await settle()
    expect(store.questions).toMatchObject([{ clash: { at: ['links', 'a', 'routeM'], mine: 5, theirs: undefined } }])
    expect(store.plan!.links).toEqual({})
    await store.answer('mine')
    await settle()
    expect(server.plan.links.a).toMatchObject({ cable: 'hdmi-passive', routeM: 5 })
  })
  it('keeps the question over a reload', async () => {
    let store = await openStore()
    server.write(theirs(1, route(9)))
    await store.commit('Five', route(5))
    await settle()
    store = await openStore()
    await settle()
    expect(server.plan.links.a!.routeM).toBe(9)
    expect(store.questions).toHaveLength(1)
    await store.answer('mine')
    await settle()
    expect(server.plan.links.a!.routeM).toBe(5)
    expect(Object.keys(localStorage).filter(key => key.startsWith('interlumen:pending'))).toEqual([])
  })
  it('asks before an undo takes back what somebody else has changed since', async () => {
    const store = await openStore()
    await store.commit('Five', route(5))
    await settle()
    server.write(theirs(1, route(9)))
    await store.refresh()
    await store.undo()
    expect(store.questions).toMatchObject([{ undo: true, clash: { mine: 3, theirs: 9 } }])
    await store.answer('theirs')
    expect(store.plan!.links.a!.routeM).toBe(9)
    await store.undo()
    await store.answer('mine')
    await settle()
    expect(server.plan.links.a!.routeM).toBe(3)
  })
  it('keeps edits while the server is away, over a reload, and loses none', async () => {
    const store = await openStore()
    server.away = true
    await store.commit('One', route(4))
    await store.commit('Two', name('Kept'))
    await vi.waitFor(() => expect(store.saving).toBe('offline'))
    // The first page is left: its own attempts end.
    await store.open('other', 'main')
    server.away = false
    const again = await openStore()
    expect(again.plan!.devices.cam!.name).toBe('Kept')
    await settle()
    expect(server.plan.links.a!.routeM).toBe(4)
    expect(server.journal.map(({ transaction }) => transaction.title)).toEqual(['One', 'Two'])
  })
  it('does not write twice what the server has but could not say', async () => {
    const store = await openStore()
    let lost = false
    vi.stubGlobal('fetch', async (url: string, init?: { method?: string; body?: string }) => {
      const answer = server.answer(url, init)
      if (init?.method === 'POST' && !lost) {
        lost = true
        throw new TypeError('the answer was lost')
      }
      return answer
    })
    await store.commit('Once', route(4))
    await settle()
    expect(server.journal.map(({ transaction }) => transaction.title)).toEqual(['Once'])
  })
  it('undoes and redoes its own changes only, also after a reload', async () => {
    let store = await openStore()
    await store.commit('Four', route(4))
    await settle()
    server.write(theirs(1, name('Their name')))
    store = await openStore()
    expect(store.canUndo).toBe(true)
    await store.undo()
    expect(store.plan!.links.a!.routeM).toBe(3)
    expect(store.plan!.devices.cam!.name).toBe('Their name')
    expect(store.canUndo).toBe(false)
    await settle()
    store = await openStore()
    await store.redo()
    expect(store.plan!.links.a!.routeM).toBe(4)
    await settle()
    expect(canonicalPlan(server.plan)).toBe(canonicalPlan(store.plan!))
  })
  it('takes steps back and forth in turn, however fast they come', async () => {
    const store = await openStore()
    await store.commit('Four', route(4))
    await store.commit('Five', route(5))
    await settle()
    await Promise.all([store.undo(), store.undo(), store.redo(), store.redo(), store.undo()])
    expect(store.plan!.links.a!.routeM).toBe(4)
    await settle()
    expect(canonicalPlan(server.plan)).toBe(canonicalPlan(store.plan!))
    expect(server.journal.map(({ transaction }) => transaction.title.replace(/^Undo: /, 'back '))).toEqual([
      'Four',
      'Five',
      'back Five',
      'back Four',
      'Four',
      'Five',
      'back Five',
    ])
  })
  it('makes a change behind steps back that are still under way, and the steps take back what was there before it', async () => {
    const store = await openStore()
    await store.commit('Four', route(4))
    await store.commit('Five', route(5))
    await settle()
    const [, , made] = await Promise.all([store.undo(), store.undo(), store.commit('Name', name('Behind'))])
    expect(made).toBe(true)
    expect(store.plan!.links.a!.routeM).toBe(3)
    expect(store.plan!.devices.cam!.name).toBe('Behind')
    await settle()
    expect(server.plan.devices.cam!.name).toBe('Behind')
  })
  it('sets only what is refused aside, brings the rest to the server, and takes it up again when it holds', async () => {
    const store = await openStore()
    server.away = true
    await store.commit('One', name('One'))
    const poison = await store.commit('Poison', route(4))
    expect(poison).toBe(true)
    await store.commit('Three', [{ do: 'set', at: ['devices', 'main', 'note'], value: 'Kept' }])
    server.refuses = ({ title }) => title === 'Poison'
    server.away = false
    await vi.waitFor(() => expect(store.saving).toBe('saved'), 5000)
    expect(server.journal.map(({ transaction }) => transaction.title)).toEqual(['One', 'Three'])
    expect(store.aside.map(({ transaction, why }) => [transaction.title, why])).toEqual([['Poison', 'refused']])
    expect(store.plan!.links.a!.routeM).toBe(3)
    // It survives a reload.
    const later = await openStore()
    expect(later.aside).toHaveLength(1)
    server.refuses = () => false
    await later.takeUp()
    await vi.waitFor(() => expect(later.saving).toBe('saved'))
    expect(later.aside).toEqual([])
    expect(server.plan.links.a!.routeM).toBe(4)
  })
  it('sends what is too much for one request in parts', async () => {
    const store = await openStore()
    server.away = true
    const long = 'x'.repeat(100)
    for (let n = 0; n < 20; n++)
      await store.commit(
        `Big ${n}`,
        Array.from({ length: 900 }, (_, i): Edit => ({
          do: 'set',
          at: ['devices', 'main', 'note'],
          value: `${n} ${i} ${long}`,
        })),
      )
    server.away = false
    await vi.waitFor(() => expect(store.saving).toBe('saved'), 8000)
    expect(server.revision).toBe(20)
    expect(Math.max(...server.sizes)).toBeLessThan(2_000_000)
    expect(server.sizes.filter(size => size > 100_000).length).toBeGreaterThan(1)
    expect(store.aside).toEqual([])
  }, 20_000)
  it('keeps what it has when the show is taken away, and sends it when the show is there again', async () => {
    const store = await openStore()
    server.gone = true
    await store.commit('Far', route(22))
    await vi.waitFor(() => expect(store.saving).toBe('gone'))
    expect(waiting('show/main').map(({ title }) => title)).toEqual(['Far'])
    server.gone = false
    const later = await openStore()
    await vi.waitFor(() => expect(later.saving).toBe('saved'))
    expect(server.plan.links.a!.routeM).toBe(22)
    expect(waiting('show/main')).toEqual([])
  })
  it('notices that the server was put back to an older state, sets what is unsent aside and shows what is there', async () => {
    const store = await openStore()
    await store.commit('Far', route(22))
    await settle()
    // Another folder is served: the journal ends before what this tab has.
    server.plan = new Server().plan
    server.journal = []
    server.revision = 0
    await store.commit('Name', name('Unsent'))
    await vi.waitFor(() => expect(store.aside.map(({ transaction }) => transaction.title)).toEqual(['Name']))
    await settle()
    expect(store.plan!.links.a!.routeM).toBe(3)
    await store.takeUp()
    await settle()
    expect(server.plan.devices.cam!.name).toBe('Unsent')
  })
  it('notices an older state that others have written past its own revision, by the entry that made it', async () => {
    const store = await openStore()
    await store.commit('Far', route(22))
    await settle()
    for (const press of ['write', 'look'] as const) {
      // Another folder: as many revisions and one more, none of them this tab's.
      server.plan = new Server().plan
      server.journal = []
      server.revision = 0
      server.write(theirs(1, route(7)))
      server.write(theirs(2, route(9)))
      if (press === 'write') {
        await store.commit('Name', name('Unsent'))
        await vi.waitFor(() => expect(store.aside.map(({ transaction }) => transaction.title)).toEqual(['Name']))
      } else await store.refresh()
      await settle()
      expect(store.plan!.links.a!.routeM).toBe(9)
      await store.commit('Far again', route(22))
      await settle()
    }
  })
  it('saves also when the browser has no room to keep anything', async () => {
    const store = await openStore()
    const full = Object.create(localStorage, {
      setItem: {
        value: () => {
          throw new DOMException('full', 'QuotaExceededError')
        },
      },
    })
    vi.stubGlobal('localStorage', full)
    expect(await store.commit('Far', route(22))).toBe(true)
    await vi.waitFor(() => expect(store.saving).toBe('saved'))
    expect(server.plan.links.a!.routeM).toBe(22)
  })
  it('looks for what others wrote when it is asked to', async () => {
    const store = await openStore()
    server.write(theirs(1, name('Their name')))
    await store.refresh()
    expect(store.plan!.devices.cam!.name).toBe('Their name')
    await vi.waitFor(() => expect(store.report!.board.lanes[0]!.from!.name).toBe('Their name'))
  })
  it('says when there is no such plan, and when there is no server', async () => {
    vi.stubGlobal(
      'fetch',
      async () => new Response('{"error":{"code":"not-found","message":"There is no such plan."}}', { status: 404 }),
    )
    expect((await openStore()).state).toBe('missing')
    vi.stubGlobal('fetch', async () => {
      throw new TypeError()
    })
    const store = await openStore()
    expect([store.state, store.failure]).toEqual(['failed', 'The server does not answer.'])
  })
})
