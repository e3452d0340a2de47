<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { number, string } from 'yup'
import { type Edit, own, setEdit } from '#core/document'
import type { NamedAt, Tiling } from '#core/features/switcher'
import { listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import ViewTabs from '~/ui/ViewTabs.vue'
import { isTyped } from '~/ui/keys'

/** One record of names over the whole chain, and the multiviews that show them. */
const store = usePlanStore()
const selection = useBoardStore()
const names = useAnswer('names', () => [] as const)
const callSchema = number()
  .typeError('a number')
  .integer('a whole number')
  .min(1, 'from 1')
  .max(99, 'up to 99')
  .transform((value: number, given: unknown) => (given === '' ? undefined : value))
const shortSchema = string().trim().max(8, 'at most 8 letters')

async function set(device: string, field: 'call' | 'short', text: string, words: string): Promise<void> {
  const value = text === '' ? undefined : field === 'call' ? Number(text) : text.trim()
  await store.commit(words.slice(0, 120), [setEdit(['devices', device, field], value as never)])
}

/** Every input that shows a source or a link, with what its label would be. */
const labels = computed<readonly NamedAt[]>(() => [
  ...(names.value?.sources.flatMap(({ at }) => at) ?? []),
  ...(names.value?.links ?? []),
])
const unlike = computed(() => labels.value.filter(({ label, long }) => long !== '' && label !== long))
async function apply(): Promise<void> {
  const edits = unlike.value.map(({ switcher, port, long }): Edit =>
    setEdit(['devices', switcher, 'ports', port, 'label'], long),
  )
  if (edits.length) await store.commit(`Name ${edits.length} ${edits.length === 1 ? 'input' : 'inputs'}`, edits)
}

const at = ref(0)
const tile = ref(0)
const tiling = computed<Tiling | undefined>(() => names.value?.tilings[at.value])
watch(names, () => {
  at.value = Math.max(0, Math.min(at.value, (names.value?.tilings.length ?? 1) - 1))
  tile.value = Math.max(0, Math.min(tile.value, (tiling.value?.tiles.length ?? 1) - 1))
})
async function place(order: readonly string[] | undefined, words: string): Promise<void> {
  const { device, port } = tiling.value!
  await store.commit(words.slice(0, 120), [setEdit(['devices', device, 'ports', port, 'tiles'], order as never)])
}
async function swap(from: number, to: number): Promise<void> {
  const { tiles = [], device = '', port = '' } = tiling.value ?? {}
  if (!tiles[from] || !tiles[to] || from === to) return
  // As the plan has it now: the next press is not to start from what stood before the last was answered.
  const said = own(own(store.plan?.devices ?? {}, device)?.ports, port)?.tiles
  const order = said?.length === tiles.length ? [...said] : tiles.map(({ id }) => id)
  ;[order[from], order[to]] = [order[to]!, order[from]!]
  tile.value = to
  const nameOf = (at: number): string => tiles.find(({ id }) => id === order[at])?.name ?? ''
  await place(order, `Multiview of ${tiling.value!.name}: ${nameOf(to)} for ${nameOf(from)}`)
}
const dragged = ref<number>()
function drop(to: number): void {
  if (dragged.value !== undefined) void swap(dragged.value, to)
  dragged.value = undefined
}
/** Two large tiles above, four in a row below them. */
function stepped(key: string): number {
  const [now, count] = [tile.value, tiling.value?.tiles.length ?? 0]
  const to =
    key === 'ArrowLeft'
      ? now - 1
      : key === 'ArrowRight'
        ? now + 1
        : key === 'ArrowDown'
          ? now < 2
            ? 2 + now * 2
            : now + 4
          : now < 2
            ? now
            : now < 6
              ? Math.floor((now - 2) / 2)
              : now - 4
  return to < 0 || to >= count ? now : to
}
const grid = ref<HTMLElement>()
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || store.state !== 'ready' || isTyped(event)) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  if (key === 'l' && !event.altKey) {
    event.preventDefault()
    void apply()
    return
  }
  if (!key.startsWith('Arrow') || !tiling.value) return
  event.preventDefault()
  const to = stepped(key)
  if (event.shiftKey) void swap(tile.value, to)
  else tile.value = to
  void nextTick(() => grid.value?.querySelector<HTMLElement>('[aria-pressed="true"]')?.focus())
})
</script>

