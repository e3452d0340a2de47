import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  type Clash,
  type Edit,
  type Plan,
  type Problem,
  type Transaction,
  applyEdits,
  clashOf,
  problemText,
  transactionId,
} from '#core/document'
import type { Answer, QueryArguments, QueryName } from '#core/features'
import type { Report } from '~/workers/protocol'
import { useChecker } from '~/workers/checker'
import { api, ApiError, type JournalEntry, type PlanState } from './api'
import { clientId, myName, nextSeq } from './client'
import { useNotices } from '../shell/notices'
import { undoStacks, type Done } from './undo'

/** Two changes that meet: mine, which waits, and theirs, which stands. `undo`: mine takes an older change of mine back. */
export interface Question {
  readonly mine: Transaction
  readonly theirs: JournalEntry
  readonly clash: Clash
  readonly undo: boolean
}

const whoseIs = ({ who, client }: Transaction): string =>
  who ?? (client === clientId() ? 'another tab of yours' : 'somebody else')

export type Saving = 'saved' | 'saving' | 'offline'

const RETRY_MS = [500, 1000, 2000, 5000, 10_000]

/**
 * The plan on the screen: what the server has acknowledged, and on top of it the transactions that are on their way.
 * Edits show at once; they are kept in the browser until the server has them.
 */
