<script setup lang="ts">
import { randomId } from '~/plan/client'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { number, string } from 'yup'
import { LEADS } from '#core/cable'
import {
  FEEDS,
  type Feed,
  MODELS,
  type Model,
  type Role,
  makesInAnyMode,
  portsOf,
  ROLES,
  ROLE_WORDS,
  isSink,
} from '#core/catalog'
import type { Edit } from '#core/document'
import type { Effect } from '#core/propose'
import { type VideoFormat, formatLabel, listFormats } from '#core/signal'
import { figure } from '#core/words'

import { toMetres, useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'

/** Adds a device from the catalogue: what, how it is set, where it goes, and how far that is. */
const props = defineProps<{ open: boolean; role: Role | undefined }>()
const emit = defineEmits<{ close: []; added: [device: string] }>()
const store = usePlanStore()
const units = useUnits()

/** The switcher is what a plan begins with. */
const GROUPS = [...ROLES]
  .sort((a, b) => Number(b === 'switcher') - Number(a === 'switcher'))
  .map(role => ({ role, title: ROLE_WORDS[role].many }))

const search = ref('')
const chosen = ref<string>()
const at = ref(0)
const name = ref('')
const nameTouched = ref(false)
const formatText = ref<string>()
const feed = ref<Feed>('program')
const place = ref('next')
const route = ref('')
const cable = ref('best')
const preview = shallowRef<{ edits: readonly Edit[]; effect: Effect | undefined }>()
const list = ref<HTMLElement>()

const rows = computed(() => {
  const own = Object.entries(store.plan?.models ?? {}).filter(([, model]) => !model.from)
  const all: [string, Model][] = [...own, ...MODELS]
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  return GROUPS.flatMap(({ role, title }) =>
    all
      .filter(
        ([, model]) =>
          model.role === role && words.every(word => `${model.title} ${title}`.toLowerCase().includes(word)),
      )
      .map(([id, model], i) => ({ id, model, group: i === 0 ? title : undefined })),
  )
})
const model = computed(() =>
  chosen.value === undefined ? undefined : (store.plan?.models[chosen.value] ?? MODELS.get(chosen.value)),
)
const formats = computed<VideoFormat[]>(() => {
  if (!model.value) return []
  if (model.value.role === 'switcher') return listFormats(model.value.standards ?? [])
  const [out] = portsOf(model.value, 'out')
  if (!out) return []
  const seen = new Set<string>()
  return makesInAnyMode(model.value, out[0])
    .flatMap(({ sets }) => listFormats(sets))
    .filter(format => !seen.has(formatLabel(format)) && seen.add(formatLabel(format)))
})
const switchers = computed(() => store.report?.board.switchers ?? [])
const places = computed(() => {
  if (model.value?.role === 'sound')
    return [
      { title: 'the next free sound input that fits', value: 'next' },
      { title: 'nothing yet', value: 'none' },
    ]
  const sink = isSink(model.value)
  const ports = switchers.value.flatMap(switcher =>
    (sink ? switcher.outputs : switcher.inputs)
      .filter(port => port.lanes.length === 0)
      .map(port => ({
        title: `${switcher.name} ${sink ? 'output' : 'input'} ${port.number}, ${port.carries.toUpperCase()}`,
        value: `${switcher.id}/${port.port}`,
      })),
  )
  return [
    ...(ports.length
      ? [{ title: sink ? 'the first free output that fits' : 'the next free input that fits', value: 'next' }]
      : []),
    ...ports,
    { title: 'nothing yet', value: 'none' },
  ]
})
const cables = computed(() => {
  const carries = new Set(Object.values(model.value?.ports ?? {}).map(port => port.carries))
  const all = [...LEADS]
    .filter(([, row]) => row.kind === 'cable' && carries.has(row.carries))
    .map(([id, row]) => ({ title: row.title, value: id }))
  return [{ title: 'the cheapest way that arrives', value: 'best' }, ...all]
})
const feeds = FEEDS.map(value => ({ title: value, value }))
const routeSchema = number().typeError('a length, e.g. 22').min(0, 'not below 0').max(20_000, 'at most 20 000')
const nameSchema = string().required('a name').max(100, 'at most 100 characters')
const routeError = computed(() =>
  route.value.trim() === '' ? undefined : wrong(() => routeSchema.validateSync(route.value.trim().replace(',', '.'))),
)
const nameError = computed(() => wrong(() => nameSchema.validateSync(name.value.trim())))
const ready = computed(() => model.value !== undefined && !routeError.value && !nameError.value)

function wrong(validate: () => unknown): string | undefined {
  try {
    validate()
    return undefined
  } catch (error) {
    return (error as Error).message
  }
}

watch(
  () => props.open,
  open => {
    if (!open) return
    search.value = ''
    chosen.value = undefined
    route.value = ''
    cable.value = 'best'
    at.value = 0
    const wanted = props.role ?? (switchers.value.length === 0 ? 'switcher' : undefined)
    if (wanted)
      at.value = Math.max(
        0,
        rows.value.findIndex(({ model: row }) => row.role === wanted),
      )
    void nextTick(() => pick(at.value))
    void nextTick(() => document.getElementById(`model-${at.value}`)?.scrollIntoView({ block: 'center' }))
  },
  { immediate: true },
)
// Something is always chosen, so that no half of the dialog stands empty.
watch(search, () => {
  at.value = 0
  void nextTick(() => pick(0))
})

function pick(index: number): void {
  const row = rows.value[index]
  if (!row) return
  at.value = index
  chosen.value = row.id
  const same = Object.values(store.plan?.devices ?? {}).filter(
    device => store.plan!.models[device.model]?.from === row.model.from,
  ).length
  if (!nameTouched.value || name.value.trim() === '') {
    nameTouched.value = false
    const short =
      row.model.role === 'switcher'
        ? switchers.value.length === 0
          ? 'Main'
          : `Side ${switchers.value.length}`
        : row.model.title.split(',')[0]!
    name.value = same && row.model.role !== 'switcher' ? `${short} ${same + 1}` : short
  }
  const standard = switchers.value[0]?.standard
  const labels = formats.value.map(formatLabel)
  formatText.value =
    row.model.role === 'switcher'
      ? labels.includes('1080p50')
        ? '1080p50'
        : labels[0]
      : standard && labels.includes(standard)
        ? standard
        : labels[0]
  place.value = places.value[0]!.value
}

const addition = computed(() => {
  if (!ready.value || !model.value) return undefined
  const format = formats.value.find(candidate => formatLabel(candidate) === formatText.value)
  const [device, port] = place.value.split('/')
  return {
    model: chosen.value!,
    name: name.value.trim(),
    ...(format ? { format } : {}),
    ...(isSink(model.value) ? { feed: feed.value } : {}),
    ...(model.value.role === 'switcher' || model.value.role === 'way' || place.value === 'none'
      ? {}
      : { connect: place.value === 'next' ? ('next' as const) : { device: device!, port: port! } }),
    ...(route.value.trim() === ''
      ? {}
      : { routeM: toMetres(Number(route.value.trim().replace(',', '.')), units.value) }),
    ...(cable.value === 'best' ? {} : { cable: cable.value }),
  }
})

let asked = 0
const seed = ref('')
watch([addition, () => store.report?.version], async ([wanted]) => {
  const mine = ++asked
  preview.value = undefined
  if (!wanted || !props.open) return
  seed.value = randomId()
  const answer = await store.ask('addition', JSON.parse(JSON.stringify(wanted)), seed.value)
  if (mine === asked) preview.value = answer
})

const laid = computed(() => {
  const parts = (preview.value?.edits ?? []).flatMap(edit => {
    if (edit.do === 'connect') {
      const cableModel = LEADS.get(edit.link.cable) ?? store.plan?.leads[edit.link.cable]
      return cableModel ? [cableModel.title] : []
    }
    if (
      edit.do === 'add' &&
      edit.collection === 'devices' &&
      (edit.value as { name: string }).name !== name.value.trim()
    )
      return [(edit.value as { name: string }).name.split(',')[0]!]
    return []
  })
  return parts.join(' + ')
})
const connectsNothing = computed(
  () =>
    addition.value?.connect !== undefined &&
    preview.value !== undefined &&
    !preview.value.edits.some(edit => edit.do === 'connect'),
)

async function add(): Promise<void> {
  const take = preview.value
  if (!take || !model.value) return
  const device = take.edits.find(edit => edit.do === 'add' && edit.collection === 'devices')
  if (await store.commit(`Add ${name.value.trim()}`, take.edits)) {
    nameTouched.value = false
    emit('added', device?.do === 'add' ? device.id : '')
    emit('close')
  }
}

function listKeys(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(rows.value.length - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') {
    pick(at.value)
    void nextTick(() => document.querySelector<HTMLInputElement>('.add input[name="device-name"]')?.select())
  } else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`model-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
</script>

<template>
  <v-dialog
    :model-value="open"
    max-width="900"
    aria-label="Add a device"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <div class="sheet add">
      <h2>Add a device</h2>
      <div class="two">
        <div class="pick">
          <v-text-field v-model="search" label="Search the catalogue" autofocus @keydown="listKeys" />
          <ul ref="list" role="listbox" aria-label="Catalogue" tabindex="0" @keydown="listKeys">
            <template v-for="(row, i) in rows" :key="row.id">
              <li v-if="row.group" class="group small quiet" role="presentation">{{ row.group }}</li>
              <li
                :id="`model-${i}`"
                role="option"
                :aria-selected="row.id === chosen"
                :class="{ at: i === at, on: row.id === chosen }"
                @click="pick(i)"
              >
                {{ row.model.title }}
              </li>
            </template>
            <li v-if="rows.length === 0" class="quiet" role="option" aria-selected="false">
              Nothing in the catalogue is called that.
            </li>
          </ul>
        </div>
        <form class="set" @submit.prevent="add">
          <template v-if="model">
            <v-text-field
              v-model="name"
              name="device-name"
              :label="`What you call this ${ROLE_WORDS[model.role].one}`"
              :error-messages="nameError"
              @input="nameTouched = true"
            />
            <v-select
              v-if="formats.length"
              v-model="formatText"
              :items="formats.map(formatLabel)"
              :label="model.role === 'switcher' ? 'Operating standard' : 'Set to'"
            />
            <v-select v-if="isSink(model)" v-model="feed" :items="feeds" label="Should see" />
            <template v-if="model.role === 'source' || isSink(model) || model.role === 'sound'">
              <v-select v-model="place" :items="places" :label="isSink(model) ? 'Fed from' : 'Connected to'" />
              <template v-if="place !== 'none'">
                <v-text-field
                  v-model="route"
                  label="Way of the cable, rises included"
                  :suffix="units.length"
                  inputmode="decimal"
                  :error-messages="routeError"
                  hint="Leave empty when it is not measured yet"
                  persistent-hint
                />
                <v-select v-model="cable" :items="cables" label="Cable" />
              </template>
            </template>
            <p class="after small" role="status">
              <template v-if="preview?.effect">
                <span v-if="laid">Lays {{ laid }}. </span
                ><span v-else-if="connectsNothing">No free port fits: it is added unconnected. </span>
                <b v-if="preview.effect.after.wanted"
                  >Then {{ preview.effect.after.arrive }} of {{ preview.effect.after.wanted }} pictures arrive.</b
                >
                <span v-if="preview.effect.change.price">
                  + {{ figure(preview.effect.change.price / 100, 0) }} {{ store.plan?.brief.currency ?? 'EUR' }}</span
                >
              </template>
              <template v-else>&nbsp;</template>
            </p>
          </template>
          <p v-else class="quiet">Choose a device on the left. Arrow keys and Enter work in the search field.</p>
          <div class="ends">
            <button class="btn" type="button" @click="emit('close')">Cancel</button
            ><button class="btn primary" type="submit" :disabled="!ready || !preview">Add</button>
          </div>
        </form>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 11fr) minmax(0, 9fr);
  gap: 24px;
}
/* The label of the field stands half above its frame. */
.pick {
  padding-top: 8px;
}
ul {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
  height: 400px;
  overflow-y: auto;
  border: 1px solid var(--line);
  border-radius: 4px;
}
li {
  padding: 5px 12px;
  cursor: pointer;
  border: 1px solid transparent;
  line-height: 1.25;
}
li.group {
  padding-top: 12px;
  cursor: default;
}
li.at {
  border-color: var(--border);
}
li.on {
  background: var(--raised);
  border-color: var(--chosen);
}
.set {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.set .ends {
  margin-top: auto;
}
.after {
  margin: 0;
  min-height: 38px;
}
</style>
