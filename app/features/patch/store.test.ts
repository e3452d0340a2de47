import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref, shallowRef } from 'vue'
import highsLoader from 'highs'
import { type Edit, type Plan, applyEdits } from '#core/document'
import { check } from '#core/features'
import { type Asked, type Offer, type Proposals, PRESETS, type Progress, propose } from '#core/features/patch'
import { plan as written } from '../../../testing/plans'

interface Search {
  readonly plan: Plan
  readonly asked: Asked
  readonly progress: (step: Progress) => void
  readonly found: (offer: Offer) => void
  readonly end: (outcome: Proposals | undefined) => void
  readonly fail: (error: Error) => void
}
const searches: Search[] = []
vi.mock('~/workers/solver', () => ({
  seek: (plan: Plan, asked: Asked, progress: Search['progress'], found: Search['found']) => {
    let search: Search | undefined
    const outcome = new Promise<Proposals | undefined>((end, fail) => {
      search = { plan, asked, progress, found, end, fail }
    })
    searches.push(search!)
    return { outcome, stop: () => search!.end(undefined) }
  },
}))

const PLAN = written({
  devices: { cam: 'camera-box-hdmi', pc: 'laptop', main: 'switcher-4-strict 1080p59.94', wall: 'projector' },
  wants: { wall: 'program' },
})
const store = {
  show: { id: 'show' },
  planId: 'main',
  plan: shallowRef(PLAN),
  version: ref(1),
  committed: [] as [string, readonly Edit[]][],
  begun: [] as [string, readonly Edit[]][],
}
vi.mock('../../plan/store', () => ({
  usePlanStore: () => ({
    get show() {
      return store.show
    },
    get planId() {
      return store.planId
    },
    get plan() {
      return store.plan.value
    },
    get report() {
      return { version: store.version.value }
    },
    commit: async (title: string, edits: readonly Edit[]) => {
      const applied = applyEdits(store.plan.value, edits)
      if (!applied.ok) return false
      store.committed.push([title, edits])
      store.plan.value = applied.value.plan
      store.version.value++
      return true
    },
    beginBeside: async (title: string, edits: readonly Edit[]) => {
      store.begun.push([title, edits])
      return 'other'
    },
  }),
}))
const { usePatchStore } = await import('./store')

let outcome: Proposals
beforeEach(async () => {
  setActivePinia(createPinia())
  searches.length = 0
  store.plan.value = PLAN
  store.version.value = 1
  store.planId = 'main'
  store.committed.length = 0
  store.begun.length = 0
  outcome ??= propose(await highsLoader(), check(PLAN), { weights: PRESETS.even.weights, most: 2 })
})

/** A search begun and ended with what a real one finds. */
async function found() {
  const patch = usePatchStore()
  const done = patch.look()
  for (const offer of outcome.offers) searches[0]!.found(offer)
  searches[0]!.end(outcome)
  await done
  return patch
}

describe('the search for plans', () => {
  it('asks with the weights, the standard and the kit that are set, for the plan as it is', async () => {
    const patch = usePatchStore()
    patch.usePreset('picture')
    patch.weigh('delay', 9)
    patch.standard = '1080p59.94'
    patch.kitOnly = true
    void patch.look()
    expect(searches).toHaveLength(1)
    expect(searches[0]!.asked).toEqual({
      weights: { ...PRESETS.picture.weights, delay: 9 },
      fixed: { raster: '1920x1080', scan: 'p', rate: '60000/1001' },
      kitOnly: true,
    })
    expect(patch.preset).toBe('own')
    expect(searches[0]!.plan.devices).toEqual(PLAN.devices)
    // One at a time.
    void patch.look()
    expect(searches).toHaveLength(1)
  })
  it('shows plans as they come, chooses the first, and tells the progress', async () => {
    const patch = usePatchStore()
    const done = patch.look()
    searches[0]!.progress({ phase: 'ways', share: 0.5 })
    expect([patch.state, patch.progress]).toEqual(['seeking', { phase: 'ways', share: 0.5 }])
    searches[0]!.found(outcome.offers[0]!)
    expect([patch.offers.length, patch.chosen]).toEqual([1, outcome.offers[0]!.id])
    searches[0]!.end(outcome)
    await done
    expect([patch.state, patch.outcome]).toEqual(['done', outcome])
  })
  it('can be stopped, and says when it failed', async () => {
    const patch = usePatchStore()
    const stopped = patch.look()
    patch.stop()
    await stopped
    expect([patch.state, patch.outcome]).toEqual(['stopped', undefined])
    const failed = patch.look()
    searches[1]!.fail(new Error('out of memory'))
    await failed
    expect([patch.state, patch.failure]).toEqual(['failed', 'out of memory'])
  })
})

describe('a plan that was found', () => {
  it('is made whole, by one change, and is stale from then on', async () => {
    const patch = await found()
    expect(patch.stale).toBe(false)
    expect(await patch.apply()).toBe(true)
    expect(store.committed).toHaveLength(1)
    expect(store.committed[0]![0]).toMatch(/^Patch: Plan 1, 1080/)
    const { verdict } = check(store.plan.value)
    expect([verdict.arrive, verdict.wanted]).toEqual([3, 3])
    expect(patch.stale).toBe(true)
    expect(await patch.apply()).toBe(false)
    expect(await patch.keep('Other')).toBeUndefined()
  })
  it('is made in part: what is left out is not made, and what hangs on it neither', async () => {
    const patch = await found()
    const camera = patch.offer!.parts.find(({ title }) => title.startsWith('cam '))!
    patch.toggle(camera.id)
    expect(patch.taken).not.toContain(camera)
    expect(await patch.apply()).toBe(true)
    expect(store.committed[0]![0]).toMatch(/^Patch, in part:/)
    expect(Object.values(store.plan.value.links).some(({ from }) => from?.device === 'cam')).toBe(false)
    expect(Object.values(store.plan.value.links).some(({ from }) => from?.device === 'pc')).toBe(true)
  })
  it('is taken back into the choice by a second press, and whole again when another one is chosen', async () => {
    const patch = await found()
    const [first] = patch.offer!.parts
    patch.toggle(first!.id)
    patch.toggle(first!.id)
    expect(patch.taken).toHaveLength(patch.offer!.parts.length)
    patch.toggle(first!.id)
    patch.choose(outcome.offers[1]?.id)
    patch.choose(outcome.offers[0]!.id)
    expect(patch.taken).toHaveLength(patch.offer!.parts.length)
  })
  it('is kept as a version with the chosen pieces, and this plan stays', async () => {
    const patch = await found()
    expect(await patch.keep('With a scaler')).toBe('other')
    expect(store.begun).toEqual([['With a scaler', patch.edits]])
    expect(store.plan.value).toBe(PLAN)
  })
  it('is not offered for another plan, nor after a change of this one', async () => {
    const patch = await found()
    store.version.value++
    expect(patch.stale).toBe(true)
    store.version.value--
    expect(patch.stale).toBe(false)
    store.planId = 'other'
    setActivePinia(createPinia())
    const again = usePatchStore()
    expect(again.offers).toEqual([])
  })
})