export const usePlanStore = defineStore('plan', () => {
  const { tell } = useNotices()
  const show = ref<{ id: string; title: string }>()
  const planId = ref('')
  const plan = shallowRef<Plan>()
  const report = shallowRef<Report>()
  const state = ref<'loading' | 'ready' | 'missing' | 'failed'>('loading')
  const failure = ref('')
  const saving = ref<Saving>('saved')
  const done = shallowRef<readonly Done[]>([])
  /** What waits for an answer, oldest first. */
  const questions = shallowRef<readonly Question[]>([])

  let settled: Plan | undefined
  let revision = 0
  let version = 0
  let pending: Transaction[] = []
  let flushing = false
  let session = 0
  let stream: EventSource | undefined

  const name = computed(() => `${show.value?.id ?? ''}/${planId.value}`)
  const address = (showId: string, plan: string) => `/shows/${showId}/plans/${plan}`
  const stacks = computed(() => undoStacks(done.value))
  const canUndo = computed(() => stacks.value.undo.length > 0)
  const canRedo = computed(() => stacks.value.redo.length > 0)

  async function open(showId: string, id: string): Promise<void> {
    const mine = ++session
    state.value = 'loading'
    report.value = undefined
    plan.value = undefined
    planId.value = id
    // What is still on its way belongs to the plan that is left; it stays in the browser under that plan's name.
    pending = []
    questions.value = []
    stream?.close()
    done.value = []
    show.value = undefined
    // Its start takes as long as the answer of the server.
    const checker = useChecker()
    try {
      const got = await api<PlanState>(`${address(showId, id)}?client=${clientId()}`)
      if (mine !== session) return
      show.value = got.show
      settled = got.plan
      revision = got.revision
      plan.value = got.plan
      done.value = got.mine.map(({ revision: made, transaction, inverse }) => ({
        transaction,
        inverse,
        revision: made,
      }))
      const kept = keptPending()
      if (kept.transactions.length) {
        const { entries } =
          kept.base < revision
            ? await api<{ entries: JournalEntry[] }>(`${address(showId, id)}/journal?after=${kept.base}`)
            : { entries: [] }
        if (mine !== session) return
        pending = [...kept.transactions]
        putOnTop(entries)
        const mended = new Set(done.value.map(({ transaction }) => transactionId(transaction)))
        let next = got.plan
        for (const transaction of pending) {
          const applied = applyEdits(next, transaction.edits)
          if (!applied.ok) continue
          next = applied.value.plan
          if (!mended.has(transactionId(transaction)))
            done.value = [...done.value, { transaction, inverse: applied.value.inverse }]
        }
      }
      version += 1
      take(await checker.open(name.value, version, plan.value!))
      if (mine !== session) return
      state.value = 'ready'
      follow()
      void flush()
    } catch (error) {
      if (mine !== session) return
      state.value = error instanceof ApiError && error.status === 404 ? 'missing' : 'failed'
      failure.value = (error as Error).message
    }
  }

  async function recheck(): Promise<void> {
    version += 1
    take(await useChecker().open(name.value, version, plan.value!))
  }

  /** An answer about an older version is dropped: a newer one is on its way. */
  function take(answer: Report): void {
    if (answer.plan === name.value && answer.version === version) report.value = answer
  }

  /** Changes the plan; false, with a notice, where the edits are refused. */
  async function commit(
    title: string,
    edits: readonly Edit[],
    links: Pick<Transaction, 'undoes' | 'redoes'> = {},
  ): Promise<boolean> {
    if (!plan.value) return false
    const applied = applyEdits(plan.value, edits)
    if (!applied.ok) {
      tellProblem(applied.problem)
      return false
    }
    const begun = performance.now()
    const transaction: Transaction = {
      client: clientId(),
      seq: nextSeq(),
      title: title.slice(0, 120),
      edits,
      ...(myName() ? { who: myName() } : {}),
      ...links,
    }
    plan.value = applied.value.plan
    done.value = [...done.value, { transaction, inverse: applied.value.inverse }]
    pending.push(transaction)
    keepPending()
    if (saving.value === 'saved') saving.value = 'saving'
    const from = version
    version += 1
    const answer = await useChecker().edit(name.value, from, version, edits)
    if (answer === 'gap') await recheck()
    else take(answer)
    performance.measure('interlumen:edit-to-verdict', { start: begun })
    void flush()
    return true
  }

  /** Steps back and forth go one after the other, however fast they are asked for. */
  let stepping: Promise<void> = Promise.resolve()
  const inTurn = (step: () => Promise<void>) => (): Promise<void> => {
    stepping = stepping.then(step, step)
    return stepping
  }
  const undo = inTurn(async () => {
    const last = stacks.value.undo.at(-1)
    if (!last) return
    const meets = await changedSince(last)
    if (meets) {
      questions.value = [
        ...questions.value,
        {
          mine: { ...last.transaction, title: `Undo: ${last.transaction.title}`, edits: last.inverse },
          theirs: meets.entry,
          clash: meets.clash,
          undo: true,
        },
      ]
      return
    }
    await takeBack(last)
  })

  async function takeBack(last: Done): Promise<void> {
    const took = await commit(`Undo: ${last.transaction.title}`, last.inverse, {
      undoes: transactionId(last.transaction),
    })
    if (took) tell(`Undone: ${last.transaction.title}`)
  }

  /** The first change of somebody else since one of mine that meets what undoing it would do. */
  async function changedSince({
    revision: made,
    inverse,
  }: Done): Promise<{ entry: JournalEntry; clash: Clash } | undefined> {
    if (made === undefined) return undefined
    try {
      const { entries } = await api<{ entries: JournalEntry[] }>(
        `${address(show.value!.id, planId.value)}/journal?after=${made}`,
      )
      for (const entry of entries.toReversed()) {
        const clash = entry.transaction.client === clientId() ? undefined : clashOf(inverse, entry.transaction.edits)
        if (clash) return { entry, clash }
      }
    } catch {
      /* Without the server nobody else's change can be known; the next write will tell. */
    }
    return undefined
  }

  const redo = inTurn(async () => {
    const last = stacks.value.redo.at(-1)
    if (!last) return
    const took = await commit(last.transaction.title.replace(/^Undo: /, ''), last.inverse, {
      redoes: transactionId(last.transaction),
    })
    if (took) tell(`Done again: ${last.transaction.title.replace(/^Undo: /, '')}`)
  })

  async function flush(): Promise<void> {
    if (flushing) return
    flushing = true
    const mine = session
    for (let failures = 0; pending.length > 0 && mine === session;) {
      saving.value = failures > 0 ? 'offline' : 'saving'
      const sent = pending.slice(0, 200)
      try {
        const begun = performance.now()
        const { revision: now, accepted } = await api<{
          revision: number
          accepted: readonly { readonly id: string; readonly revision: number }[]
        }>(`${address(show.value!.id, planId.value)}/transactions`, {
          method: 'POST',
          body: { base: revision, transactions: sent },
        })
        if (mine !== session) break
        failures = 0
        performance.measure('interlumen:write', { start: begun })
        settle(now, sent, new Map(accepted.map(({ id, revision: made }) => [id, made])))
      } catch (error) {
        if (mine !== session) break
        if (error instanceof ApiError && error.code === 'behind')
          rebase(error.data as unknown as { revision: number; newer: JournalEntry[] })
        else if (error instanceof ApiError && !error.offline && error.status < 500) dropRefused(sent, error)
        else {
          saving.value = 'offline'
          await new Promise(resolve => setTimeout(resolve, RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]))
        }
      }
    }
    flushing = false
    if (mine === session) saving.value = 'saved'
    else if (pending.length > 0) void flush()
  }

  function settle(now: number, sent: readonly Transaction[], made: ReadonlyMap<string, number>): void {
    // What the stream has told meanwhile is in already.
    for (const transaction of sent) {
      if (!pending.includes(transaction)) continue
      const applied = applyEdits(settled!, transaction.edits)
      if (applied.ok) settled = applied.value.plan
    }
    revision = Math.max(revision, now)
    pending = pending.filter(transaction => !sent.includes(transaction))
    done.value = done.value.map(entry => ({
      ...entry,
      ...(made.has(transactionId(entry.transaction)) ? { revision: made.get(transactionId(entry.transaction))! } : {}),
    }))
    keepPending()
  }

  /** Somebody else wrote meanwhile: theirs goes under mine. What of mine no longer holds is told, not lost in silence. */
  function rebase({ revision: now, newer }: { revision: number; newer: readonly JournalEntry[] }): void {
    for (const { transaction } of newer) {
      const applied = applyEdits(settled!, transaction.edits)
      if (applied.ok) settled = applied.value.plan
    }
    revision = now
    putOnTop(newer)
    void recheck()
  }

  /** Lays what is on its way over what the server has; what meets a change of somebody else becomes a question. */
  function putOnTop(newer: readonly JournalEntry[]): void {
    const known = new Set(
      [...newer, ...done.value.filter(({ revision: made }) => made !== undefined)].map(({ transaction }) =>
        transactionId(transaction),
      ),
    )
    let next = settled!
    const lost: string[] = []
    const others = newer.filter(({ transaction }) => transaction.client !== clientId())
    const asked: Question[] = []
    pending = pending.filter(transaction => {
      if (known.has(transactionId(transaction))) return false
      for (const theirs of others) {
        const clash = clashOf(transaction.edits, theirs.transaction.edits)
        if (!clash) continue
        asked.push({ mine: transaction, theirs, clash, undo: false })
        return false
      }
      const applied = applyEdits(next, transaction.edits)
      if (!applied.ok) {
        lost.push(transaction.title)
        return false
      }
      next = applied.value.plan
      return true
    })
    plan.value = next
    if (asked.length) {
      const waiting = new Set(asked.map(({ mine }) => transactionId(mine)))
      done.value = done.value.filter(({ transaction }) => !waiting.has(transactionId(transaction)))
      questions.value = [...questions.value, ...asked]
    }
    keepPending()
    if (lost.length) tell(`Changed elsewhere meanwhile, so this no longer holds: ${lost.join('; ')}`, 'wrong')
    else if (others.length && !asked.length)
      tell(
        others.length === 1
          ? `${whoseIs(others[0]!.transaction)}: ${others[0]!.transaction.title}`
          : `${others.length} changes from elsewhere came in.`,
      )
  }

  function dropRefused(sent: readonly Transaction[], error: ApiError): void {
    const ids = new Set(sent.map(transactionId))
    pending = pending.filter(transaction => !ids.has(transactionId(transaction)))
    done.value = done.value.filter(({ transaction }) => !ids.has(transactionId(transaction)))
    keepPending()
    tell(`The server refused the change and it was taken back: ${error.message}`, 'wrong')
    plan.value = settled
    void recheck()
  }

  /** Answers the oldest question: mine goes over theirs, or theirs stays and mine is dropped. */
  async function answer(keep: 'mine' | 'theirs'): Promise<void> {
    const [question, ...rest] = questions.value
    if (!question) return
    questions.value = rest
    keepPending()
    if (keep === 'theirs') {
      tell(`Kept: ${question.theirs.transaction.title}`)
      return
    }
    const { mine, theirs, undo: takesBack } = question
    if (takesBack) {
      const last = stacks.value.undo.findLast(({ inverse }) => inverse === mine.edits)
      if (last) await takeBack(last)
      return
    }
    // Where theirs took away what mine changes, it is brought back first.
    const plain = plan.value && applyEdits(plan.value, mine.edits)
    await commit(mine.title, plain?.ok ? mine.edits : [...theirs.inverse, ...mine.edits])
  }

  /** Hears what others write, as it is written. */
  function follow(): void {
    if (typeof EventSource === 'undefined') return
    stream?.close()
    const mine = session
    stream = new EventSource(`/api${address(show.value!.id, planId.value)}/events?after=${revision}`)
    stream.addEventListener('written', event => {
      if (mine !== session) return
      const entries = (JSON.parse((event as MessageEvent<string>).data) as JournalEntry[]).filter(
        ({ revision: made }) => made > revision,
      )
      if (entries.length === 0) return
      if (entries[0]!.revision !== revision + 1) void refresh()
      else hear(entries)
    })
    // After a break the stream begins where it broke off, not where it was first opened.
    stream.addEventListener('error', () => {
      if (mine !== session || stream?.readyState === EventSource.CONNECTING) {
        stream?.close()
        if (mine === session)
          setTimeout(() => {
            if (mine === session) follow()
          }, 2000)
      }
    })

    function hear(entries: readonly JournalEntry[]): void {
      const waiting = new Set(pending.map(transactionId))
      const known = new Set(done.value.map(({ transaction }) => transactionId(transaction)))
      const tabs = entries.filter(
        ({ transaction }) =>
          transaction.client === clientId() &&
          !waiting.has(transactionId(transaction)) &&
          !known.has(transactionId(transaction)),
      )
      rebase({ revision: entries.at(-1)!.revision, newer: entries })
      done.value = [
        ...done.value,
        ...tabs.map(({ transaction, inverse, revision: made }) => ({ transaction, inverse, revision: made })),
      ]
    }
  }

  /** Looks whether another tab has written. */
  async function refresh(): Promise<void> {
    if (state.value !== 'ready' || flushing || pending.length > 0) return
    try {
      const { revision: now, entries } = await api<{ revision: number; entries: JournalEntry[] }>(
        `${address(show.value!.id, planId.value)}/journal?after=${revision}`,
      )
      if (entries.length === 0 || flushing || pending.length > 0 || now <= revision) return
      const mine = entries.filter(({ transaction }) => transaction.client === clientId())
      rebase({ revision: now, newer: entries })
      done.value = [...done.value, ...mine.map(({ transaction, inverse }) => ({ transaction, inverse }))]
    } catch {
      /* The next write says that the server does not answer. */
    }
  }

  /** Begins a plan beside this one, with edits made to it; gives its id, or undefined with a notice. */
  async function beginBeside(title: string, edits: readonly Edit[]): Promise<string | undefined> {
    if (saving.value !== 'saved') await flush()
    if (pending.length || questions.value.length) {
      tell('The plan is not saved yet: a version can be kept when the server answers.', 'wrong')
      return undefined
    }
    try {
      const { id } = await api<{ id: string }>(`/shows/${show.value!.id}/plans`, {
        method: 'POST',
        body: { title, from: planId.value, base: revision, edits },
      })
      return id
    } catch (error) {
      tell((error as Error).message, 'wrong')
      return undefined
    }
  }

  const pendingKey = () => `interlumen:pending:${name.value}:${tabId()}`

  function keepPending(): void {
    const kept = [...questions.value.filter(({ undo: takesBack }) => !takesBack).map(({ mine }) => mine), ...pending]
    if (kept.length)
      localStorage.setItem(
        pendingKey(),
        JSON.stringify({
          base: questions.value.length
            ? Math.min(revision, ...questions.value.map(({ theirs }) => theirs.revision - 1))
            : revision,
          transactions: kept,
        }),
      )
    else localStorage.removeItem(pendingKey())
  }

  /** What any tab of this browser had not got to the server; a retry of what it has is harmless. */
  function keptPending(): { readonly base: number; readonly transactions: readonly Transaction[] } {
    const prefix = `interlumen:pending:${name.value}:`
    let base = Infinity
    const transactions = Object.keys(localStorage)
      .filter(key => key.startsWith(prefix))
      .flatMap(key => {
        try {
          const kept = JSON.parse(localStorage.getItem(key)!) as { base: number; transactions: Transaction[] }
          if (key !== pendingKey()) localStorage.removeItem(key)
          base = Math.min(base, kept.base)
          return kept.transactions
        } catch {
          localStorage.removeItem(key)
          return []
        }
      })
      .sort((a, b) => a.seq - b.seq)
    return { base, transactions }
  }

  function tellProblem(problem: Problem): void {
    tell(`That cannot be done. ${problemText(problem)}`, 'wrong')
  }

  /** Asks the worker about the plan as it stands; undefined when it has changed meanwhile. */
  async function ask<K extends QueryName>(query: K, ...args: QueryArguments<K>): Promise<Answer<K> | undefined> {
    // What a screen holds may be reactive, and no worker takes that.
    const plain = JSON.parse(JSON.stringify(args)) as QueryArguments<K>
    const answer = (await useChecker().ask(version, query, plain as never)) as Answer<K> | 'stale'
    return answer === 'stale' ? undefined : answer
  }

  return {
    show,
    planId,
    plan,
    report,
    state,
    failure,
    saving,
    canUndo,
    canRedo,
    questions,
    open,
    commit,
    undo,
    redo,
    answer,
    refresh,
    ask,
    beginBeside,
  }
})

function tabId(): string {
  const known = sessionStorage.getItem('interlumen:tab')
  if (known) return known
  const made = crypto.randomUUID().slice(0, 8)
  sessionStorage.setItem('interlumen:tab', made)
  return made
}
