<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import { string } from 'yup'
import { type Edit, cutOf, emptyPlan, freshId, own, setEdit } from '#core/document'
import { type OverlayRow, removalOf, settable } from '#core/features/keys'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { isTyped } from '~/ui/keys'
import ViewTabs from '~/ui/ViewTabs.vue'
import { type Seeking, seekKeyers } from '~/workers/solver'
import BenchView from './BenchView.vue'
import KeyersView from './KeyersView.vue'

/** What is laid over pictures: on the bench, and in its keyer. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const all = useAnswer('overlays', () => [] as const)

const VIEWS = { bench: 'Bench', keyers: 'Keyers' } as const
const view = ref<keyof typeof VIEWS>('bench')
const chosen = ref<string>()
watch(
  all,
  now => {
    if (now && !now.rows.some(({ id }) => id === chosen.value)) chosen.value = now.rows[0]?.id
  },
  { immediate: true },
)
watch(
  [() => route.query.at, all] as const,
  ([key]) => {
    const at = store.report?.findings.find(one => one.key === key)?.at
    if (at?.on === 'overlay') chosen.value = at.overlay
  },
  { once: true },
)
/** Its overlay as the plan has it now: the next key is not to start from what stood before the last was answered. */
const row = computed((): OverlayRow | undefined => {
  const found = all.value?.rows.find(({ id }) => id === chosen.value)
  const overlay = found && own(plan.value.overlays, found.id)
  return found && overlay ? { ...found, overlay, cut: settable(found.scale, cutOf(overlay)) } : found
})
/** What is told of an overlay, and of the pair of leads by which its source sends fill and key. */
const toldOf = (id: string | undefined) => {
  const { kind, fill } = (id === undefined ? undefined : plan.value.overlays[id]) ?? {}
  return (store.report?.findings ?? []).filter(
    ({ at, key }) =>
      (at.on === 'overlay' && at.overlay === id) ||
      (kind === 'linear' && at.on === 'device' && at.device === fill && /^K0[12]:/.test(key)),
  )
}
const findings = computed(() => toldOf(chosen.value))
const faults = (id: string): number => toldOf(id).filter(({ severity }) => severity !== 'N').length
/** Overlays whose key is measured on their picture. */
const known = computed(
  () => (all.value?.rows ?? []).filter(({ overlay }) => plan.value.graphics[overlay.graphic ?? '']).length,
)

/** Worked out anew, in a worker of its own, whenever the plan has changed. */
const keyers = shallowRef<Awaited<Seeking<Awaited<ReturnType<typeof seekKeyers>['outcome']>>['outcome']>>()
let seeking: ReturnType<typeof seekKeyers> | undefined
const failed = ref('')
watch(
  () => store.report?.version,
  async () => {
    seeking?.stop()
    if (!store.plan || Object.keys(store.plan.overlays).length === 0) {
      keyers.value = undefined
      return
    }
    const mine = (seeking = seekKeyers(toRaw(store.plan)))
    try {
      const found = await mine.outcome
      if (found && mine === seeking) keyers.value = found
      failed.value = ''
    } catch (error) {
      failed.value = (error as Error).message
    }
  },
  { immediate: true },
)
onBeforeUnmount(() => seeking?.stop())

async function commit(words: string, edits: readonly Edit[]): Promise<boolean> {
  return edits.length > 0 && (await store.commit(words.slice(0, 120), edits))
}
const asking = ref<'rename'>()
const titleSchema = string().trim().required('a name').max(120, 'at most 120 characters')
async function add(): Promise<void> {
  const sources = all.value?.sources ?? []
  // A computer is what captions come from.
  const fill =
    sources.find(({ device }) => plan.value.models[plan.value.devices[device]!.model]!.kind === 'computer') ??
    sources[0]
  if (!fill) return
  const words = `Overlay from ${fill.name}`.slice(0, 120)
  const id = freshId(words, plan.value.overlays, Math.random)
  const order = 1 + Math.max(0, ...Object.values(plan.value.overlays).map(one => one.order))
  const done = await commit(`Add ${words}`, [
    { do: 'add', collection: 'overlays', id, value: { title: words, order, kind: 'luma', fill: fill.device } },
  ])
  if (done) chosen.value = id
}
async function rename(text: string): Promise<void> {
  asking.value = undefined
  if (row.value) await commit(`Call it ${text}`, [setEdit(['overlays', row.value.id, 'title'], text)])
}
const drop = (): void => {
  if (row.value) void commit(`Take out ${row.value.overlay.title}`, removalOf(plan.value, row.value.id))
}
const useKeyers = (): void => {
  if (keyers.value?.edits.length) void commit('Put the overlays into their keyers', keyers.value.edits)
}
function step(by: number): void {
  const rows = all.value?.rows ?? []
  const next = rows[rows.findIndex(({ id }) => id === chosen.value) + by]
  if (next) chosen.value = next.id
}

