import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import {
  type Edit,
  type Plan,
  type Problem,
  type Transaction,
  applyEdits,
  clashOf,
  problemText,
  transactionId,
  validatorsReady,
} from '#core/document'
import type { Answer, QueryArguments, QueryName } from '#core/asked'
import type { Report } from '~/workers/protocol'
import { useChecker } from '~/workers/checker'
import type { BehindAnswer, JournalAnswer, JournalEntry, PlanState, WriteAnswer } from '#shared/api'
import { api, ApiError } from './api'
import { begunAhead } from './ahead'
import { clientId, introduce, nextSeq } from './client'
import { type Aside, asides, dropAsides, keep, kept, setAside } from './persist'
import { MOST_SENT, batchOf } from './send'
import { laysMasked } from './masked'
import { listenTo } from './stream'
import { useNotices } from '../shell/notices'
import { type Copy, type Rebased, acknowledged, adopted, changed, copyOf, layered, rebased, withdrawn } from './sync'
import { undoStacks, type Done } from './undo'

const whoseIs = ({ who, client }: Transaction): string =>
  who ?? (client === clientId() ? 'another tab of yours' : 'somebody else')

/** `gone`: the show or the plan was taken away; what is on its way is kept. */
export type Saving = 'saved' | 'saving' | 'offline' | 'gone'

/** The first picture has the machine to itself so long; who asks something sooner gets the worker sooner. */
const WORKER_AFTER_MS = 200
const RETRY_MS = [500, 1000, 2000, 5000, 10_000]
/** A server that fails at the same changes so often will go on to fail at them. */
const MOST_FAILURES = 4

/** What a write that failed means: somebody was faster, the server was put back, the plan is gone, it will never be taken, or the way was not clear. */
function kindOfFailure(error: unknown, failures: number): 'behind' | 'restored' | 'gone' | 'refused' | 'away' {
  if (!(error instanceof ApiError) || error.offline) return 'away'
  if (error.code === 'behind' || error.code === 'restored') return error.code
  if (error.status === 404) return 'gone'
  if (error.status === 400 || error.status === 413 || error.status === 422) return 'refused'
  return error.status === 500 && failures >= MOST_FAILURES ? 'refused' : 'away'
}

/**
 * The plan on the screen: what the server has acknowledged, and on top of it the transactions that are on their way.
 * Edits show at once; they are kept in the browser until the server has them.
 */
