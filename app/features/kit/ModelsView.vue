<script setup lang="ts">
import Papa from 'papaparse'
import { computed, ref, watch } from 'vue'
import {
  KINDS,
  MODELS,
  type Model,
  PORT_COLUMNS,
  bodyOf,
  inletOf,
  inrushOf,
  type PortRow,
  ROLES,
  portRows,
  portsOfRows,
} from '#core/catalog'
import { type Edit, applyEdits, freshId, problemText, setEdit, slug, validatorsReady } from '#core/document'

import { useNotices } from '~/shell/notices'
import { saveFile } from '~/ui/save-file'
import { usePlanStore } from '~/plan/store'
import { decimal, priceSchema, volumeSchema, wattsSchema, weightSchema } from '~/ui/typed'
import ModelMains from './ModelMains.vue'

/** The models that this plan knows: those of the catalogue as they are, one's own to be changed. */
const props = defineProps<{ filter: string }>()
const store = usePlanStore()
const notices = useNotices()
const plan = computed(() => store.plan!)
const chosen = ref<string>()
const text = ref('')
const wrong = ref<string>()

const inUse = computed(() => new Set(Object.values(plan.value.devices).map(({ model }) => model)))
const rows = computed(() => {
  const words = props.filter.toLowerCase().split(/\s+/).filter(Boolean)
  const fits = ({ title }: Model) => words.every(word => title.toLowerCase().includes(word))
  const here = Object.entries(plan.value.models)
  const known = new Set(here.map(([, { from }]) => from))
  return [
    { title: 'Your own', models: here.filter(([, model]) => !model.from && fits(model)) },
    { title: 'In this plan, from the catalogue', models: here.filter(([, model]) => model.from && fits(model)) },
    {
      title: 'Catalogue',
      models: [...MODELS]
        .filter(([, model]) => !known.has(model.from) && fits(model))
        .map(([id, model]): [string, Model] => [`builtin:${id}`, model]),
    },
  ].filter(({ models }) => models.length)
})
const model = computed<Model | undefined>(() =>
  chosen.value?.startsWith('builtin:')
    ? MODELS.get(chosen.value.slice(8))
    : chosen.value === undefined
      ? undefined
      : plan.value.models[chosen.value],
)
const isOwn = computed(() => model.value !== undefined && !model.value.from && chosen.value !== undefined)
/** The ports, alike neighbours on one row: "SDI in 1 to 12". */
const table = computed(() => {
  const groups: { first: PortRow; last: PortRow }[] = []
  const alike = ({ port: _p, title: _t, number: _n, ...rest }: PortRow) => JSON.stringify(rest)
  for (const row of model.value ? portRows(model.value) : []) {
    const before = groups.at(-1)
    if (before && row.number && alike(before.last) === alike(row)) before.last = row
    else groups.push({ first: row, last: row })
  }
  return groups.map(({ first, last }) => ({
    ...first,
    ...(first === last ? {} : { title: `${first.title} to ${last.number}`, port: `${first.port} to ${last.port}` }),
  }))
})
watch(
  rows,
  ([first]) => {
    if (chosen.value === undefined && first) chosen.value = first.models[0]![0]
  },
  { immediate: true },
)
// By its text: a plan that comes back from the server alike must not take away what is being written.
watch(
  () => (model.value ? JSON.stringify(model.value, null, 2) : ''),
  now => {
    text.value = now
    wrong.value = undefined
  },
  { immediate: true },
)

