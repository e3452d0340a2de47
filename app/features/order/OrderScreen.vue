<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { number, string } from 'yup'
import { emptyPlan, freshId, setEdit, type Segment } from '#core/document'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { decimal } from '~/ui/typed'
import FindingList from '~/ui/FindingList.vue'
import SegmentPanel from './SegmentPanel.vue'
import { isTyped } from '~/ui/keys'

/** The show as its segments, and which sources each of them uses. */
const store = usePlanStore()
const selection = useBoardStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const segments = computed(() =>
  Object.entries(plan.value.segments)
    .map(([id, segment]) => ({ id, ...segment }))
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1)),
)
/** The sources of the plan, and behind them what a segment names and the plan no longer has. */
const sources = computed(() => {
  const { devices, models } = plan.value
  const there = Object.entries(devices)
    .filter(([, { model }]) => models[model]!.role === 'source')
    .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
    .map(([id, { name }]) => ({ id, name, gone: false }))
  const named = new Set(segments.value.flatMap(({ sources: used = [] }) => used))
  for (const { id } of there) named.delete(id)
  return [...there, ...[...named].filter(id => !devices[id]).map(id => ({ id, name: id, gone: true }))]
})
const findings = computed(() => (store.report?.findings ?? []).filter(({ screen }) => screen === 'order'))
const troubled = computed(
  () =>
    new Set(
      findings.value.flatMap(({ id, at, segments: held = [] }) =>
        id === 'R07' && at.on === 'use' ? held.map(segment => `${segment}/${at.source}`) : [],
      ),
    ),
)

const times = useAnswer('segmentTimes', () => [] as const)
const begins = computed(() => new Map(times.value?.rows.map(one => [one.id, one.begins])))
/** When the show is over, against the end that the brief gives. */
const ending = computed(() => {
  const { ends, over } = times.value ?? {}
  if (ends === undefined) return ''
  if (over === undefined || over === 0) return `ends ${ends}`
  return over > 0
    ? `ends ${ends}, ${over}\u00A0min after the end that the brief gives`
    : `ends ${ends}, ${-over}\u00A0min are left`
})
const minutesSchema = number().typeError('minutes').min(0.5, 'half a minute or more').max(1440, 'at most 1440 minutes')
async function lasts(segment: { readonly id: string } & Segment, words: string): Promise<void> {
  await store.commit(
    words
      ? `${segment.title} lasts ${words} min`.slice(0, 120)
      : `${segment.title} lasts as long as it does`.slice(0, 120),
    [setEdit(['segments', segment.id, 'minutes'], words ? decimal(words) : undefined)],
  )
}

const panel = useTemplateRef('panel')
const row = ref(0)
const column = ref(0)
const chosen = computed(() => segments.value[row.value])
/** A segment that was just added: it is the chosen one as soon as it is seen. */
let added: string | undefined
watch(segments, all => {
  const at = all.findIndex(({ id }) => id === added)
  if (at >= 0) added = undefined
  row.value = at >= 0 ? at : Math.max(0, Math.min(row.value, all.length - 1))
})
function focusCell(): void {
  void nextTick(() => document.getElementById(`use-${row.value}-${column.value}`)?.focus())
}

const uses = ({ sources: used }: Pick<Segment, 'sources'>, id: string): boolean => !used || used.includes(id)
async function toggle(segment: { readonly id: string } & Segment, source: string): Promise<void> {
  const used = segment.sources ?? sources.value.filter(({ gone }) => !gone).map(({ id }) => id)
  const next = used.includes(source) ? used.filter(id => id !== source) : [...used, source]
  const name = sources.value.find(({ id }) => id === source)?.name ?? source
  await store.commit(`${segment.title}: ${used.includes(source) ? 'without' : 'with'} ${name}`.slice(0, 120), [
    setEdit(['segments', segment.id, 'sources'], next),
  ])
}
async function all(segment: { readonly id: string } & Segment): Promise<void> {
  await store.commit(`${segment.title}: with everything`.slice(0, 120), [setEdit(['segments', segment.id, 'sources'])])
}

