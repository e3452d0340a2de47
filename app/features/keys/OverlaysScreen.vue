<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import { number, string } from 'yup'
import { type Box, type Edit, type Overlay, emptyPlan, freshId, setEdit } from '#core/document'
import type { Place } from '#core/features/keys'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import FindingList from '~/ui/FindingList.vue'
import SeenPicture from '~/ui/SeenPicture.vue'
import { decimal } from '~/ui/typed'
import { type Seeking, seekKeyers } from '~/workers/solver'
import { isTyped } from '~/ui/keys'

/** What is laid over pictures: its source, how it is cut out, where it lies, when, and which keyer it gets. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const all = useAnswer('overlays', () => [] as const)

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
const row = computed(() => all.value?.rows.find(({ id }) => id === chosen.value))
const findings = computed(() =>
  (store.report?.findings ?? []).filter(({ at }) => at.on === 'overlay' && at.overlay === chosen.value),
)
const faults = (id: string): number =>
  (store.report?.findings ?? []).filter(
    ({ at, severity }) => at.on === 'overlay' && at.overlay === id && severity !== 'N',
  ).length

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

const placeIn = (device: string, keyer: number, segment: string | undefined): readonly Place[] =>
  keyers.value?.places.filter(one => one.device === device && one.keyer === keyer && one.segment === segment) ?? []
const title = (id: string): string => plan.value.overlays[id]?.title ?? id
const columns = computed<{ id: string | undefined; title: string }[]>(() =>
  all.value?.segments.length ? [...all.value.segments] : [{ id: undefined, title: 'the show' }],
)

const stage = ref<HTMLElement>()
const { width } = useElementSize(stage)
const pictureWidth = computed(() => Math.max(240, Math.min(704, Math.floor(width.value) - 16)))

const KINDS = {
  luma: 'its own brightness',
  linear: 'a key signal',
  chroma: 'a colour',
  pattern: 'a shape',
  box: 'a box',
} as const
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
async function commit(words: string, edits: readonly Edit[]): Promise<boolean> {
  return edits.length > 0 && (await store.commit(words.slice(0, 120), edits))
}
const set = (field: keyof Overlay, value: unknown, words: string): void =>
  void commit(words, [
    setEdit(['overlays', chosen.value!, field] as never, (value === '' ? undefined : value) as never),
  ])

const shareSchema = number().typeError('a share of the picture in %').min(0, '0 % or more').max(100, 'at most 100 %')
const SIDES = [
  ['x', 'Left'],
  ['y', 'Top'],
  ['w', 'Width'],
  ['h', 'Height'],
] as const
const WHOLE: Box = { x: 0, y: 0, w: 1, h: 1 }
const percent = (value: number): number => Number((value * 100).toFixed(2))
/** The box within the picture: what would stick out is pushed back. */
function within({ x, y, w, h }: Box): Box {
  const [width, height] = [Math.min(1, Math.max(0.01, w)), Math.min(1, Math.max(0.01, h))]
  const round = (value: number) => Number(value.toFixed(4))
  return {
    x: round(Math.min(1 - width, Math.max(0, x))),
    y: round(Math.min(1 - height, Math.max(0, y))),
    w: round(width),
    h: round(height),
  }
}
function side(which: keyof Box, text: string): void {
  const box = row.value!.overlay.box ?? WHOLE
  set('box', within({ ...box, [which]: decimal(text) / 100 }), `${row.value!.overlay.title}: ${text} %`)
}
function nudge(dx: number, dy: number): void {
  const box = row.value?.overlay.box
  if (!box) return
  set('box', within({ ...box, x: box.x + dx / 100, y: box.y + dy / 100 }), `Move ${row.value!.overlay.title}`)
}
const CORNER: Box = { x: 0.68, y: 0.06, w: 0.27, h: 0.27 }
function toggleBox(): void {
  set(
    'box',
    row.value!.overlay.box ? undefined : CORNER,
    row.value!.overlay.box ? 'Over the whole picture' : 'In a box',
  )
}
function inSegment(id: string): void {
  const { overlay } = row.value!
  const now = overlay.segments ?? all.value!.segments.map(one => one.id)
  const next = now.includes(id) ? now.filter(other => other !== id) : [...now, id]
  const every = all.value!.segments.every(one => next.includes(one.id))
  set(
    'segments',
    every ? undefined : next,
    `${overlay.title} ${now.includes(id) ? 'not in' : 'in'} ${plan.value.segments[id]?.title ?? id}`,
  )
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
  if (row.value) set('title', text, `Call it ${text}`)
}
const drop = (): void => {
  if (row.value)
    void commit(`Take out ${row.value.overlay.title}`, [{ do: 'remove', collection: 'overlays', id: row.value.id }])
}
const useKeyers = (): void => {
  if (keyers.value?.edits.length) void commit('Put the overlays into their keyers', keyers.value.edits)
}
function step(by: number): void {
  const rows = all.value?.rows ?? []
  const next = rows[rows.findIndex(({ id }) => id === chosen.value) + by]
  if (next) chosen.value = next.id
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (asking.value || selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready')
    return
  if (isTyped(event)) return
  const acts: Record<string, (() => void) | undefined> = event.shiftKey
    ? {
        ArrowUp: () => nudge(0, -1),
        ArrowDown: () => nudge(0, 1),
        ArrowLeft: () => nudge(-1, 0),
        ArrowRight: () => nudge(1, 0),
      }
    : {
        ArrowUp: () => step(-1),
        ArrowDown: () => step(1),
        a: () => void add(),
        l: useKeyers,
        r: row.value ? () => (asking.value = 'rename') : undefined,
        Delete: drop,
      }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
const base = computed(() => `/shows/${String(route.params.show)}/${String(route.params.plan)}`)
</script>

<template>
  <PlanFrame screen="overlays" :foot-name="row?.overlay.title" :busy="asking !== undefined">
    <template #controls>
      <span v-if="keyers" class="small quiet said"
        >{{ keyers.unplaced.length ? `${keyers.unplaced.length} without a keyer` : 'each has a keyer'
        }}{{ keyers.changes ? `, ${keyers.changes} changes` : '' }}{{ keyers.proven ? ', proven best' : '' }}</span
      >
      <button v-if="keyers?.edits.length" type="button" class="btn small" @click="useKeyers">
        Use the keyers in the looks <span class="key">L</span>
      </button>
      <button v-if="all?.rows.length" type="button" class="btn small" @click="add">
        Add an overlay <span class="key">A</span>
      </button>
    </template>
    <div v-if="!all" class="screen quiet" role="status">Reading the overlays …</div>
    <div v-else-if="all.rows.length === 0" class="screen">
      <h2>No overlay yet</h2>
      <p>
        An overlay lies over a picture: names, a score, drawn marks, a picture in a box. Say where it comes from and
        when it is used; which keyer it gets is worked out, segment by segment.
      </p>
      <p v-if="all.sources.length">
        <button type="button" class="btn primary" @click="add">Add an overlay</button>
      </p>
      <NuxtLink v-else class="btn primary" :to="`${base}/runs`">Add a source on Runs first</NuxtLink>
    </div>
    <div v-else class="overlays">
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
      <section ref="stage" class="stage" tabindex="0" :aria-label="row?.overlay.title">
        <template v-if="row">
          <SeenPicture
            :picture="row.picture"
            :scenes="all.scenes"
            :width="pictureWidth"
            :label="`${row.overlay.title} over a picture`"
          />
          <p class="small quiet under">
            {{ row.overlay.title }} as
            {{ all.switchers.find(({ device }) => device === row!.switcher)?.name ?? 'no switcher' }}
            would show it, over a test picture.
          </p>
          <p v-if="keyers?.why[row.id]" class="why">{{ keyers.why[row.id] }}</p>
          <p v-else-if="failed" class="quiet" role="alert">The keyers could not be worked out: {{ failed }}</p>
          <p v-else-if="!keyers" class="quiet" role="status">Working out which keyer it gets …</p>
        </template>
        <div
          v-for="switcher in all.switchers.filter(
            one =>
              one.keyers.some((_, i) => columns.some(({ id }) => placeIn(one.device, i + 1, id).length)) ||
              one.device === row?.switcher,
          )"
          :key="switcher.device"
          class="keyers"
        >
          <table>
            <thead>
              <tr>
                <th scope="col">Keyers of {{ switcher.name }}</th>
                <th v-for="column in columns" :key="column.id ?? ''" scope="col" class="small">{{ column.title }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(keyer, i) in switcher.keyers" :key="i">
                <th scope="row">
                  {{ keyer.title }}<span class="small quiet words">{{ keyer.words }}</span>
                </th>
                <td v-for="column in columns" :key="column.id ?? ''">
                  <button
                    v-for="place in placeIn(switcher.device, i + 1, column.id)"
                    :key="place.overlay"
                    type="button"
                    class="placed cut"
                    :class="{ on: place.overlay === chosen }"
                    @click="chosen = place.overlay"
                  >
                    {{ title(place.overlay) }}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <aside v-if="row" :aria-label="`Settings of ${row.overlay.title}`">
        <h2>{{ row.overlay.title }}</h2>
        <div class="fields">
          <label
            ><span>Shows</span>
            <select
              class="pick"
              :value="row.overlay.fill"
              @change="
                event => set('fill', valueIn(event), `${row!.overlay.title} from ${plan.devices[valueIn(event)]?.name}`)
              "
            >
              <option v-for="one in all.sources" :key="one.device" :value="one.device">{{ one.name }}</option>
              <option v-if="!plan.devices[row.overlay.fill]" :value="row.overlay.fill">
                {{ row.overlay.fill }}, gone
              </option>
            </select></label
          >
          <label
            ><span>Cut out by</span>
            <select
              class="pick"
              :value="row.overlay.kind"
              @change="
                event =>
                  set('kind', valueIn(event), `${row!.overlay.title} by ${KINDS[valueIn(event) as keyof typeof KINDS]}`)
              "
            >
              <option v-for="(words, kind) in KINDS" :key="kind" :value="kind">{{ words }}</option>
            </select></label
          >
          <label v-if="row.overlay.kind === 'linear'"
            ><span>Key signal</span>
            <select
              class="pick"
              :value="row.overlay.key ?? ''"
              @change="event => set('key', valueIn(event), 'Its key signal')"
            >
              <option value="">of the same source</option>
              <option v-for="one in all.sources" :key="one.device" :value="one.device">{{ one.name }}</option>
            </select></label
          >
          <label
            ><span>Lies over</span>
            <select
              class="pick"
              :value="row.overlay.over ?? ''"
              @change="
                event =>
                  set(
                    'over',
                    valueIn(event),
                    `${row!.overlay.title} over ${plan.devices[valueIn(event)]?.name ?? 'everything'}`,
                  )
              "
            >
              <option value="">everything</option>
              <option v-for="one in all.switchers" :key="one.device" :value="one.device">
                the pictures of {{ one.name }}
              </option>
            </select></label
          >
          <label class="check"
            ><input type="checkbox" :checked="row.overlay.box !== undefined" @change="toggleBox" />
            {{ row.overlay.kind === 'box' ? 'stands where I say' : 'only a part of the picture' }}</label
          >
          <div v-if="row.overlay.box" class="sides">
            <label v-for="[which, words] in SIDES" :key="which"
              ><span class="small quiet">{{ words }}, %</span>
              <TypedField
                inputmode="decimal"
                :value="percent(row.overlay.box[which])"
                :schema="shareSchema"
                needs="a share"
                :aria-label="`${words}, %`"
                @done="text => side(which, text)"
            /></label>
          </div>
        </div>
        <template v-if="all.segments.length">
          <h3>Used in</h3>
          <label v-for="segment in all.segments" :key="segment.id" class="check"
            ><input
              type="checkbox"
              :checked="!row.overlay.segments || row.overlay.segments.includes(segment.id)"
              @change="inSegment(segment.id)"
            />
            {{ segment.title }}</label
          >
        </template>
        <FindingList v-if="findings.length" :findings="findings" />
        <p class="ends">
          <button type="button" class="btn small" @click="asking = 'rename'">Rename <span class="key">R</span></button>
          <button type="button" class="btn small" @click="drop">Take out <span class="key">Del</span></button>
        </p>
      </aside>
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
.list {
  list-style: none;
  margin: 0;
  padding: 8px;
  overflow: auto;
  border-right: 1px solid var(--border);
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
.stage {
  overflow: auto;
  padding: 8px;
}
.under {
  margin: 6px 0 0;
}
.why {
  margin: 6px 0 0;
}
.keyers {
  margin-top: 14px;
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 650;
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
thead th.small {
  font-weight: 400;
}
tbody th {
  font-weight: 400;
  min-width: 150px;
}
tbody tr {
  border-top: 1px solid var(--line);
}
.words {
  display: block;
}
td {
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
.placed {
  display: block;
  max-width: 160px;
  border: 1px solid var(--border);
  border-left: 4px solid var(--light);
  border-radius: 4px;
  padding: 3px 8px;
  font-size: 13px;
}
.placed.on {
  border-color: var(--chosen);
  border-left-color: var(--light);
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
.fields > label:not(.check) {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.fields > label > span {
  color: var(--quiet);
}
.fields .pick {
  width: 100%;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.sides {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 6px;
}
.ends {
  display: flex;
  gap: 8px;
  margin: 16px 0 0;
}
@media (max-width: 1100px) {
  .overlays {
    grid-template-columns: 200px minmax(0, 1fr);
    overflow: auto;
  }
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
