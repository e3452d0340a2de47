import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { applyEdits, problemText, transactionId, type Edit, type Plan, type Problem, type Transaction } from '#core/plan'
import type { Report } from '~/workers/protocol'
import { useChecker } from '~/workers/checker'
import { api, ApiError, type JournalEntry, type PlanState } from './api'
import { clientId, nextSeq } from './client'
import { useNotices } from './notices'
import { undoStacks, type Done } from './undo'

export type Saving = 'saved' | 'saving' | 'offline'

const RETRY_MS = [500, 1000, 2000, 5000, 10_000]

/**
 * The plan on the screen: what the server has acknowledged, and on top of it the transactions that are on their way.
 * Edits show at once; they are kept in the browser until the server has them.
 */
export const usePlanStore = defineStore('plan', () => {
  const { tell } = useNotices()
  const show = ref<{ id: string, title: string }>()
  const planId = ref('')
  const plan = shallowRef<Plan>()
  const report = shallowRef<Report>()
  const state = ref<'loading' | 'ready' | 'missing' | 'failed'>('loading')
  const failure = ref('')
  const saving = ref<Saving>('saved')
  const done = shallowRef<readonly Done[]>([])

  let settled: Plan | undefined
  let revision = 0
  let version = 0
  let pending: Transaction[] = []
  let flushing = false
  let session = 0

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
      done.value = got.mine.map(({ transaction, inverse }) => ({ transaction, inverse }))
      for (const transaction of keptPending()) {
        if (done.value.some(entry => transactionId(entry.transaction) === transactionId(transaction))) continue
        const applied = applyEdits(plan.value!, transaction.edits)
        if (!applied.ok) continue
        plan.value = applied.value.plan
        done.value = [...done.value, { transaction, inverse: applied.value.inverse }]
        pending.push(transaction)
      }
      version += 1
      take(await checker.open(name.value, version, plan.value!))
      if (mine !== session) return
      state.value = 'ready'
      void flush()
    }
    catch (error) {
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
  async function commit(title: string, edits: readonly Edit[], links: Pick<Transaction, 'undoes' | 'redoes'> = {}): Promise<boolean> {
    if (!plan.value) return false
    const applied = applyEdits(plan.value, edits)
    if (!applied.ok) {
      tellProblem(applied.problem)
      return false
    }
    const begun = performance.now()
    const transaction: Transaction = { client: clientId(), seq: nextSeq(), title: title.slice(0, 120), edits, ...links }
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

  async function undo(): Promise<void> {
    const last = stacks.value.undo.at(-1)
    if (!last) return
    const took = await commit(`Undo: ${last.transaction.title}`, last.inverse, { undoes: transactionId(last.transaction) })
    if (took) tell(`Undone: ${last.transaction.title}`)
  }

  async function redo(): Promise<void> {
    const last = stacks.value.redo.at(-1)
    if (!last) return
    const took = await commit(last.transaction.title.replace(/^Undo: /, ''), last.inverse, { redoes: transactionId(last.transaction) })
    if (took) tell(`Done again: ${last.transaction.title.replace(/^Undo: /, '')}`)
  }

  async function flush(): Promise<void> {
    if (flushing) return
    flushing = true
    const mine = session
    for (let failures = 0; pending.length > 0 && mine === session;) {
      saving.value = failures > 0 ? 'offline' : 'saving'
      const sent = pending.slice(0, 200)
      try {
        const begun = performance.now()
        const { revision: now } = await api<{ revision: number }>(`${address(show.value!.id, planId.value)}/transactions`, { method: 'POST', body: { base: revision, transactions: sent } })
        if (mine !== session) break
        failures = 0
        performance.measure('interlumen:write', { start: begun })
        settle(now, sent)
      }
      catch (error) {
        if (mine !== session) break
        if (error instanceof ApiError && error.code === 'behind') rebase(error.data as unknown as { revision: number, newer: JournalEntry[] })
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

  function settle(now: number, sent: readonly Transaction[]): void {
    for (const { edits } of sent) {
      const applied = applyEdits(settled!, edits)
      if (applied.ok) settled = applied.value.plan
    }
    revision = now
    pending = pending.slice(sent.length)
    keepPending()
  }

  /** Somebody else wrote meanwhile: theirs goes under mine. What of mine no longer holds is told, not lost in silence. */
  function rebase({ revision: now, newer }: { revision: number, newer: readonly JournalEntry[] }): void {
    const known = new Set(newer.map(({ transaction }) => transactionId(transaction)))
    for (const { transaction } of newer) {
      const applied = applyEdits(settled!, transaction.edits)
      if (applied.ok) settled = applied.value.plan
    }
    revision = now
    let next = settled!
    const lost: string[] = []
    pending = pending.filter((transaction) => {
      if (known.has(transactionId(transaction))) return false
      const applied = applyEdits(next, transaction.edits)
      if (!applied.ok) {
        lost.push(transaction.title)
        return false
      }
      next = applied.value.plan
      return true
    })
    plan.value = next
    keepPending()
    if (lost.length) tell(`Changed elsewhere meanwhile, so this no longer holds: ${lost.join('; ')}`, 'wrong')
    else if (newer.some(({ transaction }) => transaction.client !== clientId())) tell('Changes from elsewhere came in.')
    void recheck()
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

  /** Looks whether another tab has written. */
  async function refresh(): Promise<void> {
    if (state.value !== 'ready' || flushing || pending.length > 0) return
    try {
      const { revision: now, entries } = await api<{ revision: number, entries: JournalEntry[] }>(`${address(show.value!.id, planId.value)}/journal?after=${revision}`)
      if (entries.length === 0 || flushing || pending.length > 0 || now <= revision) return
      const mine = entries.filter(({ transaction }) => transaction.client === clientId())
      rebase({ revision: now, newer: entries })
      done.value = [...done.value, ...mine.map(({ transaction, inverse }) => ({ transaction, inverse }))]
    }
    catch { /* The next write says that the server does not answer. */ }
  }

  const pendingKey = () => `interlumen:pending:${name.value}:${tabId()}`

  function keepPending(): void {
    if (pending.length) localStorage.setItem(pendingKey(), JSON.stringify(pending))
    else localStorage.removeItem(pendingKey())
  }

  /** What any tab of this browser had not got to the server; a retry of what it has is harmless. */
  function keptPending(): Transaction[] {
    const prefix = `interlumen:pending:${name.value}:`
    return Object.keys(localStorage).filter(key => key.startsWith(prefix)).flatMap((key) => {
      try {
        const kept = JSON.parse(localStorage.getItem(key)!) as Transaction[]
        if (key !== pendingKey()) localStorage.removeItem(key)
        return kept
      }
      catch {
        localStorage.removeItem(key)
        return []
      }
    }).sort((a, b) => a.seq - b.seq)
  }

  function tellProblem(problem: Problem): void {
    tell(`That cannot be done. ${problemText(problem)}`, 'wrong')
  }

  /** Asks the worker about the plan as it stands; undefined when it has changed meanwhile. */
  async function ask<T>(question: (version: number) => Promise<T | 'stale'>): Promise<T | undefined> {
    const answer = await question(version)
    return answer === 'stale' ? undefined : answer
  }

  return { show, planId, plan, report, state, failure, saving, canUndo, canRedo, open, commit, undo, redo, refresh, ask }
})

function tabId(): string {
  const known = sessionStorage.getItem('interlumen:tab')
  if (known) return known
  const made = crypto.randomUUID().slice(0, 8)
  sessionStorage.setItem('interlumen:tab', made)
  return made
}
