<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { string } from 'yup'
import { BLACK, type Edit, emptyPlan, freshId, setEdit } from '#core/document'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import LookPanel from './LookPanel.vue'
import FindingList from '~/ui/FindingList.vue'
import SeenPicture from '~/ui/SeenPicture.vue'
import { dropEdits, instantName, lookEdits, momentEdits } from '~/plan/looks'
import { isTyped } from '~/ui/keys'
import { useMoments } from '~/ui/moments'

/** Who sees what, by picture: audiences against the moments of the show; the chosen one's look is set beside it. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const seen = useAnswer('whoSees', () => [] as const)

const row = ref(0)
const column = ref(0)
watch(
  seen,
  now => {
    if (!now) return
    row.value = Math.max(0, Math.min(row.value, now.audiences.length - 1))
    column.value = Math.max(0, Math.min(column.value, now.instants.length - 1))
  },
  { immediate: true },
)
// A finding leads to the first moment of its look.
watch(
  [() => route.query.at, seen] as const,
  ([key, now]) => {
    const finding = store.report?.findings.find(one => one.key === key)
    const found =
      finding?.at.on === 'look'
        ? now?.instants.findIndex(one => one.look === (finding.at as { look: string }).look)
        : -1
    if (found !== undefined && found >= 0) column.value = found
  },
  { once: true },
)
const audience = computed(() => seen.value?.audiences[row.value])
const instant = computed(() => seen.value?.instants[column.value])
const cell = computed(() => seen.value?.cells[row.value]?.[column.value])
const look = computed(() => (instant.value?.look === undefined ? undefined : plan.value.looks[instant.value.look]))
/** Other moments that take the same look: what is changed here is changed there. */
const shared = computed(() =>
  instant.value?.look === undefined
    ? []
    : (seen.value?.instants ?? []).filter(one => one !== instant.value && one.look === instant.value!.look),
)
const findings = computed(() => {
  const lit = new Set(Object.values(instant.value?.mixers ?? {}).flatMap(({ keys }) => Object.values(keys)))
  const mine = (store.report?.findings ?? []).filter(
    ({ screen, at }) => screen === 'outputs' || (at.on === 'overlay' && lit.has(at.overlay)),
  )
  const here = (one: (typeof mine)[number]) =>
    (one.at.on === 'look' && one.at.look === instant.value?.look) || one.at.on === 'overlay'
  return [...mine.filter(here), ...mine.filter(one => !here(one))]
})
const { shown, groups, narrow } = useMoments(() => seen.value?.instants ?? [], column)

const table = ref<HTMLElement>()
const { width } = useElementSize(table)
/** As large as the room allows, between what can be read and what fits beside others. */
const cellWidth = computed(() => {
  const columns = Math.max(1, shown.value.length)
  return Math.round(Math.max(narrow.value ? 96 : 152, Math.min(260, (width.value - 190) / columns - 21)))
})

function focusCell(): void {
  void nextTick(() => {
    const cell = document.getElementById(`seen-${row.value}-${column.value}`)
    cell?.focus({ preventScroll: true })
    cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  })
}
async function commit(words: string, edits: Edit[]): Promise<boolean> {
  return edits.length > 0 && (await store.commit(words.slice(0, 120), edits))
}
const set = (at: readonly string[], value: unknown, words: string): void => {
  if (instant.value) void commit(words, lookEdits(plan.value, instant.value, at, value))
}

const asking = ref<'add' | 'rename'>()
const titleSchema = string().trim().required('a name').max(120, 'at most 120 characters')
async function named(title: string): Promise<void> {
  const mode = asking.value
  asking.value = undefined
  const one = instant.value
  if (!one) return
  if (mode === 'rename' && one.look !== undefined)
    await commit(`Call it ${title}`, [setEdit(['looks', one.look, 'title'], title)])
  else if (mode === 'add' && one.segment !== undefined) {
    if (await commit(`Add ${title}`, momentEdits(plan.value, one, title))) column.value++
  }
  focusCell()
}
/** The first segment of a plan that has none: looks belong to the running order. */
const firstSegment = (): void =>
  void commit('Begin a running order', [
    {
      do: 'add',
      collection: 'segments',
      id: freshId('the-show', plan.value.segments, Math.random),
      value: { title: 'The show', order: 1 },
    },
  ])
