<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { string } from 'yup'
import { emptyPlan, freshId, setEdit, type Edit } from '#core/document'
import type { CircuitLoad, Circuits } from '#core/features/power'
import { figure, listWords } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import ViewTabs from '~/ui/ViewTabs.vue'
import { ampsSchema, decimal } from '~/ui/typed'
import { useBoardStore } from '~/board/selection'
import FindingList from '~/ui/FindingList.vue'
import BatteriesView from './BatteriesView.vue'
import CircuitSupply from './CircuitSupply.vue'
import DistributionsPart from './DistributionsPart.vue'
import PoeView from './PoeView.vue'

/** What each circuit carries, against what its protection holds. */
const store = usePlanStore()
const selection = useBoardStore()
const notices = useNotices()
const route = useRoute()
const known = useAnswer('circuits', () => [] as const)
const plan = computed(() => store.plan ?? emptyPlan(''))
const VIEWS = { circuits: 'Circuits', batteries: 'Batteries', network: 'Over the network' } as const
const view = ref<keyof typeof VIEWS>(
  typeof route.query.at === 'string' && /^P0[169]:/.test(route.query.at)
    ? 'batteries'
    : typeof route.query.at === 'string' && /^P0[23]:/.test(route.query.at)
      ? 'network'
      : 'circuits',
)
const chosen = ref<string>()
const list = ref<HTMLElement>()
const circuits = computed(() => known.value?.circuits ?? [])
const circuit = computed(() => circuits.value.find(({ id }) => id === chosen.value))
/** The circuit to which a finding's place belongs: by itself, by a strip on it, or by what hangs there. */
function circuitAt(at: string): string | undefined {
  const [, on, id] = /^P\d\d:(circuit|strip|load)\/([^+]+)/.exec(at) ?? []
  if (id === undefined || on === 'circuit') return id
  return circuits.value.find(({ strips, loads }) =>
    on === 'strip' ? strips.some(strip => strip.id === id) : loads.some(load => load.device === id),
  )?.id
}
// What is in the plan may be chosen before its figures are there, and figures of before may still come in.
watch(
  [circuits, () => plan.value.circuits, () => route.query.at] as const,
  ([all, there, at]) => {
    const asked = typeof at === 'string' ? circuitAt(at) : undefined
    if (asked && Object.hasOwn(there, asked) && chosen.value === undefined) chosen.value = asked
    if (chosen.value === undefined || !Object.hasOwn(there, chosen.value))
      chosen.value = all.find(({ id }) => Object.hasOwn(there, id))?.id
  },
  { immediate: true },
)

const percent = (share: number) => `${figure(share * 100, 0)}\u00A0%`
const amps = (a: number) => `${figure(a)}\u00A0A`
const watts = (w: number) => `${figure(w, 0)}\u00A0W`
const findings = computed(() =>
  (store.report?.findings ?? []).filter(({ id }) => ['P04', 'P07', 'P08', 'P10', 'P11', 'P12'].includes(id)),
)

/** What stands at the circuit that is chosen, or at a strip on it. */
const isHere = (at: { readonly on: string }): boolean =>
  at.on === 'circuit'
    ? (at as { circuit?: string }).circuit === circuit.value?.id
    : at.on === 'strip'
      ? (circuit.value?.strips.some(({ id }) => id === (at as { strip?: string }).strip) ?? false)
      : (circuit.value?.loads.some(({ device }) => device === (at as { device?: string }).device) ?? false)
const ofPhases = computed(() => findings.value.filter(({ at }) => at.on === 'distribution'))

