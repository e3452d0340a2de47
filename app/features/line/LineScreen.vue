<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { string } from 'yup'
import { emptyPlan, freshId, setEdit } from '#core/document'
import { ENOUGH_SAMPLES, LINE_KINDS } from '#core/features/line'
import { figure, listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetRows from '~/ui/BudgetRows.vue'
import BudgetPage from '~/ui/BudgetPage.vue'
import FindingList from '~/ui/FindingList.vue'
import ViewTabs from '~/ui/ViewTabs.vue'
import { isTyped } from '~/ui/keys'
import ComputersView from './ComputersView.vue'
import { decimal, gigabytesSchema, nameSchema, rateSchema } from '~/ui/typed'

/** What is sent out of the house, and whether the line carries it. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const VIEWS = { lines: 'Lines', computers: 'Computers' } as const
const view = ref<keyof typeof VIEWS>('lines')
const known = useAnswer('lines', () => [] as const)
const lines = computed(() => known.value?.lines ?? [])
const encoders = computed(() => known.value?.encoders ?? [])
const chosen = ref<string>()
const one = computed(() => lines.value.find(({ id }) => id === chosen.value))
watch(
  lines,
  list => {
    const asked =
      typeof route.query.at === 'string' ? /^(?:O09|O10|E02):uplink\/(.+)$/.exec(route.query.at)?.[1] : undefined
    if (asked && chosen.value === undefined) chosen.value = asked
    if (!list.some(({ id }) => id === chosen.value)) chosen.value = list[0]?.id
  },
  { immediate: true },
)
const findings = computed(() =>
  (store.report?.findings ?? []).filter(
    ({ id, at }) => id === 'O16' || (at.on === 'uplink' && (at as { uplink?: string }).uplink === chosen.value),
  ),
)
const mbps = (value: number): string => `${figure(value)}\u00A0Mb/s`
const KIND_WORDS = { wire: 'by wire', mobile: 'mobile', radio: 'by radio of the house', dish: 'by dish' } as const

/** The answer of the chart, in one sentence. */
const sentence = computed(() => {
  const sent = encoders.value.reduce((sum, { mbps: rate }) => sum + rate, 0)
  const loose = encoders.value.filter(({ over }) => over.length === 0)
  const lost = loose.length ? ` Nobody has said over which line ${listWords(loose.map(({ name }) => name))} sends.` : ''
  const used = lines.value.filter(line => line.encoders.length > 0)
  const narrow = used.find(({ countedMbps, needMbps }) => countedMbps !== undefined && countedMbps < needMbps)
  if (narrow)
    return `${narrow.uplink.title} is too small: ${mbps(narrow.needMbps)} must be there and ${mbps(narrow.countedMbps!)} count.${lost}`
  const blind = used.find(({ countedMbps }) => countedMbps === undefined)
  if (blind) return `${blind.uplink.title} must carry ${mbps(blind.needMbps)}, and nobody has measured it.${lost}`
  const tight = [...used].sort((a, b) => a.countedMbps! / a.needMbps - b.countedMbps! / b.needMbps)[0]
  return tight
    ? `${tight.uplink.title} carries what is sent: ${mbps(tight.needMbps)} are needed, ${mbps(tight.countedMbps!)} count.${lost}`
    : `${mbps(sent)} are sent; add the line that carries them.${lost}`
})

function make(colour: (name: string) => string) {
  const line = one.value!
  const samples = [...(line.uplink.samples ?? [])].sort((a, b) => a - b)
  const marks = [
    { y: line.needMbps, text: `needed ${mbps(line.needMbps)}`, dash: 'solid' as const, show: line.encoders.length > 0 },
    {
      y: line.countedMbps ?? 0,
      text: samples.length < ENOUGH_SAMPLES ? 'the least counts' : 'fifth percentile',
      dash: 'dot' as const,
      show: line.countedMbps !== undefined,
    },
  ].filter(({ show }) => show)
  return {
    traces: [
      {
        type: 'bar',
        x: samples.map((_, i) => i + 1),
        y: samples,
        marker: {
          color: samples.map(value => colour(value < line.needMbps ? '--dark' : '--light')),
          pattern: {
            shape: samples.map(value => (value < line.needMbps ? '/' : '')),
            fgcolor: colour('--dark'),
            size: 7,
          },
          line: { color: samples.map(value => colour(value < line.needMbps ? '--dark' : '--light')), width: 1 },
        },
        hovertemplate: '%{y:.1f} Mb/s<extra></extra>',
      },
    ] as never[],
    layout: {
      margin: { l: 56, r: 150, t: 26, b: 36 },
      showlegend: false,
      bargap: 0.25,
      shapes: marks.map(({ y, dash }) => ({
        type: 'line',
        xref: 'paper',
        x0: 0,
        x1: 1,
        y0: y,
        y1: y,
        line: { color: colour('--text'), width: 1.5, dash },
      })),
      annotations: marks.map(({ y, text }) => ({
        xref: 'paper',
        x: 1.01,
        xanchor: 'left',
        y,
        yanchor: marks.length > 1 && y === Math.min(...marks.map(mark => mark.y)) ? 'top' : 'bottom',
        text,
        showarrow: false,
      })),
      xaxis: {
        title: { text: 'what was measured, the least first', font: { size: 13 } },
        showticklabels: false,
        fixedrange: true,
      },
      yaxis: {
        title: { text: 'Mb/s', font: { size: 13 } },
        range: [0, Math.max(line.needMbps, ...samples) * 1.12],
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
    } as never,
  }
}
const rows = computed(() =>
  lines.value.map(({ id, uplink, encoders: mine, needMbps, countedMbps }) => ({
    id,
    title: uplink.title,
    words: `${KIND_WORDS[uplink.by]}${mine.length ? `, for ${listWords(mine.map(({ name }) => name))}` : ', to fall back on'}`,
    figures: [
      mine.length ? `needs\u00A0${mbps(needMbps)}` : '',
      countedMbps === undefined ? 'not measured' : mbps(countedMbps),
    ],
    grave: countedMbps !== undefined && countedMbps < needMbps,
  })),
)

// --- what changes the plan ---
const nextOrder = (entries: Readonly<Record<string, { order: number }>>): number =>
  1 + Math.max(0, ...Object.values(entries).map(({ order }) => order))
async function add(): Promise<void> {
  const first = lines.value.length === 0
  const title = first ? 'Line of the house' : `Line ${lines.value.length + 1}`
  const id = freshId(title, plan.value.uplinks, Math.random)
  const value = {
    title,
    order: nextOrder(plan.value.uplinks),
    by: first ? ('wire' as const) : ('mobile' as const),
    ...(first && encoders.value.length
      ? { encoders: Object.fromEntries(encoders.value.map(({ device }) => [device, true as const])) }
      : {}),
  }
  if (await store.commit('Add a line', [{ do: 'add', collection: 'uplinks', id, value }])) chosen.value = id
}
async function remove(): Promise<void> {
  const line = one.value
  if (line)
    await store.commit(`Take out ${line.uplink.title}`.slice(0, 120), [
      { do: 'remove', collection: 'uplinks', id: line.id },
    ])
}
type UplinkField = 'title' | 'by' | 'allowanceGB' | 'measured' | 'samples'
async function set(field: UplinkField, value: unknown, words: string): Promise<void> {
  if (one.value)
    await store.commit(`${one.value.uplink.title}: ${words}`.slice(0, 120), [
      setEdit(['uplinks', one.value.id, field], value as never),
    ])
}
/** "24, 31.5 28": Mb/s, as many as there are; undefined where something else is in it. */
function samplesIn(text: string): number[] | undefined {
  const parts = text.split(/[\s;]+|,(?!\d{1,2}(?:\s|;|$))|,\s+/).filter(Boolean)
  const found = parts.map(part => Number(part.replace(',', '.').replace(/mb\/?s$/i, '')))
  return found.length <= 500 && found.every(value => Number.isFinite(value) && value >= 0 && value <= 100_000)
    ? found
    : undefined
}
const samplesSchema = string().test(
  'samples',
  'figures in Mb/s with spaces between them, 500 at most',
  text => samplesIn(text ?? '') !== undefined,
)
const measure = (text: string): Promise<void> => {
  const found = samplesIn(text) ?? []
  return set('samples', found.length ? found : undefined, found.length ? `${found.length} measured` : 'not measured')
}
async function over(device: string): Promise<void> {
  const line = one.value
  if (!line) return
  const on = line.encoders.some(encoder => encoder.device === device)
  await store.commit(
    `${plan.value.devices[device]!.name} ${on ? 'no longer sends' : 'sends'} over ${line.uplink.title}`.slice(0, 120),
    [setEdit(['uplinks', line.id, 'encoders', device], on ? undefined : true)],
  )
}
async function aim(device?: string): Promise<void> {
  const encoder = device ?? one.value?.encoders[0]?.device ?? encoders.value[0]?.device
  if (encoder === undefined) return
  const load = encoders.value.find(entry => entry.device === encoder)!
  const title = `Destination ${Object.keys(plan.value.destinations).length + 1}`
  const typical = load.sending[0]?.destination === undefined ? load.mbps - 0.16 : 5
  const value = {
    title,
    order: nextOrder(plan.value.destinations),
    encoder,
    videoMbps: Math.max(0.1, Math.round(typical * 10) / 10),
  }
  await store.commit(`Add ${title}`, [
    { do: 'add', collection: 'destinations', id: freshId(title, plan.value.destinations, Math.random), value },
  ])
}
async function setDestination(id: string, field: 'title' | 'videoMbps' | 'audioMbps', text: string): Promise<void> {
  const value = field === 'title' ? text : text === '' ? undefined : decimal(text)
  await store.commit(`${plan.value.destinations[id]!.title}: ${text}`.slice(0, 120), [
    setEdit(['destinations', id, field], value as never),
  ])
}
async function passOn(id: string, by: string): Promise<void> {
  await store.commit(`Who sends to ${plan.value.destinations[id]!.title}`.slice(0, 120), [
    setEdit(['destinations', id, 'by'], by || undefined),
  ])
}
async function dropDestination(id: string): Promise<void> {
  await store.commit(`Take out ${plan.value.destinations[id]!.title}`.slice(0, 120), [
    { do: 'remove', collection: 'destinations', id },
  ])
}
async function setHeadroom(value: string): Promise<void> {
  await store.commit('Say how much headroom a line has', [
    setEdit(['brief', 'headroom'], value === 'usual' ? undefined : (value as never)),
  ])
}
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  if (event.key.toLowerCase() === 'b') {
    event.preventDefault()
    view.value = view.value === 'lines' ? 'computers' : 'lines'
    return
  }
  if (view.value !== 'lines') return
  const at = lines.value.findIndex(({ id }) => id === chosen.value)
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (chosen.value = lines.value[Math.min(lines.value.length - 1, at + 1)]?.id),
    ArrowUp: () => (chosen.value = lines.value[Math.max(0, at - 1)]?.id),
    a: () => void add(),
    d: () => void aim(),
    m: () => void nextTick(() => document.querySelector<HTMLElement>('.samples textarea, .samples input')?.focus()),
    Delete: () => void remove(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <PlanFrame screen="line" :foot-name="view === 'lines' ? one?.uplink.title : VIEWS[view]">
    <template #controls>
      <ViewTabs v-model="view" :views="VIEWS" />
      <button v-if="view === 'lines' && encoders.length" type="button" class="btn small" @click="add">
        Add a line <span class="key">A</span>
      </button>
    </template>
    <ComputersView v-if="view === 'computers'" />
    <div v-else-if="!known" class="screen quiet" role="status">Adding up what is sent …</div>
    <div v-else-if="encoders.length === 0" class="screen">
      <h2>Nothing is streamed</h2>
      <p>
        Once somebody is to see the show through an encoder, what it sends stands here against what the line carries.
      </p>
    </div>
    <BudgetPage
      v-else
      :sentence="sentence"
      :label="one?.uplink.samples ? `What was measured on ${one.uplink.title}` : undefined"
      :about="[one, known]"
      :make="make"
      :aside="one?.uplink.title ?? 'Destinations'"
    >
      <BudgetRows v-if="lines.length" v-model="chosen" label="Lines" :rows="rows" />
      <p v-else>
        <button type="button" class="btn primary" @click="add">Add the line of the house</button>
      </p>
      <p class="line">
        <label
          >A line must carry
          <select class="pick" :value="plan.brief.headroom ?? 'usual'" @change="event => setHeadroom(valueIn(event))">
            <option value="usual">half as much again as is sent</option>
            <option value="cautious">twice what is sent</option>
          </select></label
        >
      </p>
      <p class="small quiet">
        Measure by wire, upward, at the time of day of the show: twenty samples over ten minutes, of which the fifth
        percentile counts; of fewer the least. A tenth is added for what goes out beside the pictures.
      </p>
      <template #aside>
        <template v-if="one">
          <h3>{{ one.uplink.title }}</h3>
          <label class="pair"
            >Name
            <TypedField
              :key="one.id"
              :value="one.uplink.title"
              :schema="nameSchema"
              needs="a name"
              aria-label="Name of the line"
              @done="text => set('title', text, text)"
          /></label>
          <label class="pair"
            >Leaves the house
            <select class="pick" :value="one.uplink.by" @change="event => set('by', valueIn(event), valueIn(event))">
              <option v-for="kind in LINE_KINDS" :key="kind" :value="kind">{{ KIND_WORDS[kind] }}</option>
            </select></label
          >
          <label class="pair samples"
            >Measured, Mb/s
            <TypedField
              :key="`${one.id} samples`"
              :lines="2"
              :value="(one.uplink.samples ?? []).map(value => figure(value)).join(' ')"
              :schema="samplesSchema"
              placeholder="24 31 28 …"
              aria-label="Measured, Mb/s"
              @done="measure"
          /></label>
          <label class="pair"
            >On
            <input
              class="pick"
              type="date"
              aria-label="Day of the measurement"
              :value="one.uplink.measured ?? ''"
              @change="event => set('measured', valueIn(event) || undefined, `measured on ${valueIn(event)}`)"
          /></label>
          <label class="pair"
            >Allowance, GB
            <TypedField
              :key="`${one.id} gb`"
              class="figures"
              inputmode="decimal"
              :value="one.uplink.allowanceGB ?? ''"
              :schema="gigabytesSchema"
              placeholder="not counted"
              aria-label="Allowance, GB"
              @done="text => set('allowanceGB', text === '' ? undefined : decimal(text), `${text || 'no'} GB`)"
          /></label>
          <p v-if="one.volumeGB !== undefined && one.encoders.length" class="small quiet">
            The show sends {{ figure(one.volumeGB) }}&nbsp;GB over it.
          </p>
          <FindingList v-if="findings.length" :findings="findings" />
          <h4>Sends over it</h4>
          <label v-for="encoder in encoders" :key="encoder.device" class="check"
            ><input type="checkbox" :checked="encoder.over.includes(one.id)" @change="over(encoder.device)" />
            {{ encoder.name }} <span class="figures quiet">{{ mbps(encoder.mbps) }}</span></label
          >
        </template>
        <section v-for="encoder in encoders" :key="encoder.device">
          <h4>{{ encoder.name }} sends to</h4>
          <div v-for="sent in encoder.sending" :key="sent.destination ?? ''" class="sent">
            <template v-if="sent.destination !== undefined">
              <TypedField
                :value="sent.title"
                :schema="nameSchema"
                needs="a name"
                :aria-label="`Name of ${sent.title}`"
                @done="text => setDestination(sent.destination!, 'title', text)"
              />
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="plan.destinations[sent.destination]?.videoMbps ?? ''"
                :schema="rateSchema"
                needs="a rate"
                :aria-label="`Video to ${sent.title}, Mb/s`"
                @done="text => setDestination(sent.destination!, 'videoMbps', text)"
              />
              <select
                v-if="encoder.sending.length > 1"
                class="pick small"
                aria-label="From whom it comes"
                :value="plan.destinations[sent.destination]?.by ?? ''"
                @change="event => passOn(sent.destination!, valueIn(event))"
              >
                <option value="">from the encoder</option>
                <option
                  v-for="other in encoder.sending.filter(
                    one => one.destination && one.destination !== sent.destination,
                  )"
                  :key="other.destination"
                  :value="other.destination"
                >
                  passed on by {{ other.title }}
                </option>
              </select>
              <button type="button" class="btn plain small" @click="dropDestination(sent.destination!)">
                Take out
              </button>
            </template>
            <template v-else>
              <span class="quiet">{{ sent.title }}</span><span class="figures">{{ mbps(sent.mbps) }}</span>
            </template>
          </div>
          <button type="button" class="btn small" @click="aim(encoder.device)">
            Add a destination <span class="key">D</span>
          </button>
        </section>
        <p class="small quiet">Stream keys are not kept in the plan: write on the sheet where they are.</p>
      </template>
    </BudgetPage>
  </PlanFrame>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 40px;
  color: var(--quiet);
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.sent {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px auto;
  gap: 8px;
  align-items: center;
  min-height: 38px;
}
.line label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
</style>
