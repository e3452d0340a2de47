<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { number } from 'yup'
import { emptyPlan, freshId, minutesOfDay, setEdit } from '#core/document'
import {
  CODINGS,
  CODING_WORDS,
  FILE_SYSTEMS,
  type RecordCoding,
  type Recording,
  lastingText,
} from '#core/features/media'
import { clockOf, figure, listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetRows from '~/ui/BudgetRows.vue'
import BudgetPage from '~/ui/BudgetPage.vue'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'
import { decimal, gigabytesSchema, speedSchema } from '~/ui/typed'

/** What records the show, on what, and for how long there is room. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('media', () => [] as const)
const all = computed(() => known.value?.recordings ?? [])
const chosen = ref<string>()
const one = computed(() => all.value.find(({ device }) => device === chosen.value))
watch(
  all,
  list => {
    const asked = typeof route.query.at === 'string' ? /^O0[678]:medium\/(.+)$/.exec(route.query.at)?.[1] : undefined
    if (asked && chosen.value === undefined) chosen.value = plan.value.media[asked]?.device
    if (!list.some(({ device }) => device === chosen.value))
      chosen.value = [...list].sort((a, b) => (a.lastsMinutes ?? Infinity) - (b.lastsMinutes ?? Infinity))[0]?.device
  },
  { immediate: true },
)
const findings = computed(() =>
  (store.report?.findings ?? []).filter(
    ({ id, at }) =>
      ['O04', 'O05', 'E03'].includes(id) ||
      (at.on === 'medium' && one.value?.media.some(([medium]) => medium === (at as { medium?: string }).medium)),
  ),
)
const gb = (value: number): string => `${figure(value, value < 100 ? 1 : 0)}\u00A0GB`
const mbs = (value: number): string => `${figure(value)}\u00A0MB/s`
const start = computed(() => plan.value.brief.start)

/** The answer of the chart, in one sentence. */
const sentence = computed(() => {
  const open = all.value.filter(({ media }) => media.length === 0)
  const unsaid = open.length ? ` Of ${listWords(open.map(({ name }) => name))} nobody has said what is in it.` : ''
  const first = all.value
    .filter(({ lastsMinutes }) => lastsMinutes !== undefined)
    .sort((a, b) => a.lastsMinutes! - b.lastsMinutes!)[0]
  if (!first)
    return `Say what is in ${listWords(all.value.map(({ name }) => name))}: then this shows for how long it is enough.`
  const { minutes, lastsMinutes } = first
  if (minutes === undefined || start.value === undefined)
    return `${first.name} is full after ${lastingText(lastsMinutes!)}; the brief says no times to hold it against.${unsaid}`
  const at = clockOf(minutesOfDay(start.value) + lastsMinutes!)
  if (lastsMinutes! < minutes)
    return `${first.name} is full at ${at}, ${lastingText(minutes - lastsMinutes!)} before the end.${unsaid}`
  const tight = all.value.filter(
    ({ needGB, holdsGB, media }) => media.length && needGB !== undefined && holdsGB < needGB,
  )
  return tight.length
    ? `Everything holds the show, but ${listWords(tight.map(({ name }) => name))} without the margin of three tenths.${unsaid}`
    : `Everything holds the show with its margin; first to be full is ${first.name}, at ${at}.${unsaid}`
})

function make(colour: (name: string) => string) {
  const lines = all.value.filter(({ media }) => media.length > 0).toReversed()
  const show = lines[0]?.minutes
  const from = start.value === undefined ? 0 : minutesOfDay(start.value)
  const most = show === undefined ? Math.max(...lines.map(({ lastsMinutes }) => lastsMinutes!)) : show * 1.9
  const full = ({ needGB, holdsGB }: Recording) => needGB !== undefined && holdsGB < needGB
  const upright = (x: number, dash: 'solid' | 'dot') => ({
    type: 'line',
    x0: x,
    x1: x,
    yref: 'paper',
    y0: 0,
    y1: 1,
    line: { color: colour('--text'), width: 1.5, dash },
  })
  const note = (x: number, text: string) => ({ x, y: 1, yref: 'paper', yanchor: 'bottom', text, showarrow: false })
  const ends =
    show === undefined
      ? []
      : [
          { x: show, text: 'end' },
          { x: show * 1.3, text: 'with margin' },
        ]
  const step = [15, 30, 60, 120, 240].find(minutes => most / minutes <= 9) ?? 480
  const ticks = Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step)
  return {
    traces: [
      {
        type: 'bar',
        orientation: 'h',
        y: lines.map(({ name }) => name),
        x: lines.map(({ lastsMinutes }) => Math.min(lastsMinutes!, most)),
        text: lines.map(({ lastsMinutes, holdsGB }) => `${gb(holdsGB)}, ${lastingText(lastsMinutes!)}`),
        textposition: 'auto',
        insidetextfont: { color: lines.map(line => colour(full(line) ? '--text' : '--ground')) },
        marker: {
          color: lines.map(line => colour(full(line) ? '--dark' : '--light')),
          pattern: { shape: lines.map(line => (full(line) ? '/' : '')), fgcolor: colour('--dark'), size: 7 },
          line: {
            color: lines.map(line =>
              colour(line.device === chosen.value ? '--chosen' : full(line) ? '--dark' : '--light'),
            ),
            width: lines.map(({ device }) => (device === chosen.value ? 3 : 1)),
          },
        },
        hoverinfo: 'none',
      },
    ] as never[],
    layout: {
      margin: { l: 150, r: 20, t: 26, b: 36 },
      showlegend: false,
      bargap: 0.42,
      shapes: ends.map(({ x }, i) => upright(x, i === 0 ? 'solid' : 'dot')),
      annotations: ends.map(({ x, text }) => note(x, text)),
      xaxis: {
        range: [0, most],
        tickvals: ticks,
        ticktext: ticks.map(minutes => (start.value === undefined ? lastingText(minutes) : clockOf(from + minutes))),
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
const drawn = computed(() => all.value.filter(({ media }) => media.length > 0))
const rows = computed(() =>
  all.value.map(({ device, name, coding, tracks, mbps, needGB, holdsGB, lastsMinutes, media }) => ({
    id: device,
    title: name,
    words: `${tracks === 1 ? 'one track' : `${tracks} tracks`}, ${CODING_WORDS[coding]}`,
    figures: [
      mbs(mbps / 8),
      needGB === undefined ? '' : `needs\u00A0${gb(needGB)}`,
      media.length === 0 ? 'not said' : lastsMinutes === undefined ? '' : lastingText(lastsMinutes),
    ],
    grave: media.length > 0 && needGB !== undefined && holdsGB < needGB,
  })),
)

// --- what changes the plan ---
const countSchema = number()
  .typeError('a whole number')
  .integer('a whole number')
  .min(1, 'at least 1')
  .max(99, 'at most 99')
async function write(coding: string): Promise<void> {
  if (one.value)
    await store.commit(`${one.value.name}: ${CODING_WORDS[coding as RecordCoding]}`.slice(0, 120), [
      setEdit(['devices', one.value.device, 'coding'], coding === 'long' ? undefined : (coding as RecordCoding)),
    ])
}
async function setCount(value: string): Promise<void> {
  if (one.value)
    await store.commit(`${one.value.name}: timecode ${value || 'not said'}`.slice(0, 120), [
      setEdit(['devices', one.value.device, 'timecode'], (value || undefined) as never),
    ])
}
async function add(): Promise<void> {
  if (!one.value) return
  const title = `Medium ${one.value.media.length + 1}, ${one.value.name}`.slice(0, 120)
  const order = 1 + Math.max(0, ...Object.values(plan.value.media).map(entry => entry.order))
  const value = { title, order, device: one.value.device, gb: 256, system: 'exfat' as const }
  await store.commit(`Put ${title} in`.slice(0, 120), [
    { do: 'add', collection: 'media', id: freshId(title, plan.value.media, Math.random), value },
  ])
}
async function set(id: string, field: 'gb' | 'writeMBs' | 'count' | 'system' | 'title', value: string): Promise<void> {
  const now = value === '' ? undefined : field === 'system' || field === 'title' ? value : decimal(value)
  await store.commit(`${plan.value.media[id]!.title}: ${value || 'not said'}`.slice(0, 120), [
    setEdit(['media', id, field], now as never),
  ])
}
async function takeOut(id: string): Promise<void> {
  await store.commit(`Take out ${plan.value.media[id]!.title}`.slice(0, 120), [
    { do: 'remove', collection: 'media', id },
  ])
}
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const SYSTEM_WORDS = { fat32: 'FAT32', exfat: 'exFAT', other: 'another' } as const

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = all.value.findIndex(({ device }) => device === chosen.value)
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (chosen.value = all.value[Math.min(all.value.length - 1, at + 1)]?.device),
    ArrowUp: () => (chosen.value = all.value[Math.max(0, at - 1)]?.device),
    a: () => void add(),
    c: one.value ? () => void write(CODINGS[(CODINGS.indexOf(one.value!.coding) + 1) % CODINGS.length]!) : undefined,
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <PlanFrame screen="media" :foot-name="one?.name">
    <div v-if="!known" class="screen quiet" role="status">Adding up what is written …</div>
    <div v-else-if="all.length === 0" class="screen">
      <h2>Nothing records</h2>
      <p>
        A recorder that a picture comes to, one inside a switcher that somebody wants, and cameras that are to be kept
        by themselves stand here, with what they need and for how long it lasts.
      </p>
      <FindingList v-if="findings.length" :findings="findings" />
      <NuxtLink class="btn" :to="`/shows/${String(route.params.show)}/${String(route.params.plan)}/brief`"
        >Say in the brief what is kept</NuxtLink
      >
    </div>
    <BudgetPage
      v-else
      :sentence="sentence"
      :label="drawn.length ? 'How long each medium lasts, against the clock' : undefined"
      :about="[all, chosen, start]"
      :make="make"
      :height="Math.max(150, 80 + drawn.length * 46)"
      :aside="one?.name"
      @chosen="i => (chosen = drawn[drawn.length - 1 - i]?.device ?? chosen)"
    >
      <BudgetRows v-model="chosen" label="What records" :rows="rows" />
      <p class="small quiet">
        Typical rates, sound with them. Nine tenths of a medium count, three tenths more time than planned, and half as
        much again of what is written at once. What a service keeps is no copy that anybody can edit.
      </p>
      <template v-if="one" #aside>
        <h3>{{ one.name }}</h3>
        <p class="quiet">
          {{ mbs(one.mbps / 8) }} in {{ one.tracks === 1 ? 'one track' : `${one.tracks} tracks` }}; needs
          {{ mbs(one.needMBs) }} without pause<template v-if="one.needGB !== undefined">
            and {{ gb(one.needGB) }}</template
          >.
        </p>
        <label class="wide"
          >Written as
          <select class="pick" :value="one.coding" @change="event => write(valueIn(event))">
            <option v-for="coding in CODINGS" :key="coding" :value="coding">{{ CODING_WORDS[coding] }}</option>
          </select></label
        >
        <label v-if="['30000/1001', '60000/1001'].includes(one.format.rate)" class="wide"
          >Timecode
          <select
            class="pick"
            :value="plan.devices[one.device]?.timecode ?? ''"
            @change="event => setCount(valueIn(event))"
          >
            <option value="">not said</option>
            <option value="drop">drops frame numbers</option>
            <option value="non-drop">counts every frame</option>
          </select></label
        >
        <FindingList v-if="findings.length" :findings="findings" />
        <div v-for="[id, medium] in one.media" :key="id" class="medium">
          <TypedField
            class="title"
            :value="medium.title"
            needs="a name"
            :aria-label="`Name of ${medium.title}`"
            @done="text => set(id, 'title', text)"
          />
          <label
            >GB
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="medium.gb"
              :schema="gigabytesSchema"
              needs="gigabytes"
              :aria-label="`${medium.title}, GB`"
              @done="text => set(id, 'gb', text)"
          /></label>
          <label
            >MB/s without pause
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="medium.writeMBs ?? ''"
              :schema="speedSchema"
              placeholder="unknown"
              :aria-label="`${medium.title}, MB/s without pause`"
              @done="text => set(id, 'writeMBs', text)"
          /></label>
          <label
            >how many
            <TypedField
              class="figures"
              inputmode="numeric"
              :value="medium.count ?? 1"
              :schema="countSchema"
              :aria-label="`${medium.title}, how many`"
              @done="text => set(id, 'count', text)"
          /></label>
          <label
            >formatted as
            <select
              class="pick"
              :value="medium.system ?? ''"
              :aria-label="`${medium.title}, formatted as`"
              @change="event => set(id, 'system', valueIn(event))"
            >
              <option value="">not said</option>
              <option v-for="system in FILE_SYSTEMS" :key="system" :value="system">{{ SYSTEM_WORDS[system] }}</option>
            </select></label
          >
          <button type="button" class="btn plain small" @click="takeOut(id)">Take out</button>
        </div>
        <button type="button" class="btn small more" @click="add">Put a medium in <span class="key">A</span></button>
      </template>
    </BudgetPage>
  </PlanFrame>
</template>

<style scoped>
.wide,
.medium label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 8px;
  align-items: center;
  min-height: 38px;
  color: var(--quiet);
}
.wide {
  grid-template-columns: 90px minmax(0, 1fr);
}
.medium {
  border-top: 1px solid var(--line);
  padding: 10px 0;
}
.medium :deep(.title) {
  width: 100%;
  font-weight: 650;
}
.more {
  margin-top: 8px;
}
</style>
