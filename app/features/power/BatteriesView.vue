<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { number } from 'yup'
import { type Edit, emptyPlan, freshId, minutesOfDay, setEdit } from '#core/document'
import type { Cell, Endurance } from '#core/features/power'
import { clockOf, figure, listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'
import { batteryChart } from './batteryChart'
import { celsiusSchema, decimal, wattHoursSchema, wattsSchema } from '~/ui/typed'

/** How long everything lasts that lives on batteries, against the clock of the show. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('endurance', () => [] as const)
const times = useAnswer('segmentTimes', () => [] as const)
const all = computed(() => known.value?.devices ?? [])
const chosen = ref<string>()
const one = computed(() => all.value.find(({ device }) => device === chosen.value))
watch(
  [all, () => route.query.at] as const,
  ([devices, at]) => {
    const asked = typeof at === 'string' ? /^P0[16]:device\/(.+)$/.exec(at)?.[1] : undefined
    if (asked && chosen.value === undefined && devices.some(({ device }) => device === asked)) chosen.value = asked
    if (!devices.some(({ device }) => device === chosen.value))
      chosen.value = [...devices].sort((a, b) => Number(a.charged) - Number(b.charged) || a.hours - b.hours)[0]?.device
  },
  { immediate: true },
)
const findings = computed(() =>
  (store.report?.findings ?? []).filter(
    ({ id, at }) =>
      (['P01', 'P06'].includes(id) && at.on === 'device' && at.device === chosen.value) ||
      (id === 'P09' && at.on === 'battery' && one.value?.cells.some(({ battery }) => battery === at.battery)),
  ),
)

const span = (hours: number): string => {
  if (!Number.isFinite(hours)) return 'without end'
  const minutes = Math.round(hours * 60)
  return minutes < 60
    ? `${minutes}\u00A0min`
    : `${Math.floor(minutes / 60)}\u00A0h\u00A0${String(minutes % 60).padStart(2, '0')}\u00A0min`
}
const ends = (entry: Endurance): string =>
  entry.charged
    ? 'charged'
    : entry.unknown
      ? 'not known'
      : entry.endsAt === undefined
        ? span(entry.hours)
        : clockOf(entry.endsAt)
const cellWords = ({ kind, count, title }: Cell): string =>
  kind === 'own' ? 'its own' : count > 1 ? `${count} \u00D7 ${title}` : title

/** The answer of the chart, in one sentence. */
const sentence = computed(() => {
  const { on } = known.value ?? {}
  const unknown = all.value.filter(entry => entry.unknown)
  const more = unknown.length
    ? ` Of ${listWords(unknown.map(({ name }) => name))} nobody knows what the battery holds.`
    : ''
  if (!on) return `Say in the brief when the show starts and ends: then this shows what lasts and what does not.${more}`
  const judged = all.value.filter(({ charged, unknown: open }) => !charged && !open)
  const first = [...judged].sort((a, b) => a.endsAt! - b.endsAt!)[0]
  if (!first) return `Nothing has to last: what lives on batteries is charged.${more}`
  const until = minutesOfDay(on.since) + on.minutes
  const before = until - first.endsAt!
  if (before > 0) return `${first.name} ends at ${clockOf(first.endsAt!)}, ${span(before / 60)} before the end.${more}`
  const tight = judged.filter(({ lasts }) => !lasts)
  return tight.length
    ? `Everything lasts to the end, but ${listWords(tight.map(({ name }) => name))} without the margin of three tenths.${more}`
    : `Everything lasts with its margin; first to end is ${first.name}, at ${clockOf(first.endsAt!)}.${more}`
})

const swapWords = computed(() => {
  const swaps = one.value ? (known.value?.swaps[one.value.device] ?? []) : []
  return swaps
    .map(({ by, at, during }) => {
      const empty = `empty at ${clockOf(by)}${during ? `, in ${during}` : ''}`
      if (one.value!.hotSwap) return `Change it while it runs, before it is ${empty}.`
      if (at !== undefined) return `Change it at ${clockOf(at)}, while it is off the air: it is ${empty}.`
      return times.value?.rows.length
        ? `It is ${empty}, where it is in use: change it just before, while another picture is on.`
        : `Change it before it is ${empty}, while it is off the air.`
    })
    .join(' ')
})

const make = (colour: (name: string) => string) =>
  batteryChart({
    on: known.value!.on!,
    devices: all.value,
    segments: times.value?.rows ?? [],
    chosen: chosen.value,
    colour,
  })

const rows = computed(() =>
  all.value.map(entry => ({
    id: entry.device,
    title: entry.name,
    words: entry.charged
      ? 'charged by what is behind it'
      : listWords(entry.cells.map(cellWords)) || 'nobody knows its battery',
    figures: [entry.charged || entry.unknown ? '' : span(entry.hours), ends(entry)],
    grave: !entry.lasts,
  })),
)

// --- what changes the plan ---
const countSchema = number()
  .typeError('a whole number')
  .integer('a whole number')
  .min(1, 'at least 1')
  .max(99, 'at most 99')
async function set(
  id: string,
  field: 'wh' | 'count' | 'mostW' | 'offBelowW' | 'chargerW',
  text: string,
): Promise<void> {
  const value = text === '' ? undefined : decimal(text)
  await store.commit(`${plan.value.batteries[id]!.title}: ${text || 'not said'}`.slice(0, 120), [
    setEdit(['batteries', id, field], value as never),
  ])
}
async function age(id: string): Promise<void> {
  const was = plan.value.batteries[id]!
  await store.commit(`${was.title} ${was.aged ? 'is new' : 'is old'}`.slice(0, 120), [
    setEdit(['batteries', id, 'aged'], was.aged ? undefined : true),
  ])
}
async function add(kind: 'pack' | 'bank'): Promise<void> {
  const there = one.value
  if (!there) return
  const model = plan.value.models[plan.value.devices[there.device]!.model]!
  const title = `${kind === 'pack' ? 'Packs' : 'Bank'}, ${there.name}`.slice(0, 120)
  const order = 1 + Math.max(0, ...Object.values(plan.value.batteries).map(entry => entry.order))
  const value = {
    title,
    order,
    kind,
    wh: kind === 'pack' ? (model.battery?.wh ?? 98) : 74,
    ...(kind === 'pack' ? { count: 2 } : {}),
    loads: { [there.device]: true as const },
  }
  await store.commit(`Add ${title}`.slice(0, 120), [
    { do: 'add', collection: 'batteries', id: freshId(title, plan.value.batteries, Math.random), value },
  ])
}
async function takeOut(id: string): Promise<void> {
  await store.commit(`Take out ${plan.value.batteries[id]!.title}`.slice(0, 120), [
    { do: 'remove', collection: 'batteries', id },
  ])
}
async function share(id: string, device: string): Promise<void> {
  if (device)
    await store.commit(`${plan.value.batteries[id]!.title} feeds ${plan.value.devices[device]!.name}`.slice(0, 120), [
      setEdit(['batteries', id, 'loads', device], true),
    ])
}
async function plug(circuit: string): Promise<void> {
  const there = one.value
  if (there && circuit)
    await store.commit(`Plug ${there.name} into ${plan.value.circuits[circuit]!.title}`.slice(0, 120), [
      setEdit(['circuits', circuit, 'loads', there.device], true),
    ])
}
async function say(field: 'coldC' | 'flies', value: number | true | undefined, words: string): Promise<void> {
  const edits: Edit[] = [setEdit(['brief', field], value as never)]
  await store.commit(words, edits)
}
/** Everything else that is there to hang on a battery. */
const loadable = computed(() =>
  Object.entries(plan.value.devices)
    .filter(([id, { model }]) => plan.value.models[model]!.watts > 0 && id !== chosen.value)
    .sort(([, a], [, b]) => (a.name < b.name ? -1 : 1)),
)
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value

function choose(device: string | undefined): void {
  if (device !== undefined) chosen.value = device
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = all.value.findIndex(({ device }) => device === chosen.value)
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => choose(all.value[Math.min(all.value.length - 1, at + 1)]?.device),
    ArrowUp: () => choose(all.value[Math.max(0, at - 1)]?.device),
    a: () => void add('pack'),
    k: () => void add('bank'),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <div v-if="!known" class="screen quiet" role="status">Reading the batteries …</div>
  <div v-else-if="all.length === 0" class="screen">
    <h2>Nothing lives on batteries</h2>
    <p>Cameras, phones, radio links and microphones that do stand here, with how long each lasts.</p>
  </div>
  <BudgetPage
    v-else
    :sentence="sentence"
    :label="known.on ? 'What is left in each battery, against the clock' : undefined"
    :about="[known, times, chosen]"
    :make="make"
    :height="280"
    :aside="one?.name"
  >
    <BudgetRows v-model="chosen" label="Devices on batteries" :rows="rows" />
    <p class="conditions">
      <label
        >Where batteries work it is
        <TypedField
          class="figures"
          inputmode="decimal"
          :value="plan.brief.coldC ?? ''"
          :schema="celsiusSchema"
          placeholder="20"
          aria-label="Temperature, degrees Celsius"
          @done="text => say('coldC', text === '' ? undefined : decimal(text), 'Say how cold it is')"
        />
        °C</label
      >
      <label class="check"
        ><input
          type="checkbox"
          :checked="plan.brief.flies === true"
          @change="say('flies', plan.brief.flies ? undefined : true, 'Say whether the show flies')"
        />
        people fly to the show with them</label
      >
    </p>
    <p class="small quiet">
      Four fifths of what is written on a battery count, less in the cold and of old ones; a bank gives 85&nbsp;%.
      Needed is the time from switching on to the end and three tenths more. Charge under watch; damaged ones stay at
      home.
    </p>
    <template v-if="one" #aside>
      <h3>{{ one.name }}</h3>
      <p class="quiet">
        Draws {{ figure(one.watts) }}&nbsp;W<template v-if="one.needHours !== undefined"
          >, must last {{ span(one.needHours) }}</template
        ><template v-if="one.hotSwap">, changed while it runs</template>.
      </p>
      <p v-if="one.charged">What its picture goes through charges it all the while.</p>
      <FindingList :findings="findings" />
      <p v-if="swapWords" class="small">
        {{ swapWords }}
      </p>
      <div v-for="(cell, i) in one.cells" :key="cell.battery ?? i" class="cell">
        <h4>{{ cell.kind === 'own' ? 'Its own battery' : cell.title }}</h4>
        <p class="small quiet">
          gives {{ figure(cell.givesWh) }}&nbsp;Wh, {{ span(cell.hours)
          }}<template v-if="cell.drawW !== one.watts">
            at {{ figure(cell.drawW) }}&nbsp;W for all that hangs on it</template
          ><template v-if="cell.fails === 'weak'">; it is too weak for that</template
          ><template v-if="cell.fails === 'off'">; so small a draw switches it off</template>
        </p>
        <template v-if="cell.battery !== undefined">
          <div class="fields">
            <label
              >Wh
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="plan.batteries[cell.battery]?.wh ?? ''"
                :schema="wattHoursSchema"
                needs="watt-hours"
                :aria-label="`${cell.title}, Wh of one`"
                @done="text => set(cell.battery!, 'wh', text)"
            /></label>
            <label
              >how many
              <TypedField
                class="figures"
                inputmode="numeric"
                :value="plan.batteries[cell.battery]?.count ?? 1"
                :schema="countSchema"
                :aria-label="`${cell.title}, how many`"
                @done="text => set(cell.battery!, 'count', text)"
            /></label>
            <label
              >charger, W
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="plan.batteries[cell.battery]?.chargerW ?? ''"
                :schema="wattsSchema"
                placeholder="unsaid"
                :aria-label="`${cell.title}, charger W`"
                @done="text => set(cell.battery!, 'chargerW', text)"
            /></label>
            <label v-if="cell.kind === 'bank'"
              >W at most
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="plan.batteries[cell.battery]?.mostW ?? ''"
                :schema="wattsSchema"
                placeholder="enough"
                :aria-label="`${cell.title}, W at most`"
                @done="text => set(cell.battery!, 'mostW', text)"
            /></label>
            <label v-if="cell.kind === 'bank'"
              >off below, W
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="plan.batteries[cell.battery]?.offBelowW ?? ''"
                :schema="wattsSchema"
                placeholder="never"
                :aria-label="`${cell.title}, off below, W`"
                @done="text => set(cell.battery!, 'offBelowW', text)"
            /></label>
          </div>
          <label class="check small"
            ><input
              type="checkbox"
              :checked="plan.batteries[cell.battery]?.aged === true"
              @change="age(cell.battery!)"
            />
            older than two years, or 300 charges</label
          >
          <div class="line">
            <select
              class="pick"
              value=""
              :aria-label="`${cell.title} feeds also`"
              @change="event => share(cell.battery!, valueIn(event))"
            >
              <option value="">feeds also …</option>
              <option v-for="[id, device] in loadable" :key="id" :value="id">{{ device.name }}</option>
            </select>
            <button type="button" class="btn plain small" @click="takeOut(cell.battery!)">Take out</button>
          </div>
        </template>
      </div>
      <div class="more">
        <button type="button" class="btn small" @click="add('pack')">Add packs <span class="key">A</span></button>
        <button type="button" class="btn small" @click="add('bank')">Add a bank <span class="key">K</span></button>
        <select
          v-if="Object.keys(plan.circuits).length"
          class="pick"
          value=""
          aria-label="Plug it into"
          @change="event => plug(valueIn(event))"
        >
          <option value="">plug it into …</option>
          <option v-for="(circuit, id) in plan.circuits" :key="id" :value="id">{{ circuit.title }}</option>
        </select>
      </div>
    </template>
  </BudgetPage>
</template>

<style scoped>
.cell {
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 12px;
}
.fields label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px;
  gap: 6px;
  align-items: center;
  color: var(--quiet);
}
.line,
.more,
.conditions {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  margin-top: 8px;
}
.conditions :deep(input.figures) {
  width: 64px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
.pick {
  max-width: 190px;
}
</style>