const titleSchema = string().trim().required('a name').max(120, 'at most 120 characters')
const asking = ref<'add' | 'rename'>()
async function name(title: string): Promise<void> {
  const mode = asking.value
  asking.value = undefined
  if (mode === 'rename' && chosen.value) {
    await store.commit(`Call it ${title}`.slice(0, 120), [setEdit(['segments', chosen.value.id, 'title'], title)])
  } else if (mode === 'add') {
    const order = 1 + Math.max(0, ...segments.value.map(segment => segment.order))
    const id = freshId(title, plan.value.segments, Math.random)
    const edit = { do: 'add' as const, collection: 'segments' as const, id, value: { title, order } }
    added = id
    await store.commit(`Add ${title}`.slice(0, 120), [edit])
  }
  focusCell()
}
async function remove(): Promise<void> {
  const one = chosen.value
  if (one)
    await store.commit(`Take out ${one.title}`.slice(0, 120), [{ do: 'remove', collection: 'segments', id: one.id }])
  focusCell()
}
/** Changes places with the segment before or behind. */
async function shift(by: -1 | 1): Promise<void> {
  const [one, other] = [segments.value[row.value], segments.value[row.value + by]]
  if (!one || !other) return
  const [a, b] = one.order === other.order ? [one.order, one.order + by] : [other.order, one.order]
  const title = `${one.title} ${by < 0 ? 'before' : 'behind'} ${other.title}`.slice(0, 120)
  const edits = [setEdit(['segments', one.id, 'order'], a), setEdit(['segments', other.id, 'order'], b)]
  if (await store.commit(title, edits)) row.value += by
  focusCell()
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (asking.value || selection.dialog || event.ctrlKey || event.metaKey || event.altKey) return
  if (isTyped(event)) return
  const move = (down: number, right: number) => () => {
    row.value = Math.max(0, Math.min(segments.value.length - 1, row.value + down))
    column.value = Math.max(0, Math.min(sources.value.length - 1, column.value + right))
    focusCell()
  }
  const acts: Record<string, () => void> = {
    ArrowDown: event.shiftKey ? () => void shift(1) : move(1, 0),
    ArrowUp: event.shiftKey ? () => void shift(-1) : move(-1, 0),
    ArrowLeft: move(0, -1),
    ArrowRight: move(0, 1),
    a: () => {
      asking.value = 'add'
    },
    c: () => panel.value?.addCue(),
    r: () => {
      if (chosen.value) asking.value = 'rename'
    },
    Delete: () => void remove(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
const tight = computed(() => sources.value.length > 12)
</script>

<template>
  <PlanFrame screen="order" :foot-name="chosen?.title" :busy="asking !== undefined" @opened="focusCell">
    <template #controls>
      <span v-if="segments.length" class="small quiet said"
        >{{ segments.length }} {{ segments.length === 1 ? 'segment' : 'segments' }}, {{ sources.length }} sources{{
          ending ? `; ${ending}` : ''
        }}</span
      >
      <button type="button" class="btn small" @click="asking = 'add'">Add a segment <span class="key">A</span></button>
    </template>
    <div v-if="segments.length === 0" class="screen">
      <h2>No running order yet</h2>
      <p>
        A segment is a stretch of the show with its own sources: the welcome, a talk, the prizes. Say which sources each
        uses, and what is not connected is found before the day.
      </p>
      <p><button class="btn primary" type="button" @click="asking = 'add'">Add a segment</button></p>
    </div>
    <div v-else class="order">
      <h2 class="unseen">Running order</h2>
      <div class="scroll">
        <table :class="{ tight }">
          <thead>
            <tr>
              <td class="corner" />
              <th scope="col" class="time small quiet">begins</th>
              <th scope="col" class="time small quiet">lasts, min</th>
              <th v-for="source in sources" :key="source.id" scope="col">
                <span :class="{ gone: source.gone }">{{ source.name }}</span>
              </th>
              <th scope="col" class="end"><span class="unseen">Everything</span></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(segment, i) in segments" :key="segment.id" :class="{ on: i === row }">
              <th scope="row">
                <span class="small quiet figures">{{ i + 1 }}</span>
                <button
                  type="button"
                  class="cut"
                  title="Rename"
                  @click="
                    () => {
                      row = i
                      asking = 'rename'
                    }
                  "
                >
                  {{ segment.title }}
                </button>
              </th>
              <td class="time figures">{{ begins.get(segment.id) ?? '' }}</td>
              <td class="time">
                <TypedField
                  inputmode="decimal"
                  :value="segment.minutes ?? ''"
                  :schema="minutesSchema"
                  placeholder="open"
                  :aria-label="`${segment.title} lasts, minutes`"
                  @done="text => lasts(segment, text)"
                />
              </td>
              <td v-for="(source, j) in sources" :key="source.id">
                <button
                  :id="`use-${i}-${j}`"
                  type="button"
                  class="use"
                  role="switch"
                  :aria-checked="uses(segment, source.id)"
                  :aria-label="`${segment.title}: ${source.name}${troubled.has(`${segment.id}/${source.id}`) ? ', not connected' : ''}`"
                  :tabindex="i === row && j === column ? 0 : -1"
                  :class="{
                    used: uses(segment, source.id),
                    dark: troubled.has(`${segment.id}/${source.id}`),
                  }"
                  @focus="
                    () => {
                      row = i
                      column = j
                    }
                  "
                  @click="toggle(segment, source.id)"
                />
              </td>
              <td class="end">
                <button v-if="segment.sources" type="button" class="btn plain small" @click="all(segment)">
                  Use all
                </button>
                <span v-else class="small quiet">all</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet hint">
          Lit: the segment uses it. Hatched: used, and no cable brings it to a switcher. Shift and the arrows move a
          segment.
        </p>
      </div>
      <aside v-if="chosen" :aria-label="chosen.title">
        <SegmentPanel
          :key="chosen.id"
          ref="panel"
          :plan="plan"
          :segment="chosen"
          @change="(words, edits) => void store.commit(words, edits)"
        />
        <FindingList v-if="findings.length" :findings="findings" />
      </aside>
    </div>
    <LazyPromptDialog
      v-if="asking"
      open
      :title="asking === 'add' ? 'Add a segment' : 'Rename the segment'"
      label="Its name"
      :value="asking === 'rename' ? (chosen?.title ?? '') : ''"
      :schema="titleSchema"
      hint="Such as: Welcome, First talk, Prizes."
      @done="name"
      @close="asking = undefined"
    />
  </PlanFrame>
</template>

<style scoped>
.order {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
}
.scroll {
  overflow: auto;
  padding: 0 16px 16px;
}
table {
  border-collapse: collapse;
}
thead th {
  height: 148px;
  vertical-align: bottom;
  padding: 0 0 8px;
  width: 64px;
  min-width: 44px;
  font-weight: 400;
}
thead th span {
  display: inline-block;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 136px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.tight thead th {
  width: 46px;
}
.gone {
  text-decoration: line-through;
  color: var(--dark);
}
tbody th {
  text-align: left;
  font-weight: 650;
  width: 240px;
  padding: 0 12px 0 8px;
  height: 44px;
  border-left: 3px solid transparent;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
tbody th button {
  font: inherit;
  margin-left: 12px;
  max-width: 190px;
}
thead th.time {
  width: 72px;
  text-align: left;
  padding: 0 8px 8px;
}
td.time {
  text-align: left;
  padding: 0 8px;
}
td.time :deep(input) {
  width: 60px;
  border: 1px solid var(--line);
  border-radius: 4px;
  padding: 3px 6px;
  background: transparent;
  color: var(--text);
  font-family: var(--figures);
}
tr.on th {
  border-left-color: var(--chosen);
}
td {
  text-align: center;
  border-bottom: 1px solid var(--line);
}
thead td {
  border: 0;
}
.use {
  width: 36px;
  height: 28px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.use.used {
  background: var(--light);
  border-color: var(--light);
}
.use.dark {
  background: repeating-linear-gradient(45deg, transparent 0 4px, var(--dark) 4px 6px);
  border-color: var(--dark);
}
.end {
  padding-left: 16px;
  min-width: 84px;
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
.hint {
  margin: 0;
  padding: 8px 8px 16px;
  max-width: 60ch;
}
@media (max-width: 1000px) {
  .order {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