const bench = ref<InstanceType<typeof BenchView>>()
const set = ref<InstanceType<typeof KeyersView>>()
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (asking.value || bench.value?.asking || selection.dialog) return
  if (event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event)) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  // What has the focus takes its own keys first; the row that is chosen already has none.
  const on =
    event.target instanceof HTMLElement &&
    event.target.closest('button:not([role="option"][aria-selected="true"]), a, [role="slider"], summary')
  if (on && (key === ' ' || key === 'Enter' || (on.getAttribute('role') === 'slider' && key.startsWith('Arrow'))))
    return
  const moves: Record<string, (() => void) | undefined> = {
    ArrowUp: () => set.value?.nudge(0, -1),
    ArrowDown: () => set.value?.nudge(0, 1),
    ArrowLeft: () => set.value?.nudge(-1, 0),
    ArrowRight: () => set.value?.nudge(1, 0),
  }
  const acts: Record<string, (() => void) | undefined> = {
    ArrowUp: () => step(-1),
    ArrowDown: () => step(1),
    a: () => void add(),
    k: () => (view.value = view.value === 'bench' ? 'keyers' : 'bench'),
    l: useKeyers,
    r: row.value ? () => (asking.value = 'rename') : undefined,
    Delete: drop,
  }
  const move = event.shiftKey && set.value ? moves[key] : undefined
  const act = move ?? (event.shiftKey && key.startsWith('Arrow') ? undefined : acts[key])
  if (act) act()
  else if (!bench.value?.press(key, event.shiftKey) && !set.value?.press(key)) return
  event.preventDefault()
})
const base = computed(() => `/shows/${String(route.params.show)}/${String(route.params.plan)}`)
</script>

<template>
  <PlanFrame
    screen="overlays"
    :view="view"
    :foot-name="row?.overlay.title"
    :busy="asking !== undefined || bench?.asking === true"
  >
    <template #controls>
      <ViewTabs v-if="all?.rows.length" v-model="view" :views="VIEWS" />
      <span v-if="view === 'bench' && all?.rows.length" class="small quiet said"
        >{{ known }} of {{ all.rows.length }} measured on their picture</span
      >
      <span v-else-if="keyers" class="small quiet said"
        >{{ keyers.unplaced.length ? `${keyers.unplaced.length} without a keyer` : 'each has a keyer'
        }}{{ keyers.changes ? `, ${keyers.changes} changes` : '' }}{{ keyers.proven ? ', proven best' : '' }}</span
      >
      <button v-if="keyers?.edits.length" type="button" class="btn small" @click="useKeyers">
        Use the keyers in the looks <span class="key">L</span>
      </button>
    </template>
    <div v-if="!all" class="screen quiet" role="status">Reading the overlays …</div>
    <div v-else-if="all.rows.length === 0" class="screen">
      <h2>No overlay yet</h2>
      <p>
        An overlay lies over a picture: names, a score, drawn marks, a picture in a box. Say where it comes from and
        when it is used; which keyer it gets is worked out, segment by segment, and what its key does to the real
        picture of it is measured.
      </p>
      <p v-if="all.sources.length">
        <button type="button" class="btn primary" @click="add">Add an overlay</button>
      </p>
      <NuxtLink v-else class="btn primary" :to="`${base}/runs`">Add a source on Runs first</NuxtLink>
    </div>
    <div v-else class="overlays">
      <div class="side">
        <ul class="list" role="listbox" aria-label="Overlays">
          <li v-for="one in all.rows" role="none" :key="one.id">
            <button
              type="button"
              role="option"
              :aria-selected="one.id === chosen"
              :class="{ on: one.id === chosen }"
              @click="chosen = one.id"
            >
              <span class="row"
                ><span class="strong cut">{{ one.overlay.title }}</span
                ><span v-if="faults(one.id)" class="small fault"
                  >{{ faults(one.id) }} {{ faults(one.id) === 1 ? 'fault' : 'faults' }}</span
                ></span
              >
              <span class="small quiet cut">{{ one.how }}</span>
            </button>
          </li>
        </ul>
        <button type="button" class="add no-print" @click="add">Add an overlay <span class="key">A</span></button>
        <p v-if="row && keyers?.why[row.id]" class="small quiet why">{{ keyers.why[row.id] }}</p>
      </div>
      <BenchView v-if="row && view === 'bench'" ref="bench" :all="all" :row="row" :findings="findings" />
      <KeyersView
        v-else-if="row"
        ref="set"
        :all="all"
        :row="row"
        :keyers="keyers"
        :failed="failed"
        @choose="id => (chosen = id)"
        @rename="asking = 'rename'"
        @drop="drop"
      />
    </div>
    <LazyPromptDialog
      v-if="asking"
      open
      title="Rename the overlay"
      label="Its name"
      :value="row?.overlay.title ?? ''"
      :schema="titleSchema"
      hint="Such as: Names, Score, Marks of the judge."
      @done="rename"
      @close="asking = undefined"
    />
  </PlanFrame>
</template>

<style scoped>
.overlays {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 232px minmax(0, 1fr) 324px;
}
.side {
  padding: 8px;
  overflow: auto;
  border-right: 1px solid var(--border);
}
.list {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list button {
  display: block;
  width: 100%;
  padding: 6px 10px 8px;
  min-height: 52px;
  border-left: 4px solid transparent;
  border-radius: 4px;
}
.list button.on {
  background: var(--raised);
  border-left-color: var(--chosen);
}
.list .row {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.list .small {
  display: block;
}
.fault {
  color: var(--quality);
  white-space: nowrap;
}
.add {
  margin: 10px 14px 0;
  color: var(--chosen);
}
.why {
  margin: 18px 14px 0;
}
@media (max-width: 1100px) {
  .overlays {
    grid-template-columns: 200px minmax(0, 1fr);
    /* What is measured stands below the picture, and the screen scrolls. */
    grid-auto-rows: max-content;
    overflow: auto;
  }
}
</style>