<template>
  <div v-if="!names" class="screen quiet" role="status">Reading the names …</div>
  <div v-else-if="names.sources.length === 0" class="screen">
    <h2>No source comes to a switcher yet</h2>
    <p>Each source that does has its number here, the same over the whole chain, and its names for keys and tiles.</p>
  </div>
  <div v-else class="names">
    <section class="record" aria-label="Names of the sources" tabindex="0">
      <table>
        <thead>
          <tr>
            <th scope="col">Number</th>
            <th scope="col">Source</th>
            <th scope="col">On keys</th>
            <th scope="col">Where, and its label there</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in names.sources" :key="one.device">
            <td class="call">
              <TypedField
                class="figures"
                inputmode="numeric"
                :class="{ derived: !one.said }"
                :value="one.call"
                :schema="callSchema"
                :aria-label="`Number of ${one.name}`"
                @done="text => set(one.device, 'call', text, `${one.name} is called ${text || 'as it is wired'}`)"
              />
            </td>
            <th scope="row" class="cut">{{ one.name }}</th>
            <td class="short">
              <TypedField
                :class="{ derived: !one.shortSaid }"
                :value="one.short"
                :schema="shortSchema"
                :aria-label="`Letters of ${one.name} on keys`"
                @done="text => set(one.device, 'short', text, `${one.name} on keys: ${text || 'its first letters'}`)"
              />
            </td>
            <td>
              <span v-for="where in one.at" :key="`${where.switcher}/${where.port}`" class="where">
                {{ where.switcherName }} <b class="figures">{{ where.number }}</b>
                <span class="label" :class="{ quiet: where.label === undefined }">{{
                  where.label ?? (where.long === '' ? 'shows no names' : 'no label')
                }}</span>
                <span v-if="where.lost && where.label === where.long" class="small quiet"
                  >{{ where.lost }} letters cut</span
                >
              </span>
            </td>
          </tr>
          <tr v-for="link in names.links" :key="`${link.switcher}/${link.port}`">
            <td class="call quiet">link</td>
            <th scope="row" class="cut">{{ link.range }}</th>
            <td class="short quiet">{{ link.short }}</td>
            <td>
              <span class="where"
                >{{ link.switcherName }} <b class="figures">{{ link.number }}</b>
                <span class="label" :class="{ quiet: link.label === undefined }">{{
                  link.label ?? 'no label'
                }}</span></span
              >
            </td>
          </tr>
        </tbody>
      </table>
      <p class="foot">
        <button class="btn" type="button" :disabled="unlike.length === 0" @click="apply">
          {{
            unlike.length === 0
              ? 'All labels are so'
              : `Label ${unlike.length} ${unlike.length === 1 ? 'input' : 'inputs'} so`
          }}
          <span class="key">L</span>
        </button>
        <span class="small quiet"
          >A number in grey follows from the wiring; empty a field to let it follow again. In a rehearsal the figure
          keys are these numbers.</span
        >
      </p>
    </section>
    <section class="views" aria-label="Multiviews">
      <h2>Multiview</h2>
      <p v-if="!tiling" class="quiet">No output carries a multiview.</p>
      <template v-else>
        <ViewTabs
          v-if="names.tilings.length > 1"
          :model-value="String(at)"
          :views="Object.fromEntries(names.tilings.map(({ name, title }, i) => [String(i), `${name}, ${title}`]))"
          label="Multiviews"
          @update:model-value="value => (at = Number(value))"
        />
        <p class="small quiet">
          {{ tiling.name }}, {{ tiling.title
          }}{{ tiling.to.length ? `, seen at ${listWords(tiling.to)}` : ', which nobody sees' }}
        </p>
        <div ref="grid" class="grid" role="group" :aria-label="`Tiles of ${tiling.name}`">
          <button
            v-for="(one, i) in tiling.tiles"
            :key="one.id"
            type="button"
            draggable="true"
            class="pane"
            :class="{ large: i < 2, unlit: !one.lit, target: dragged !== undefined && dragged !== i }"
            :aria-pressed="i === tile"
            @click="tile = i"
            @dragstart="dragged = i"
            @dragend="dragged = undefined"
            @dragover.prevent
            @drop.prevent="drop(i)"
          >
            <span class="cut">{{ one.name }}</span>
          </button>
        </div>
        <p class="small quiet">
          Drag a tile onto another, or <span class="key">Shift</span> and an arrow, to change their places.
          <button
            v-if="tiling.said"
            type="button"
            class="btn small"
            @click="place(undefined, `Multiview of ${tiling.name} as it comes`)"
          >
            As it comes
          </button>
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.names {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 420px;
}
.record {
  overflow: auto;
  padding: 8px 16px 24px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
thead th {
  text-align: left;
  color: var(--quiet);
  font-weight: 400;
  padding: 6px 8px;
  border-bottom: 1px solid var(--border);
}
tbody td,
tbody th {
  padding: 4px 8px;
  border-bottom: 1px solid var(--line);
  text-align: left;
  font-weight: 400;
  vertical-align: middle;
}
tbody th {
  font-weight: 650;
  max-width: 220px;
}
.call {
  width: 72px;
}
.call :deep(input),
.short :deep(input) {
  width: 56px;
  font-weight: 650;
}
.short {
  width: 90px;
}
.short :deep(input) {
  width: 76px;
}
.derived,
:deep(.derived) {
  color: var(--quiet);
  font-weight: 400;
}
.where {
  display: inline-flex;
  gap: 6px;
  align-items: baseline;
  margin-right: 18px;
  white-space: nowrap;
}
.label {
  border-bottom: 1px dotted var(--line);
}
.foot {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-top: 14px;
}
.views {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 4px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 4px;
  background: var(--ground);
  padding: 4px;
  border: 1px solid var(--border);
}
.pane {
  aspect-ratio: 16 / 9;
  min-height: 44px;
  display: flex;
  align-items: flex-end;
  justify-content: center;
  padding: 0 4px 3px;
  border: 1px solid var(--line);
  background: var(--raised);
  font-size: 12px;
  overflow: hidden;
  cursor: grab;
}
.pane.large {
  grid-column: span 2;
  font-size: 14px;
}
.pane.unlit {
  color: var(--quiet);
  border-style: dashed;
  background: none;
}
.pane[aria-pressed='true'] {
  outline: 2px solid var(--chosen);
  outline-offset: -2px;
}
.pane.target {
  border-color: var(--chosen);
}
@media (max-width: 1100px) {
  .names {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  .record,
  .views {
    overflow: visible;
  }
  .views {
    border-left: 0;
    border-top: 1px solid var(--border);
  }
}
</style>