/** The answer of the chart, in one sentence. */
const sentence = computed(() => {
  const all = circuits.value
  const fullest = [...all].sort((a, b) => b.share - a.share)[0]
  if (!known.value || !fullest) return ''
  const { loose, mains } = known.value
  const word =
    fullest.share > 1
      ? `${fullest.title} trips: ${amps(fullest.mostA)} at the most on ${amps(fullest.ratedA)}.`
      : fullest.share > 0.8
        ? `${fullest.title} is too full for hours: ${percent(fullest.share)} of ${amps(fullest.ratedA)}.`
        : `Every circuit holds; the fullest, ${fullest.title}, stands at ${percent(fullest.share)} of ${amps(fullest.ratedA)}.`
  const unplugged = loose.length
    ? ` ${loose.length} ${loose.length === 1 ? 'thing hangs' : 'things hang'} on none yet.`
    : ''
  return `${word}${unplugged}${mains ? '' : ' The brief says no mains: 230\u00A0V is assumed.'}`
})

const height = computed(() => Math.max(160, 84 + circuits.value.length * 46))
function make(colour: (name: string) => string) {
  const all = [...circuits.value].reverse()
  const line = (x: number, words: string, dash: 'solid' | 'dot', xanchor: 'left' | 'right') => ({
    shape: {
      type: 'line' as const,
      x0: x,
      x1: x,
      yref: 'paper' as const,
      y0: 0,
      y1: 1,
      line: { color: colour('--text'), width: 1.5, dash },
    },
    note: { x, y: 1, yref: 'paper' as const, xanchor, yanchor: 'bottom' as const, text: words, showarrow: false },
  })
  const lines = [line(80, 'safe for hours, 80 %', 'dot', 'right'), line(100, 'trips', 'solid', 'left')]
  const most = Math.max(110, ...all.map(({ share }) => share * 100 + 22))
  return {
    traces: [
      {
        type: 'bar' as const,
        orientation: 'h' as const,
        x: all.map(({ share }) => share * 100),
        y: all.map(({ title }) => title),
        marker: {
          color: all.map(({ share }) => colour(share > 1 ? '--dark' : '--light')),
          pattern: { shape: all.map(({ share }) => (share > 1 ? '/' : '')), fgcolor: colour('--dark'), size: 7 },
          line: {
            color: all.map(({ id, share }) =>
              id === chosen.value ? colour('--chosen') : colour(share > 1 ? '--dark' : '--light'),
            ),
            width: all.map(({ id }) => (id === chosen.value ? 3 : 1)),
          },
        } as never,
        text: all.map(({ mostA, share }) => `${figure(mostA)} A, ${figure(share * 100, 0)} %`),
        textposition: 'outside' as const,
        textfont: { color: colour('--text') },
        cliponaxis: false,
        hovertemplate: '%{y}: up to %{x:.0f} % of its protection<extra></extra>',
      },
      {
        type: 'scatter' as const,
        mode: 'markers' as const,
        x: all.map(({ drawA, ratedA }) => (drawA / ratedA) * 100),
        y: all.map(({ title }) => title),
        marker: { symbol: 'line-ns', size: 16, line: { color: colour('--ground'), width: 2 } },
        hovertemplate: '%{y}: typically %{x:.0f} %<extra></extra>',
      },
    ],
    layout: {
      margin: { l: 132, r: 24, t: 26, b: 44 },
      showlegend: false,
      bargap: 0.42,
      shapes: lines.map(({ shape }) => shape),
      annotations: lines.map(({ note }) => note),
      xaxis: {
        title: { text: 'share of the protection, %', standoff: 6, font: { size: 13 } },
        range: [0, most] as [number, number],
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') } as never,
    },
  }
}
const choose = (id: string | undefined): void => {
  if (id === undefined) return
  chosen.value = id
  void nextTick(() => document.getElementById(`circuit-${id}`)?.scrollIntoView({ block: 'nearest' }))
}

// --- what changes the plan ---
const titleSchema = string().trim().required('a name').max(120, 'at most 120 characters')
const renaming = ref(false)
const usualAmps = computed(() => ((plan.value.brief.mains?.startsWith('230') ?? true) ? 16 : 15))
const nextOrder = computed(() => 1 + Math.max(0, ...circuits.value.map(({ order }) => order)))

async function add(): Promise<void> {
  const title = `Circuit ${circuits.value.length + 1}`
  const id = freshId(title, plan.value.circuits, Math.random)
  const value = { title, order: nextOrder.value, amps: usualAmps.value }
  if (await store.commit('Add a circuit', [{ do: 'add', collection: 'circuits', id, value }])) chosen.value = id
}

/** One circuit for each place that has things on the mains and none to plug them into. */
const places = computed(() => {
  const found = new Map<string, string[]>()
  for (const { device } of known.value?.loose ?? []) {
    const { place } = plan.value.devices[device] ?? {}
    if (place !== undefined) found.set(place, [...(found.get(place) ?? []), device])
  }
  return [...found]
})
async function addByPlace(): Promise<void> {
  const edits = places.value.map(([place, devices], i): Edit => {
    const loads = Object.fromEntries(devices.map(device => [device, true as const]))
    const value = { title: place, order: nextOrder.value + i, amps: usualAmps.value, loads, places: [place] }
    return { do: 'add', collection: 'circuits', id: freshId(place, plan.value.circuits, Math.random), value }
  })
  await store.commit(`A circuit for each of ${edits.length} places`, edits)
}

/** On circuits that have outlets where it stands. */
const laid = useAnswer('laid', () => [] as const)
async function hang(): Promise<void> {
  const found = laid.value
  if (!found?.hung) return
  if (await store.commit(`Hang ${found.hung} by their places`, [...found.edits]))
    notices.tell(
      found.left.length
        ? `${found.hung} hang by their places; ${listWords(found.left.slice(0, 5))}${found.left.length > 5 ? ` and ${found.left.length - 5} more` : ''} found no room.`
        : `${found.hung} hang by their places.`,
    )
}

async function remove(): Promise<void> {
  const id = chosen.value
  const one = id === undefined ? undefined : plan.value.circuits[id]
  if (one) await store.commit(`Take out ${one.title}`, [{ do: 'remove', collection: 'circuits', id: id! }])
}
async function rename(text: string): Promise<void> {
  renaming.value = false
  const one = circuit.value
  if (one && text !== one.title) await store.commit(`Call it ${text}`, [setEdit(['circuits', one.id, 'title'], text)])
}
async function rate(text: string): Promise<void> {
  const one = circuit.value
  const value = decimal(text)
  if (one && value !== one.ratedA)
    await store.commit(`Protection of ${one.title}: ${value} A`, [setEdit(['circuits', one.id, 'amps'], value)])
}
async function plug(device: string, into: CircuitLoad | undefined): Promise<void> {
  const name = plan.value.devices[device]?.name ?? device
  const away = circuits.value
    .filter(({ loads }) => loads.some(load => load.device === device))
    .flatMap(({ id }) => (own(id, device) ? [setEdit(['circuits', id, 'loads', device])] : []))
  const strips = Object.entries(plan.value.strips)
    .filter(([, { loads = {} }]) => loads[device])
    .map(([id]) => setEdit(['strips', id, 'loads', device]))
  const there = into ? [setEdit(['circuits', into.id, 'loads', device], true)] : []
  await store.commit(into ? `Plug ${name} into ${into.title}` : `Unplug ${name}`, [...away, ...strips, ...there])
}
const own = (id: string, device: string): boolean => plan.value.circuits[id]?.loads?.[device] === true
/** Into the wall, or into a strip of the circuit. */
async function onto(device: string, strip: string): Promise<void> {
  const here = circuit.value
  if (!here) return
  const { name } = plan.value.devices[device]!
  const from = [
    ...(own(here.id, device) ? [setEdit(['circuits', here.id, 'loads', device])] : []),
    ...Object.entries(plan.value.strips)
      .filter(([, { loads = {} }]) => loads[device])
      .map(([id]) => setEdit(['strips', id, 'loads', device])),
  ]
  await store.commit(`Plug ${name} into ${strip ? plan.value.strips[strip]!.title : here.title}`.slice(0, 120), [
    ...from,
    setEdit(strip ? ['strips', strip, 'loads', device] : ['circuits', here.id, 'loads', device], true),
  ])
}
const stay = (): void =>
  void store.commit(plan.value.brief.stays ? 'The rig is struck each day' : 'The rig stays built up overnight', [
    setEdit(['brief', 'stays'], plan.value.brief.stays ? undefined : true),
  ])
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const others = computed((): Circuits['loose'] => known.value?.loose ?? [])

// --- keys ---
const quiet = computed(() => renaming.value || selection.dialog !== undefined)
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (quiet.value || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.target instanceof HTMLElement && event.target.closest('input, select, textarea, button')) return
  if (event.key.toLowerCase() === 'b') {
    event.preventDefault()
    const views = Object.keys(VIEWS) as (keyof typeof VIEWS)[]
    view.value = views[(views.indexOf(view.value) + 1) % views.length]!
    return
  }
  if (view.value !== 'circuits') return
  const at = circuits.value.findIndex(({ id }) => id === chosen.value)
  const acts: Record<string, () => void> = {
    ArrowDown: () => choose(circuits.value[Math.min(circuits.value.length - 1, at + 1)]?.id),
    ArrowUp: () => choose(circuits.value[Math.max(0, at - 1)]?.id),
    a: () => void add(),
    h: () => void hang(),
    r: () => {
      renaming.value = circuit.value !== undefined
    },
    Delete: () => void remove(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <PlanFrame
    screen="power"
    :view="view"
    :foot-name="view === 'circuits' ? circuit?.title : VIEWS[view]"
    :busy="renaming"
  >
    <template #controls>
      <ViewTabs v-model="view" :views="VIEWS" />
      <template v-if="view === 'circuits'">
        <span v-if="known && known.loose.length" class="small quiet said"
          >{{ known.loose.length }} on no circuit,
          {{ watts(known.loose.reduce((sum, one) => sum + (one.watts ?? 0), 0)) }}</span
        >
        <button v-if="laid?.hung" type="button" class="btn small" @click="hang">
          Hang {{ laid.hung }} by place <span class="key">H</span>
        </button>
        <button v-if="places.length && !laid?.hung" type="button" class="btn small" @click="addByPlace">
          A circuit for each place
        </button>
        <button type="button" class="btn small" @click="add">Add a circuit <span class="key">A</span></button>
      </template>
    </template>
    <BatteriesView v-if="view === 'batteries'" />
    <PoeView v-else-if="view === 'network'" />
    <div v-else-if="!known" class="screen quiet" role="status">Adding up what is plugged in …</div>
    <div v-else-if="circuits.length === 0" class="screen">
      <h2>No circuit yet</h2>
      <p>
        Add the protected circuits that the house gives you, with the current of their protection, and plug in what
        lives on the mains: what each carries then stands here against what it holds.
      </p>
      <p class="begin">
        <button class="btn primary" type="button" @click="add">Add a circuit</button>
        <button v-if="places.length" class="btn" type="button" @click="addByPlace">A circuit for each place</button>
      </p>
    </div>
    <div v-else class="two">
      <section class="left">
        <h2>{{ sentence }}</h2>
        <div class="chart" :style="{ height: `${height}px` }">
          <ChartFrame
            label="Circuits, each against its protection"
            :about="[circuits, chosen]"
            :make="make"
            @chosen="i => choose(circuits[circuits.length - 1 - i]?.id)"
          />
        </div>
        <div ref="list" class="list" role="listbox" aria-label="Circuits" tabindex="0">
          <div
            v-for="one in circuits"
            :id="`circuit-${one.id}`"
            :key="one.id"
            role="option"
            class="row"
            :class="{ on: one.id === chosen }"
            :aria-selected="one.id === chosen"
            @click="choose(one.id)"
          >
            <b class="cut">{{ one.title }}</b>
            <span class="figures">{{ watts(one.mostWatts) }}</span>
            <span class="figures">{{ amps(one.mostA) }} of {{ amps(one.ratedA) }}</span>
            <span class="figures" :class="{ strong: one.share > 0.8 }">{{ percent(one.share) }}</span>
          </div>
        </div>
        <p class="small quiet law">
          Everything at its largest draw at once, at a power factor of 0.6; what it typically draws is the short mark.
          Follow local codes; have licensed people do mains work.
        </p>
        <DistributionsPart :all="known.distributions" />
        <FindingList :findings="ofPhases" />
        <label class="check small stays"
          ><input type="checkbox" :checked="plan.brief.stays === true" @change="stay" /> the rig stays built up
          overnight, with its circuits live</label
        >
      </section>
      <section v-if="circuit" class="right" :aria-label="circuit.title">
        <h3>
          <button type="button" class="title" title="Rename" @click="renaming = true">{{ circuit.title }}</button>
        </h3>
        <label class="rated"
          >Protection, A
          <TypedField
            :key="circuit.id"
            class="figures"
            inputmode="decimal"
            :value="circuit.ratedA"
            :schema="ampsSchema"
            needs="a current"
            @done="rate"
          />
        </label>
        <FindingList :findings="findings.filter(({ at }) => isHere(at))" />
        <CircuitSupply :circuit="circuit" />
        <h4>On it</h4>
        <p v-if="circuit.loads.length === 0" class="quiet">Nothing yet.</p>
        <ul v-else>
          <li v-for="load in circuit.loads" :key="load.device">
            <span class="cut">{{ load.name }}</span>
            <select
              v-if="circuit.strips.length"
              class="pick small"
              :value="load.strip ?? ''"
              :aria-label="`What ${load.name} is plugged into`"
              @change="event => onto(load.device, valueIn(event))"
            >
              <option value="">in the wall</option>
              <option v-for="strip in circuit.strips" :key="strip.id" :value="strip.id">in {{ strip.title }}</option>
            </select>
            <span class="figures">{{ load.watts === undefined ? 'not known' : watts(load.watts) }}</span>
            <button type="button" class="btn plain small" @click="plug(load.device, undefined)">Unplug</button>
          </li>
        </ul>
        <h4>On no circuit yet</h4>
        <p v-if="others.length === 0" class="quiet">Everything that lives on the mains is plugged in.</p>
        <ul v-else>
          <li v-for="load in others" :key="load.device">
            <span class="cut">{{ load.name }}</span>
            <span class="figures">{{ load.watts === undefined ? 'not known' : watts(load.watts) }}</span>
            <button type="button" class="btn small" @click="plug(load.device, circuit)">Plug in</button>
          </li>
        </ul>
      </section>
    </div>
    <LazyPromptDialog
      v-if="renaming && circuit"
      open
      title="Rename the circuit"
      label="Its name"
      :value="circuit.title"
      :schema="titleSchema"
      hint="As it is written on the distribution board or the outlet."
      @done="rename"
      @close="renaming = false"
    />
  </PlanFrame>
</template>

<style scoped>
.two {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 400px);
}
.left {
  padding: 20px 24px 12px;
  overflow-y: auto;
  min-height: 0;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
  max-width: 68ch;
}
.list {
  margin-top: 8px;
  border-top: 1px solid var(--line);
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 88px 136px 64px;
  gap: 16px;
  align-items: center;
  height: 36px;
  padding: 0 12px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
  cursor: pointer;
}
.row .figures {
  text-align: right;
}
.row.on {
  border-left-color: var(--chosen);
  background: var(--surface);
}
.law {
  margin: 12px 0 0;
  max-width: 80ch;
}
.stays {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
  margin-top: 12px;
}
.right {
  border-left: 1px solid var(--line);
  padding: 20px 24px;
  overflow-y: auto;
  min-height: 0;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 8px;
}
.title {
  font: inherit;
  text-align: left;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 20px 0 4px;
}
.rated {
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--quiet);
}
.rated .pick {
  width: 88px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 72px 80px;
  gap: 0 12px;
  align-items: center;
  min-height: 36px;
  border-bottom: 1px solid var(--line);
}
li .pick {
  grid-area: 2 / 1 / 3 / 3;
  margin-bottom: 6px;
}
li .figures {
  text-align: right;
}
.begin {
  display: flex;
  gap: 12px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr) 300px;
  }
  .row {
    grid-template-columns: minmax(0, 1fr) 64px 108px 52px;
    gap: 8px;
  }
}
</style>
