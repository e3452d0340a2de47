import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { completePlan } from '#core/document'
import {
  type Offer,
  type Proposals,
  PRESETS,
  type PresetId,
  type Progress,
  type Weights,
  composed,
} from '#core/features/patch'
import { parseFormatLabel } from '#core/signal'

import { seek, type Seeking } from '~/workers/solver'
import { useNotices } from '../../shell/notices'
import { usePlanStore } from '../../plan/store'

/** The search for whole plans: what is weighed, what was found, and for which plan. It goes on while other screens are looked at. */
// eslint-disable-next-line max-lines-per-function -- one closure over the state of the search; nothing in it is longer than a screen
export const usePatchStore = defineStore('patch', () => {
  const store = usePlanStore()
  const { tell } = useNotices()
  const preset = ref<PresetId | 'own'>('even')
  const weights = ref<Weights>({ ...PRESETS.even.weights })
  const standard = ref('')
  const kitOnly = ref(false)
  const state = ref<'idle' | 'seeking' | 'done' | 'stopped' | 'failed'>('idle')
  const progress = shallowRef<Progress>()
  const offers = shallowRef<readonly Offer[]>([])
  const outcome = shallowRef<Proposals>()
  const failure = ref('')
  const chosen = ref<string>()
  /** Parts of the chosen offer that are left out. */
  const without = ref<ReadonlySet<string>>(new Set())
  /** The plan and its state that the offers were made for. */
  const madeFor = ref('')
  const here = computed(() => `${store.show?.id}/${store.planId}/${store.report?.version}`)
  /** The plan is another one, or has changed since. */
  const stale = computed(() => offers.value.length + (outcome.value ? 1 : 0) > 0 && madeFor.value !== here.value)
  const offer = computed(() => offers.value.find(({ id }) => id === chosen.value))
  const taken = computed(() =>
    (offer.value?.parts ?? []).filter(
      part => !without.value.has(part.id) && part.needs.every(id => !without.value.has(id)),
    ),
  )
  const edits = computed(() => (offer.value ? composed(offer.value, part => taken.value.includes(part)) : []))

  let seeking: Seeking | undefined

  function usePreset(id: PresetId): void {
    preset.value = id
    weights.value = { ...PRESETS[id].weights }
  }

  function weigh(name: keyof Weights, value: number): void {
    weights.value = { ...weights.value, [name]: value }
    preset.value = 'own'
  }

  async function look(): Promise<void> {
    if (!store.plan || state.value === 'seeking') return
    const fixed = parseFormatLabel(standard.value)
    madeFor.value = here.value
    state.value = 'seeking'
    offers.value = []
    outcome.value = undefined
    progress.value = { phase: 'ways', share: 0 }
    choose(undefined)
    const mine = seek(
      completePlan(JSON.parse(JSON.stringify(store.plan))),
      { weights: { ...weights.value }, ...(fixed ? { fixed } : {}), kitOnly: kitOnly.value },
      step => {
        progress.value = step
      },
      found => {
        offers.value = [...offers.value, found]
        if (!chosen.value) choose(found.id)
      },
    )
    seeking = mine
    try {
      outcome.value = await mine.outcome
      state.value = outcome.value ? 'done' : 'stopped'
    } catch (error) {
      state.value = 'failed'
      failure.value = (error as Error).message
    }
    seeking = undefined
  }

  const stop = () => seeking?.stop()

  function choose(id: string | undefined): void {
    chosen.value = id
    without.value = new Set()
  }

  function toggle(part: string): void {
    const next = new Set(without.value)
    if (!next.delete(part)) next.add(part)
    without.value = next
  }

  const name = computed(
    () => `Plan ${1 + offers.value.findIndex(({ id }) => id === chosen.value)}, ${offer.value?.title ?? ''}`,
  )

  async function apply(): Promise<boolean> {
    if (!offer.value || stale.value || edits.value.length === 0) return false
    // Further plans would be for a plan that is no more.
    stop()
    const whole = taken.value.length === offer.value.parts.length
    return store.commit(whole ? `Patch: ${name.value}` : `Patch, in part: ${name.value}`, edits.value)
  }

  async function keep(title: string): Promise<string | undefined> {
    if (!offer.value || stale.value) return undefined
    const id = await store.beginBeside(title, edits.value)
    if (id) tell(`Kept as a version: ${title}`)
    return id
  }

  return {
    preset,
    weights,
    standard,
    kitOnly,
    state,
    progress,
    offers,
    outcome,
    failure,
    chosen,
    without,
    stale,
    offer,
    taken,
    edits,
    name,
    usePreset,
    weigh,
    look,
    stop,
    choose,
    toggle,
    apply,
    keep,
  }
})
