import { type Remote, transfer, wrap } from 'comlink'
import { acceptHMRUpdate, defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { Plan } from '#core/document'
import type { Hand, Kept, Now, Planned, Stage, Target } from '#core/features/rehearsal'
import { type Command, type Event as RunEvent, TICKS_PER_S } from '#core/run'
import type { Rehearser } from '~/workers/protocol'

/** How often what is seen is asked anew, ms. */
const BEAT_MS = 20

/**
 * The show that is rehearsed. It goes on while other screens are open: what is seen follows from the log and the clock,
 * so nothing is missed while nobody looks.
 */
// eslint-disable-next-line max-lines-per-function -- one closure over the state of the run; what is worked out stands in the worker
export const useRehearsal = defineStore('rehearsal', () => {
  let remote: Remote<Rehearser> | undefined
  let began = 0
  let held = 0
  const running = ref(false)
  const stage = shallowRef<Stage>()
  const now = shallowRef<Now>()
  const planned = shallowRef<Planned>()
  /** How what was meant last would be done without a wrong frame. */
  const advice = ref('')
  const next = ref<Target>()
  const mix = ref(1)
  const moment = ref(0)
  /** Who presses by hand, and on which kind of surface. */
  const hand = ref<Hand>({})
  /** Since when presses are recorded as a macro, ticks. */
  const drill = ref<number>()
  /** Of which plan, and of which version of it. */
  const of = shallowRef<{ readonly name: string; readonly version: number }>()
  let seed = 1
  let timer: ReturnType<typeof setInterval> | undefined
  let asking = false

  const tick = (): number =>
    running.value ? held + Math.round(((performance.now() - began) / 1000) * TICKS_PER_S) : held

  async function open(name: string, version: number, plan: Plan, at = 0): Promise<void> {
    remote ??= wrap<Rehearser>(
      new Worker(new URL('../../workers/rehearse.worker.ts', import.meta.url), { type: 'module', name: 'rehearse' }),
    )
    moment.value = at
    next.value = undefined
    planned.value = undefined
    advice.value = ''
    drill.value = undefined
    seed++
    stage.value = await remote.open(toRaw(plan), at, seed)
    of.value = { name, version }
    held = 0
    began = performance.now()
    running.value = true
    now.value = undefined
    clearInterval(timer)
    timer = setInterval(() => void beat(), BEAT_MS)
    await beat()
  }

  async function beat(): Promise<void> {
    if (asking || !remote) return
    asking = true
    try {
      now.value = (await remote.look(tick())) ?? now.value
    } finally {
      asking = false
    }
  }

  function stop(): void {
    if (!running.value) return
    held = tick()
    running.value = false
  }
  function go(): void {
    if (running.value) return
    began = performance.now()
    running.value = true
  }
  /** One frame on, while it stands. */
  function step(): void {
    stop()
    held += stage.value?.frame ?? 4800
    void beat()
  }
  function close(): void {
    clearInterval(timer)
    running.value = false
    stage.value = undefined
    now.value = undefined
    of.value = undefined
  }

  /** How what is meant now would be done from where it was first said. */
  let way = ''
  /** The answer that is under way, or came last: who is quicker than it presses all the same. */
  let planning: Promise<Planned | undefined> | undefined
  let chosen = 0
  async function choose(target: Target | undefined): Promise<void> {
    next.value = target
    way = ''
    chosen++
    await replan()
  }
  async function replan(): Promise<void> {
    planning = next.value && remote?.plan(toRaw(next.value))
    planned.value = await planning
  }
  function advise(): void {
    const mine = chosen
    void planning?.then(found => {
      if (!found || mine !== chosen) return
      way ||= found.words
      advice.value = way
    })
  }
  async function take(target: Target, frames = mix.value): Promise<void> {
    go()
    await remote?.take(toRaw(target), tick(), frames)
    if (next.value === target) await choose(undefined)
    else await replan()
  }
  /** By hand: what is chosen as next is taken for what is meant. */
  async function press(device: string, command: Command): Promise<void> {
    go()
    const meant = toRaw(next.value)
    if (meant) advise()
    await remote?.press(device, command, tick(), toRaw(hand.value), meant)
    await replan()
    // It is there: nothing more is meant.
    if (planned.value?.kind === 'nothing') await choose(undefined)
  }
  async function event(device: string, what: RunEvent): Promise<void> {
    go()
    await remote?.event(device, what, tick())
    await replan()
  }
  async function lose(on: boolean): Promise<void> {
    await remote?.lose(on)
    await beat()
  }
  async function again(run: Kept) {
    return remote?.again(toRaw(run))
  }

  return {
    stage,
    now,
    running,
    planned,
    advice,
    next,
    mix,
    moment,
    hand,
    drill,
    of,
    open,
    stop,
    go,
    step,
    close,
    choose,
    take,
    press,
    event,
    lose,
    again,
    tick,
    heard: (sink: number) => remote?.heard(sink, tick()),
    asLook: (title: string, order: number) => remote?.asLook(title, order),
    worked: (from: number) => remote?.worked(from, tick()),
    asMacro: (title: string, order: number, holder: string, from: number) =>
      remote?.asMacro(title, order, holder, from, tick()),
    kept: () => remote?.kept(),
    read: (text: string) => remote?.read(text),
    draw: (wanted: Parameters<Rehearser['draw']>[0], at: number, spare: Uint8ClampedArray[]) =>
      remote?.draw(
        wanted,
        at,
        transfer(
          spare,
          spare.map(({ buffer }) => buffer),
        ),
      ),
    /** It runs somewhere: the header says so. */
    goesOn: computed(() => stage.value !== undefined && running.value),
  }
})

if (import.meta.hot) import.meta.hot.accept(acceptHMRUpdate(useRehearsal, import.meta.hot))