function add(): void {
  if (instant.value?.segment === undefined) firstSegment()
  else asking.value = 'add'
}
async function drop(): Promise<void> {
  const one = instant.value
  if (one) await commit(`Take out ${instantName(one)}`, dropEdits(plan.value, one))
  focusCell()
}
/** A figure puts the input of that number on air at the switcher that this audience sees. */
function onAir(figure: number): void {
  const device = audience.value?.through[0]
  const mixer = seen.value?.mixers.find(one => one.device === device)
  if (!mixer || device === undefined) return
  const port = figure === 0 ? BLACK : mixer.inputs[figure - 1]?.port
  if (port === undefined) return
  set(
    ['program', device],
    port,
    figure === 0 ? `${mixer.name} shows black` : `${mixer.name} shows ${mixer.inputs[figure - 1]!.name}`,
  )
}
function takeLook(event: Event): void {
  const id = (event.target as HTMLSelectElement).value || undefined
  const one = instant.value
  if (!one?.segment) return
  const title = id === undefined ? 'as before' : plan.value.looks[id]!.title
  void commit(`${instantName(one)}: ${title}`, [
    one.cue === undefined ? setEdit(['segments', one.segment, 'opens'], id) : setEdit(['cues', one.cue, 'look'], id),
  ])
}
const looks = computed(() =>
  Object.entries(plan.value.looks).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1)),
)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (asking.value || selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready')
    return
  if (isTyped(event)) return
  const move = (down: number, right: number) => () => {
    row.value = Math.max(0, Math.min((seen.value?.audiences.length ?? 1) - 1, row.value + down))
    column.value = Math.max(0, Math.min((seen.value?.instants.length ?? 1) - 1, column.value + right))
    focusCell()
  }
  const figure = /^\d$/.test(event.key) ? () => onAir(Number(event.key)) : undefined
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: move(1, 0),
    ArrowUp: move(-1, 0),
    ArrowLeft: move(0, -1),
    ArrowRight: move(0, 1),
    a: add,
    r: look.value ? () => (asking.value = 'rename') : undefined,
    Delete: () => void drop(),
  }
  const act = figure ?? acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act || !seen.value?.audiences.length) return
  event.preventDefault()
  act()
})
const base = computed(() => `/shows/${String(route.params.show)}/${String(route.params.plan)}`)
</script>