/** Takes a changed model as a whole; what is wrong is told with its place, and nothing is taken then. */
async function take(value: object, words: string): Promise<boolean> {
  const id = chosen.value
  if (id === undefined || !isOwn.value) return false
  if (value === null || typeof value !== 'object' || Array.isArray(value)) {
    wrong.value = 'A model is one JSON object.'
    return false
  }
  const [before, after] = [model.value as unknown as Record<string, unknown>, value as Record<string, unknown>]
  const edits = [...new Set([...Object.keys(before), ...Object.keys(after)])]
    .filter(key => JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map(key => setEdit(['models', id, key as keyof Model], after[key] as never))
  if (edits.length === 0) return true
  await validatorsReady()
  const tried = applyEdits(plan.value, edits)
  if (!tried.ok) {
    wrong.value = problemText(tried.problem)
    return false
  }
  wrong.value = undefined
  return store.commit(words, edits)
}
async function takeText(): Promise<void> {
  try {
    await take(JSON.parse(text.value) as object, `Change ${model.value!.title}`.slice(0, 120))
  } catch (error) {
    wrong.value = `This is no JSON: ${(error as Error).message}`
  }
}
async function field(
  name: 'title' | 'short' | 'watts' | 'mostWatts' | 'grams' | 'litres' | 'priceMinor' | 'supply' | 'kind',
  value: string,
): Promise<void> {
  const { [name]: _, ...rest } = model.value!
  // As it is typed, times what one of it is in the model; words stay words.
  const times = { watts: 1, mostWatts: 1, litres: 1, grams: 1000, priceMinor: 100 }[name as 'watts']
  const typed = times === undefined ? value : times === 1 ? decimal(value) : Math.round(decimal(value) * times)
  await take(
    value === '' ? rest : { ...rest, [name]: typed },
    `${model.value!.title}: ${name === 'priceMinor' ? 'price' : name}`.slice(0, 120),
  )
}

const bodyOnly = (of: Model): Partial<Model> => {
  const { grams, litres, mostWatts, warm, unswitched, dc } = bodyOf(of)
  const [inlet, inrush] = [inletOf(of), inrushOf(of)]
  return Object.fromEntries(
    Object.entries({ grams, litres, mostWatts, warm, unswitched, dc, inlet, inrush }).filter(
      ([, known]) => known !== undefined,
    ),
  )
}
async function duplicate(): Promise<void> {
  if (!model.value) return
  // What the row says of its body stays with the copy, which has no row to look it up in.
  const { from: _, ...rest } = { ...model.value, ...bodyOnly(model.value) }
  const title = `${rest.title}, own`.slice(0, 120)
  const id = freshId(slug(title).slice(0, 50), plan.value.models, Math.random)
  if (
    await store.commit(`Make ${title}`.slice(0, 120), [
      { do: 'add', collection: 'models', id, value: { ...rest, title } },
    ])
  )
    chosen.value = id
}
async function remove(): Promise<void> {
  if (chosen.value === undefined || inUse.value.has(chosen.value)) return
  const { title } = model.value!
  if (
    await store.commit(`Remove the model ${title}`.slice(0, 120), [
      { do: 'remove', collection: 'models', id: chosen.value },
    ])
  )
    chosen.value = undefined
}

/** Devices of the same role that could become this model. */
const users = computed(() =>
  Object.entries(plan.value.devices).filter(
    ([, device]) => device.model !== chosen.value && plan.value.models[device.model]!.role === model.value?.role,
  ),
)
async function use(device: string): Promise<void> {
  if (device && chosen.value)
    await store.commit(`${plan.value.devices[device]!.name} is a ${model.value!.title}`.slice(0, 120), [
      { do: 'set', at: ['devices', device, 'model'], value: chosen.value },
    ])
}

function save(kind: 'json' | 'csv'): void {
  if (!model.value) return
  const body =
    kind === 'json'
      ? `${JSON.stringify(model.value, null, 2)}\n`
      : Papa.unparse(portRows(model.value), { columns: [...PORT_COLUMNS], newline: '\n', escapeFormulae: true })
  saveFile(
    `${slug(model.value.title)}.${kind}`,
    new Blob([body], { type: kind === 'json' ? 'application/json' : 'text/csv' }),
  )
}
async function load(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > 1e6) {
    wrong.value = `${file.name} has ${Math.round(file.size / 1000)} kB; a model has at most 1000 kB.`
    return
  }
  const body = await file.text()
  if (file.name.toLowerCase().endsWith('.csv')) {
    if (!isOwn.value) {
      wrong.value = 'A table of ports goes into a model of your own: make one first.'
      return
    }
    const parsed = Papa.parse<Record<string, string>>(body, { header: true, skipEmptyLines: 'greedy' })
    const missing = PORT_COLUMNS.slice(0, 5).filter(column => !parsed.meta.fields?.includes(column))
    if (missing.length) {
      wrong.value = `The first row lacks ${missing.join(', ')}.`
      return
    }
    const read = portsOfRows(parsed.data, model.value!.ports)
    if (read.ok)
      await take(
        { ...model.value, ports: read.ports },
        `Ports of ${model.value!.title} from ${file.name}`.slice(0, 120),
      )
    else
      wrong.value = `Row ${read.problem.row}, ${read.problem.column}: found ${read.problem.found}. Allowed: ${read.problem.allowed}.`
    return
  }
  try {
    const value = JSON.parse(body) as Model
    const { from: _, ...rest } = value
    const id = freshId(slug(String(rest.title ?? 'model')).slice(0, 50) || 'model', plan.value.models, Math.random)
    const edits: Edit[] = [{ do: 'add', collection: 'models', id, value: rest }]
    await validatorsReady()
    const tried = applyEdits(plan.value, edits)
    if (!tried.ok) wrong.value = problemText(tried.problem)
    else if (await store.commit(`Take the model ${rest.title}`.slice(0, 120), edits)) {
      chosen.value = id
      notices.tell(`${rest.title} is among your own models now.`)
    }
  } catch (error) {
    wrong.value = `${file.name} is no JSON: ${(error as Error).message}`
  }
}
const value = (event: Event) => (event.target as HTMLInputElement).value.trim()
</script>