// eslint-disable-next-line max-lines-per-function -- one closure over the state of the open plan; what can be pure is in sync.ts
export const usePlanStore = defineStore('plan', () => {
  const { tell } = useNotices()
  const show = ref<{ id: string; title: string }>()
  const planId = ref('')
  const report = shallowRef<Report>()
  const state = ref<'loading' | 'ready' | 'missing' | 'failed'>('loading')
  const failure = ref('')
  const saving = ref<Saving>('saved')
  const copy = shallowRef<Copy>()
  /** Changes that could not be brought to the server: they wait for a decision. */
  const aside = shallowRef<readonly Aside[]>([])

  let version = 0
  let flushing = false
  /** Of the data folder that the plan was opened from. */
  let epoch: string | undefined
  let session = 0
  let stopListening = (): void => undefined

  const name = computed(() => `${show.value?.id ?? ''}/${planId.value}`)
  const address = computed(() => `/shows/${show.value?.id ?? ''}/plans/${planId.value}`)
  const plan = computed(() => copy.value?.plan)
  const questions = computed(() => copy.value?.questions ?? [])
  const stacks = computed(() => undoStacks(copy.value?.done ?? []))
  const canUndo = computed(() => stacks.value.undo.length > 0)
  const canRedo = computed(() => stacks.value.redo.length > 0)

  const journalAfter = (revision: number): Promise<JournalAnswer> =>
    api<JournalAnswer>(`${address.value}/journal?after=${revision}`)

  /** The plan that is on its way in, so that whoever asks for it again waits for the same. */
  let coming: { readonly name: string; readonly done: Promise<void> } | undefined
  function open(showId: string, id: string): Promise<void> {
    const wanted = `${showId}/${id}`
    if (coming?.name !== wanted) {
      const done = load(showId, id).finally(() => {
        if (coming?.done === done) coming = undefined
      })
      coming = { name: wanted, done }
    }
    return coming.done
  }

  async function load(showId: string, id: string): Promise<void> {
    const mine = ++session
    state.value = 'loading'
    report.value = undefined
    // What is still on its way belongs to the plan that is left; it stays in the browser under that plan's name.
    copy.value = undefined
    planId.value = id
    stopListening()
    show.value = undefined
    unheld = false
    // Its start takes as long as the answer of the server; a page that asked for the verdict itself can wait for it.
    if (!begunAhead()) useChecker()
    try {
      const [got] = await Promise.all([
        api<PlanState>(`/shows/${showId}/plans/${id}?client=${clientId()}`),
        introduce(),
      ])
      if (mine !== session) return
      show.value = got.show
      aside.value = asides(name.value)
      epoch = got.epoch
      let begun = copyOf(got.plan, got.revision, got.mine, got.head)
      const { base, transactions } = kept(name.value)
      if (transactions.length) {
        await validatorsReady()
        const { entries } = base < got.revision ? await journalAfter(base) : { entries: [] }
        if (mine !== session) return
        begun = take(layered({ ...begun, pending: transactions }, entries, clientId()))
      }
      copy.value = begun
      version += 1
      if (got.judged && transactions.length === 0) {
        unheld = true
        report.value = { ...got.judged, plan: name.value, version }
        setTimeout(giveWorker, WORKER_AFTER_MS)
      } else told(await useChecker().open(name.value, version, begun.plan))
      if (mine !== session) return
      state.value = 'ready'
      stopListening = listenTo(showId, id, hear, () => void refresh())
      void flush()
    } catch (error) {
      if (mine !== session) return
      state.value = error instanceof ApiError && error.status === 404 ? 'missing' : 'failed'
      failure.value = (error as Error).message
    }
  }

  /** The report came with the plan, and the worker has not been given the plan yet. */
  let unheld = false
  /** The worker gets the plan before anything is asked of it; what it says of it is on the screen already. */
  function giveWorker(): void {
    if (!unheld || !copy.value) return
    unheld = false
    useChecker()
      .open(name.value, version, copy.value.plan)
      .catch(() => undefined)
  }

  async function recheck(): Promise<void> {
    unheld = false
    version += 1
    told(await useChecker().open(name.value, version, copy.value!.plan))
  }

  /** An answer about an older version is dropped: a newer one is on its way. */
  function told(answer: Report): void {
    if (answer.plan === name.value && answer.version === version) report.value = answer
  }

  /** Takes a new copy, and keeps what of it is on its way. */
  let noRoom = false
  function put(next: Copy): void {
    copy.value = next
    const done = keep(name.value, next)
    if (!done && !noRoom)
      tell('This browser has no room left: a change is safe only once the head says saved.', 'wrong')
    noRoom = !done
  }

  /** Steps back and forth go one after the other, however fast they are asked for; a change that is made behind them waits. */
  let stepping: Promise<unknown> = Promise.resolve()
  let steps = 0
  function inTurn<T>(step: () => Promise<T>): Promise<T> {
    steps += 1
    const done = stepping.then(step, step).finally(() => {
      steps -= 1
    })
    stepping = done.catch(() => undefined)
    return done
  }

  /** Edits with what comes through masks then, counted on the pixels; as they are, where that cannot be had. */
  const counted = async (before: Plan, edits: readonly Edit[]): Promise<readonly Edit[]> => {
    try {
      return await (await import('./parts')).withParts(before, edits)
    } catch {
      return edits
    }
  }

  /** Changes the plan; false, with a notice, where the edits are refused. */
  async function commit(title: string, edits: readonly Edit[]): Promise<boolean> {
    const whole = plan.value && laysMasked(plan.value, edits) ? await counted(plan.value, edits) : edits
    return steps > 0 ? inTurn(() => change(title, whole)) : change(title, whole)
  }

  async function change(
    title: string,
    edits: readonly Edit[],
    links: Pick<Transaction, 'undoes' | 'redoes'> = {},
  ): Promise<boolean> {
    const can = canCheck()
    // What is there already is not waited for: a change shows at once.
    if ((can !== true && !(await can)) || !copy.value) return false
    const applied = applyEdits(copy.value.plan, edits)
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
      ...links,
    }
    put(changed(copy.value, transaction, applied.value.plan, applied.value.inverse))
    if (saving.value === 'saved') saving.value = 'saving'
    const from = version
    version += 1
    const answer = await useChecker().edit(name.value, from, version, edits)
    if (answer === 'gap') await recheck()
    else told(answer)
    performance.measure('interlumen:edit-to-verdict', { start: begun })
    void flush()
    return true
  }

  /** Waits, once, for what checks an edit; without the server it may not come. */
  const canCheck = (): true | Promise<boolean> =>
    validatorsReady()?.then(
      () => true,
      () => {
        tell('Not changed: the server does not answer, and this page is not whole yet. Try again.', 'wrong')
        return false
      },
    ) ?? true

  const undo = (): Promise<void> => inTurn(stepBack)
  async function stepBack(): Promise<void> {
    const last = stacks.value.undo.at(-1)
    if (!last) return
    const meets = await changedSince(last)
    if (!meets) return takeBack(last)
    const mine = { ...last.transaction, title: `Undo: ${last.transaction.title}`, edits: last.inverse }
    copy.value = { ...copy.value!, questions: [...questions.value, { mine, ...meets, undo: true }] }
  }

  async function takeBack(last: Done): Promise<void> {
    const took = await change(`Undo: ${last.transaction.title}`, last.inverse, {
      undoes: transactionId(last.transaction),
    })
    if (took) tell(`Undone: ${last.transaction.title}`)
  }

  /** The last change of somebody else since one of mine that meets what undoing it would do. */
  async function changedSince({ revision, inverse }: Done) {
    if (revision === undefined) return undefined
    try {
      const { entries } = await journalAfter(revision)
      for (const theirs of entries.toReversed()) {
        const clash = theirs.transaction.client === clientId() ? undefined : clashOf(inverse, theirs.transaction.edits)
        if (clash) return { theirs, clash }
      }
    } catch {
      /* Without the server nobody else's change can be known; the next write will tell. */
    }
    return undefined
  }

  const redo = (): Promise<void> => inTurn(stepForth)
  async function stepForth(): Promise<void> {
    const last = stacks.value.redo.at(-1)
    if (!last) return
    const title = last.transaction.title.replace(/^Undo: /, '')
    const took = await change(title, last.inverse, { redoes: transactionId(last.transaction) })
    if (took) tell(`Done again: ${title}`)
  }

  async function flush(): Promise<void> {
    if (flushing) return
    flushing = true
    const mine = session
    let most = MOST_SENT
    let gone = false
    for (let failures = 0; !gone && mine === session && copy.value && copy.value.pending.length > 0;) {
      saving.value = failures > 0 ? 'offline' : 'saving'
      const sent = batchOf(copy.value.pending, most)
      try {
        const begun = performance.now()
        const { revision, accepted } = await api<WriteAnswer>(`${address.value}/transactions`, {
          method: 'POST',
          body: {
            base: copy.value.revision,
            transactions: sent,
            ...(epoch === undefined ? {} : { epoch }),
            ...(copy.value.head === undefined ? {} : { head: copy.value.head }),
          },
        })
        if (mine !== session) break
        failures = 0
        most = MOST_SENT
        performance.measure('interlumen:write', { start: begun })
        put(acknowledged(copy.value, revision, sent, new Map(accepted.map(one => [one.id, one.revision]))))
      } catch (error) {
        if (mine !== session) break
        const kind = kindOfFailure(error, failures)
        if (kind === 'behind') rebase(((error as ApiError).data as unknown as BehindAnswer).newer)
        else if (kind === 'gone') gone = true
        else if (kind === 'restored') return void restored()
        else if (kind === 'refused') {
          failures = 0
          // One that is refused takes no other with it: fewer are sent at a time until it stands alone.
          if (sent.length > 1) most = Math.ceil(sent.length / 2)
          else refuse(sent, (error as Error).message)
        } else {
          saving.value = 'offline'
          await new Promise(resolve => setTimeout(resolve, RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]))
        }
      }
    }
    flushing = false
    if (mine !== session) {
      if (copy.value?.pending.length) void flush()
    } else saving.value = gone ? 'gone' : 'saved'
  }

  function refuse(sent: readonly Transaction[], why: string): void {
    // Taken off the pile only once it is kept elsewhere, or told where nothing can be kept.
    layAside(sent.map(transaction => ({ transaction, why })))
    put(withdrawn(copy.value!, sent))
    tell(`The server refused the change, and it was set aside: ${why}`, 'wrong')
    void recheck()
  }

  /** The server holds an older state than this tab: what is unsent is set aside, and the plan opened as it is now. */
  async function restored(): Promise<void> {
    flushing = false
    const { pending, ...rest } = copy.value!
    layAside(pending.map(transaction => ({ transaction, why: 'the server was put back to an older state' })))
    put({ ...rest, pending: [] })
    await open(show.value!.id, planId.value)
    tell('The server was put back to an older state, and the plan is shown as it is there now.', 'wrong')
  }

  function layAside(more: readonly Aside[]): void {
    if (more.length === 0) return
    setAside(name.value, more)
    aside.value = [...aside.value, ...more]
  }

  /** Tries what was set aside again, in its order; what still does not hold stays aside. */
  async function takeUp(): Promise<void> {
    await validatorsReady()
    const waiting = aside.value
    const still: Aside[] = []
    for (const { transaction, why } of waiting) {
      const holds = copy.value && applyEdits(copy.value.plan, transaction.edits).ok
      if (!holds || !(await commit(transaction.title, transaction.edits))) still.push({ transaction, why })
    }
    // Dropped only now, so that a page that is closed meanwhile loses none; what was set aside meanwhile stays.
    const later = aside.value.slice(waiting.length)
    dropAsides(name.value)
    aside.value = []
    layAside([...still, ...later])
    if (still.length) tell(`${still.length} of ${waiting.length} still cannot be made.`, 'wrong')
  }

  function dropAside(): void {
    dropAsides(name.value)
    aside.value = []
  }

  function rebase(newer: readonly JournalEntry[]): void {
    put(adopted(take(rebased(copy.value!, newer, clientId())), newer, clientId()))
    void recheck()
  }

  /** Says what came of laying mine over theirs: nothing of mine goes in silence. */
  function take({ copy: next, lost, asked, heard }: Rebased): Copy {
    layAside(lost.map(transaction => ({ transaction, why: 'changed elsewhere meanwhile' })))
    if (lost.length)
      tell(
        `Changed elsewhere meanwhile, so this no longer holds and was set aside: ${lost.map(({ title }) => title).join('; ')}`,
        'wrong',
      )
    else if (heard.length === 1 && !asked.length)
      tell(`${whoseIs(heard[0]!.transaction)}: ${heard[0]!.transaction.title}`)
    else if (heard.length && !asked.length) tell(`${heard.length} changes from elsewhere came in.`)
    return next
  }

  /** Answers the oldest question: mine goes over theirs, or theirs stays and mine is dropped. */
  async function answer(choice: 'mine' | 'theirs'): Promise<void> {
    const [question, ...rest] = questions.value
    if (!question) return
    put({ ...copy.value!, questions: rest })
    const { mine, theirs, undo: takesBack } = question
    if (choice === 'theirs') {
      tell(`Kept: ${theirs.transaction.title}`)
    } else if (takesBack) {
      const last = stacks.value.undo.findLast(({ inverse }) => inverse === mine.edits)
      if (last) await takeBack(last)
    } else {
      await validatorsReady()
      // Where theirs took away what mine changes, it is brought back first.
      const plain = applyEdits(copy.value!.plan, mine.edits)
      await commit(mine.title, plain.ok ? mine.edits : [...theirs.inverse, ...mine.edits])
    }
  }

  /** What is told twice is known by its revision; where something is missing in between, all of it is fetched. */
  function hear(written: readonly JournalEntry[]): void {
    const wait = validatorsReady()
    if (wait) {
      void wait.then(() => hear(written)).catch(() => undefined)
      return
    }
    const { revision = 0 } = copy.value ?? {}
    const entries = written.filter(entry => entry.revision > revision)
    if (!copy.value || entries.length === 0) return
    if (entries[0]!.revision === revision + 1) rebase(entries)
    else void refresh()
  }

  /** Looks whether another tab has written. */
  async function refresh(): Promise<void> {
    const busy = (): boolean => state.value !== 'ready' || flushing || copy.value!.pending.length > 0
    if (busy()) return
    try {
      await validatorsReady()
      const { revision, head } = copy.value!
      const answer = await journalAfter(revision)
      const { entries } = answer
      const other = (mine: string | undefined, theirs: string | undefined) =>
        mine !== undefined && theirs !== undefined && mine !== theirs
      if (answer.revision < revision || other(epoch, answer.epoch) || other(head, answer.head)) return await restored()
      if (!busy() && entries.length > 0 && copy.value!.revision === revision) rebase(entries)
    } catch {
      /* The next write says that the server does not answer. */
    }
  }

  /** Begins a plan beside this one, with edits made to it; gives its id, or undefined with a notice. */
  async function beginBeside(title: string, edits: readonly Edit[]): Promise<string | undefined> {
    if (saving.value !== 'saved') await flush()
    if (!copy.value || copy.value.pending.length || questions.value.length) {
      tell('The plan is not saved yet: a version can be kept when the server answers.', 'wrong')
      return undefined
    }
    try {
      const { id } = await api<{ id: string }>(`/shows/${show.value!.id}/plans`, {
        method: 'POST',
        body: { title, from: planId.value, base: copy.value.revision, edits },
      })
      return id
    } catch (error) {
      tell((error as Error).message, 'wrong')
      return undefined
    }
  }

  function tellProblem(problem: Problem): void {
    tell(`That cannot be done. ${problemText(problem)}`, 'wrong')
  }

  /** Asks the worker about the plan as it stands; undefined when it has changed meanwhile. */
  async function ask<K extends QueryName>(query: K, ...args: QueryArguments<K>): Promise<Answer<K> | undefined> {
    // What a screen holds may be reactive, and no worker takes that.
    const plain = JSON.parse(JSON.stringify(args)) as QueryArguments<K>
    giveWorker()
    const found = (await useChecker().ask(version, query, plain as never)) as Answer<K> | 'stale'
    return found === 'stale' ? undefined : found
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
    aside,
    takeUp,
    dropAside,
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