<template>
  <PlanFrame
    screen="outputs"
    :foot-name="instant && audience ? `${audience.name}, ${instantName(instant)}` : undefined"
    :busy="asking !== undefined"
    @opened="focusCell"
  >
    <template #controls>
      <span v-if="seen?.audiences.length" class="small quiet said"
        >{{ seen.audiences.length }} {{ seen.audiences.length === 1 ? 'audience' : 'audiences' }},
        {{ seen.instants.length }} {{ seen.instants.length === 1 ? 'moment' : 'moments' }}</span
      >
      <button v-if="seen?.audiences.length" type="button" class="btn small" @click="add">
        {{ instant?.segment === undefined ? 'Begin a running order' : 'Add a moment' }} <span class="key">A</span>
      </button>
    </template>
    <div v-if="!seen" class="screen quiet" role="status">Drawing who sees what …</div>
    <div v-else-if="seen.audiences.length === 0" class="screen">
      <h2>Nobody sees anything yet</h2>
      <p>
        Once a cable leads to a screen, a recorder or a stream, this shows the picture that each of them gets, moment by
        moment of the show.
      </p>
      <NuxtLink class="btn primary" :to="`${base}/runs`">Connect one on Runs</NuxtLink>
    </div>
    <div v-else class="outputs">
      <div ref="table" class="scroll">
        <table>
          <thead>
            <tr>
              <td />
              <th v-for="(group, i) in groups" :key="i" :colspan="group.count" scope="colgroup" class="segment">
                <span class="cut" :style="{ maxWidth: `${group.count * (cellWidth + 12) - 12}px` }">{{
                  group.title
                }}</span>
              </th>
            </tr>
            <tr v-if="seen.instants.some(({ segment }) => segment !== undefined)">
              <td />
              <th v-for="j in shown" :key="j" scope="col" :class="{ on: j === column }">
                <span class="cut small" :style="{ maxWidth: `${cellWidth}px` }"
                  >{{ seen.instants[j]!.title
                  }}<span
                    v-if="seen.instants[j]!.lookTitle && seen.instants[j]!.lookTitle !== seen.instants[j]!.title"
                    class="quiet"
                  >
                    · {{ seen.instants[j]!.lookTitle }}</span
                  ></span
                >
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, i) in seen.audiences" :key="`${one.device}/${one.port}`">
              <th scope="row" :class="{ on: i === row }">
                <span class="name">{{ one.name }}</span>
                <span class="small quiet">{{
                  one.wanted ? `sees ${one.wanted}` : one.feed ? `gets ${one.feed}, nobody asks for it` : 'one source'
                }}</span>
              </th>
              <td v-for="j in shown" :key="j">
                <button
                  :id="`seen-${i}-${j}`"
                  type="button"
                  class="cell"
                  :class="{ picked: i === row && j === column, dark: seen.cells[i]![j]!.dark }"
                  :aria-pressed="i === row && j === column"
                  :tabindex="i === row && j === column ? 0 : -1"
                  @click="((row = i), (column = j))"
                >
                  <SeenPicture
                    :picture="seen.pictures[seen.cells[i]![j]!.picture]!"
                    :scenes="seen.scenes"
                    :width="cellWidth"
                    :label="`${one.name}, ${instantName(seen.instants[j]!)}: ${seen.cells[i]![j]!.words}`"
                  />
                  <span class="cut small" :style="{ maxWidth: `${cellWidth}px` }">{{ seen.cells[i]![j]!.words }}</span>
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <aside v-if="audience && instant && cell" :aria-label="`What ${audience.name} sees`">
        <SeenPicture
          :picture="seen.pictures[cell.picture]!"
          :scenes="seen.scenes"
          :width="304"
          first
          :label="`${audience.name} sees ${cell.words}`"
        />
        <h2>{{ audience.name }}</h2>
        <p class="quiet small">{{ instantName(instant) }}. {{ cell.words }}.</p>
        <template v-if="instant.segment !== undefined">
          <label class="look">
            <span class="quiet">Look</span>
            <select class="pick" :value="instant.look ?? ''" @change="takeLook">
              <option value="">{{ instant.cue === undefined ? 'as the one before ended' : 'none' }}</option>
              <option v-for="[id, one] in looks" :key="id" :value="id">{{ one.title }}</option>
            </select>
          </label>
          <p v-if="shared.length" class="small quiet">
            Also taken at {{ shared.map(instantName).join(', ') }}: what is changed here is changed there.
          </p>
          <LookPanel :plan="plan" :seen="seen" :audience="audience" :instant="instant" @set="set" />
        </template>
        <template v-else>
          <p>
            This is the picture as the plan stands, before anything is switched. Looks belong to the running order: each
            segment opens in one, and its cues lead to others.
          </p>
          <button type="button" class="btn primary" @click="firstSegment">Begin a running order</button>
        </template>
        <FindingList v-if="findings.length" :findings="findings" />
      </aside>
    </div>
    <LazyPromptDialog
      v-if="asking"
      open
      :title="asking === 'add' ? 'Add a moment' : 'Rename the look'"
      label="Its name"
      :value="asking === 'rename' ? (look?.title ?? '') : ''"
      :schema="titleSchema"
      hint="Such as: Names on, Close-up, Film, Back to the wide."
      @done="named"
      @close="((asking = undefined), focusCell())"
    />
  </PlanFrame>
</template>

<style scoped>
.outputs {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
}
.scroll {
  overflow: auto;
  padding: 8px 8px 24px 16px;
}
table {
  border-collapse: collapse;
}
thead {
  position: sticky;
  top: -8px;
  background: var(--ground);
  z-index: 1;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 2px 6px;
  vertical-align: bottom;
}
th .cut {
  display: block;
}
.segment {
  font-weight: 650;
  border-bottom: 1px solid var(--line);
  border-left: 6px solid var(--ground);
}
th.on {
  color: var(--chosen);
}
tbody th {
  vertical-align: middle;
  width: 138px;
  min-width: 138px;
  position: sticky;
  left: -16px;
  background: var(--ground);
  padding-left: 16px;
  margin-left: -16px;
}
tbody th .name {
  display: block;
  font-weight: 650;
  color: var(--text);
}
tbody th.on .name {
  color: var(--chosen);
}
td {
  padding: 6px;
}
.cell {
  display: block;
  scroll-margin: 64px 12px 12px 160px;
  padding: 3px;
  border: 1px solid transparent;
  border-radius: 5px;
}
.cell.picked {
  border-color: var(--chosen);
  box-shadow: 0 0 0 1px var(--chosen);
}
.cell .cut {
  display: block;
  padding: 2px 2px 0;
}
.cell.dark .cut {
  color: var(--dark);
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 10px 0 0;
}
aside p {
  margin: 0 0 8px;
}
.look {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
}
@media (max-width: 1000px) {
  .outputs {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  .scroll {
    overflow: auto;
  }
  aside {
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