<template>
  <div class="models">
    <div class="list" role="listbox" aria-label="Models">
      <template v-for="group in rows" :key="group.title">
        <div class="group small quiet" role="presentation">{{ group.title }}, {{ group.models.length }}</div>
        <button
          v-for="[id, one] in group.models"
          :key="id"
          type="button"
          role="option"
          class="row"
          :aria-selected="id === chosen"
          :class="{ on: id === chosen }"
          @click="chosen = id"
        >
          <span class="cut">{{ one.title }}</span><span class="small quiet use">{{
            inUse.has(id) ? 'in use' : ''
          }}</span>
        </button>
      </template>
      <p v-if="rows.length === 0" class="quiet none">Nothing is called that.</p>
    </div>
    <section v-if="model" :key="chosen" class="details" :aria-label="model.title">
      <h3>{{ model.title }}</h3>
      <p class="quiet">
        {{
          isOwn
            ? 'Your own model: it travels with this show.'
            : 'From the catalogue. To change it, make it your own: devices that use it stay as they are until you say so.'
        }}
      </p>
      <div class="hands">
        <button v-if="!isOwn" class="btn small primary" type="button" @click="duplicate">Make it my own</button>
        <button v-else class="btn small" type="button" @click="duplicate">Duplicate</button>
        <button class="btn small" type="button" @click="save('json')">Export JSON</button
        ><button class="btn small" type="button" @click="save('csv')">Export ports as CSV</button>
        <label class="btn small"
          >Import JSON or CSV<input
            class="unseen"
            type="file"
            accept=".json,.csv,application/json,text/csv"
            @change="load"
        /></label>
        <button
          v-if="isOwn"
          class="btn small"
          type="button"
          :disabled="inUse.has(chosen!)"
          :title="inUse.has(chosen!) ? 'A device is of this model' : ''"
          @click="remove"
        >
          Remove
        </button>
      </div>
      <p v-if="wrong" role="alert" class="wrong">Not taken. {{ wrong }}</p>
      <template v-if="isOwn">
        <dl>
          <dt>Title</dt>
          <dd>
            <TypedField
              class="wide"
              aria-label="Title"
              :value="model.title"
              needs="a title"
              @done="text => field('title', text)"
            />
          </dd>
          <dt>Kind</dt>
          <dd>
            <select class="pick" aria-label="Kind" :value="model.kind ?? ''" @change="field('kind', value($event))">
              <option value="">as its role says</option>
              <option v-for="kind in KINDS" :key="kind">{{ kind }}</option></select
            ><span class="small quiet">role {{ model.role }}, one of {{ ROLES.join(', ') }}: in the text below</span>
          </dd>
          <dt>Word on the board</dt>
          <dd>
            <TypedField
              aria-label="Word on the board"
              :value="model.short ?? ''"
              @done="text => field('short', text)"
            />
          </dd>
          <dt>Draw</dt>
          <dd>
            <TypedField
              class="ms"
              inputmode="decimal"
              aria-label="Draw, watts"
              :value="model.watts"
              :schema="wattsSchema"
              needs="watts"
              @done="text => field('watts', text)"
            />
            W, by
            <select class="pick" aria-label="Supply" :value="model.supply" @change="field('supply', value($event))">
              <option v-for="supply in ['mains', 'usb', 'battery', 'none']" :key="supply">{{ supply }}</option>
            </select>
          </dd>
          <dt>At most</dt>
          <dd>
            <TypedField
              class="ms"
              inputmode="decimal"
              aria-label="Largest draw, watts"
              :value="model.mostWatts ?? ''"
              :schema="wattsSchema"
              placeholder="not known"
              @done="text => field('mostWatts', text)"
            />
            W
          </dd>
          <ModelMains
            v-if="model.supply === 'mains'"
            :model="model"
            @set="(part, words) => take({ ...model!, ...part }, `${model!.title}: ${words}`.slice(0, 120))"
          />
          <dt>Weighs</dt>
          <dd>
            <TypedField
              class="ms"
              inputmode="decimal"
              aria-label="Mass, kg"
              :value="model.grams === undefined ? '' : model.grams / 1000"
              :schema="weightSchema"
              placeholder="not known"
              @done="text => field('grams', text)"
            />
            kg, takes
            <TypedField
              class="ms"
              inputmode="decimal"
              aria-label="Room in the case, litres"
              :value="model.litres ?? ''"
              :schema="volumeSchema"
              placeholder="not known"
              @done="text => field('litres', text)"
            />
            l
          </dd>
          <dt>Price</dt>
          <dd>
            <TypedField
              class="ms"
              inputmode="decimal"
              aria-label="Price"
              :value="model.priceMinor / 100"
              :schema="priceSchema"
              needs="a price"
              @done="text => field('priceMinor', text)"
            />
            {{ plan.brief.currency ?? 'EUR' }}
          </dd>
          <template v-if="users.length"
            ><dt>Use it for</dt>
            <dd>
              <select class="pick" aria-label="Use it for" value="" @change="use(value($event))">
                <option value="">a device of the same role</option>
                <option v-for="[id, device] in users" :key="id" :value="id">{{ device.name }}</option>
              </select>
            </dd></template
          >
        </dl>
      </template>
      <table class="sheet-table small">
        <thead>
          <tr>
            <th>Port</th>
            <th>In, out</th>
            <th>Carries</th>
            <th>Plug</th>
            <th>Class</th>
            <th>Formats</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in table" :key="row.port">
            <td>
              {{ row.title }}<span class="quiet id">{{ row.port }}</span>
            </td>
            <td>{{ row.dir }}</td>
            <td>{{ row.carries }}</td>
            <td>{{ row.connector }}</td>
            <td>{{ row.maxMHz ? `${row.maxMHz}\u00A0MHz` : row.classes }}</td>
            <td class="formats">
              {{
                row.takes === 'standard'
                  ? 'the standard alone'
                  : [row.makes && `makes ${row.makes}`, row.takes && `takes ${row.takes}`, row.feeds]
                      .filter(Boolean)
                      .join('; ')
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <details :open="isOwn">
        <summary class="small quiet">The whole model as text{{ isOwn ? '' : ', to be read' }}</summary>
        <textarea
          v-model="text"
          class="pick source"
          rows="18"
          spellcheck="false"
          :readonly="!isOwn"
          aria-label="The model as JSON"
        />
        <div v-if="isOwn" class="hands">
          <button class="btn small" type="button" :disabled="text === JSON.stringify(model, null, 2)" @click="takeText">
            Take the text
          </button>
        </div>
      </details>
    </section>
    <section v-else class="details quiet">
      <p>Choose a model to see its ports, and to make one of your own after it.</p>
      <p v-if="wrong" role="alert" class="wrong">Not taken. {{ wrong }}</p>
      <label class="btn small"
        >Import a model<input class="unseen" type="file" accept=".json,application/json" @change="load"
      /></label>
    </section>
  </div>
</template>

<style scoped>
.models {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 9fr) minmax(0, 14fr);
}
.list {
  overflow-y: auto;
  min-height: 0;
  padding-bottom: 24px;
  border-right: 1px solid var(--line);
}
.group {
  padding: 14px 16px 4px;
  border-bottom: 1px solid var(--line);
}
.row {
  display: flex;
  width: 100%;
  justify-content: space-between;
  gap: 12px;
  min-height: 36px;
  padding: 4px 16px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  text-align: left;
}
.row:hover {
  background: var(--hover);
}
.row.on {
  background: var(--raised);
  box-shadow: inset 3px 0 var(--chosen);
}
.use {
  white-space: nowrap;
  flex: none;
}
.none {
  padding: 16px;
}
.details {
  overflow: auto;
  min-height: 0;
  padding: 16px 24px 32px;
}
h3 {
  font: 650 20px/1.2 var(--words);
  margin: 0 0 4px;
}
.details p {
  margin: 0 0 10px;
  max-width: 70ch;
}
.wrong {
  border-left: 3px solid var(--light);
  padding-left: 10px;
}
.hands {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-bottom: 12px;
}
.hands label {
  cursor: pointer;
  position: relative;
}
dl {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 6px 16px;
  margin: 0 0 16px;
  align-items: center;
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.wide {
  width: 100%;
}
.ms {
  width: 9ch;
  text-align: right;
}
.id {
  display: block;
  font-family: var(--figures);
}
.formats {
  min-width: 220px;
  max-width: 420px;
}
details {
  margin-top: 16px;
}
.source {
  width: 100%;
  font-family: var(--figures);
  font-size: 13px;
  line-height: 1.4;
  margin: 8px 0;
  resize: vertical;
}
@media (max-width: 900px) {
  .models {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(180px, 1fr) fit-content(64%);
  }
  .list {
    border-right: 0;
    border-bottom: 1px solid var(--border);
  }
}
</style>
