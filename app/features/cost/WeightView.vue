<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { number } from 'yup'
import { emptyPlan, setEdit } from '#core/document'
import { GOODS, kgText } from '#core/features/cost'
import { figure } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'
import { nameSchema, placeSchema, weightSchema, volumeSchema } from '~/ui/typed'
import { useEntries } from './entries'

/** What travels, by the place where it stands as a unit, with its draw, which is its heat. */
const store = usePlanStore()
const selection = useBoardStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const { add, set, remove, figureIn } = useEntries(() => plan.value)
const weight = useAnswer('weight', () => [] as const)
const NOWHERE = ' nowhere'
const CASES = ' cases'
const LEADS = ' leads'
const chosen = ref<string>()
const positions = computed(() => weight.value?.positions ?? [])
const idOf = (place: string | undefined): string => place ?? NOWHERE
watch(
  positions,
  list => {
    if (![...list.map(({ place }) => idOf(place)), CASES, LEADS].includes(chosen.value ?? ''))
      chosen.value = list.length ? idOf(list[0]!.place) : CASES
  },
  { immediate: true },
)
const one = computed(() => positions.value.find(({ place }) => idOf(place) === chosen.value))
const titleOf = (place: string | undefined): string => place ?? 'No place said'
const findings = computed(() =>
  (store.report?.findings ?? []).filter(
    ({ id, at }) =>
      id === 'P08' && at.on === 'device' && one.value?.devices.some(({ id: device }) => device === at.device),
  ),
)

const sentence = computed(() => {
  if (!weight.value) return ''
  const { grams, known, of, cases, vans } = weight.value
  const heaviest = positions.value.find(({ place }) => place !== undefined)
  const load = vans.find(({ holdsGrams }) => holdsGrams !== undefined)
  const unknown = known < of ? ` The mass of ${known} of ${of} things is known.` : ''
  const room =
    cases.holdsLitres === 0
      ? ''
      : cases.holdsLitres < cases.needsLitres
        ? ` The cases hold ${litres(cases.holdsLitres)}; ${litres(cases.needsLitres)} are needed.`
        : ` The cases hold it: ${litres(cases.needsLitres)} of ${litres(cases.holdsLitres)}.`
  const van =
    load?.holdsGrams === undefined
      ? ''
      : load.holdsGrams < grams
        ? ` That is ${kgText(grams - load.holdsGrams)} too much for ${load.title}.`
        : ` ${load.title} takes it.`
  return `${kgText(grams)} travel${heaviest ? `, the most of it to ${heaviest.place}: ${kgText(heaviest.grams)}` : ''}.${van}${room}${unknown}`
})
const litres = (value: number): string => `${figure(value, 0)}\u00A0l`

const drawn = computed(() => [
  ...positions.value.map(({ place, grams, goods, devices }) => ({
    id: idOf(place),
    title: titleOf(place),
    devices: devices.reduce((sum, device) => sum + (device.grams ?? 0), 0),
    all: grams,
    goods: goods.length,
  })),
  ...(weight.value?.leads.pieces
    ? [{ id: LEADS, title: 'Leads', devices: weight.value.leads.grams, all: weight.value.leads.grams, goods: 0 }]
    : []),
  ...(weight.value?.cases.count
    ? [{ id: CASES, title: 'Cases', devices: 0, all: weight.value.cases.grams, goods: 1 }]
    : []),
])
function make(colour: (name: string) => string) {
  const bars = drawn.value.toReversed()
  const trace = (name: string, of: (bar: (typeof bars)[number]) => number, fill: string) => ({
    type: 'bar',
    orientation: 'h',
    name,
    y: bars.map(({ title }) => (title.length > 20 ? `${title.slice(0, 19)}\u2026` : title)),
    x: bars.map(bar => of(bar) / 1000),
    marker: {
      color: colour(fill),
      line: {
        color: bars.map(({ id }) => colour(id === chosen.value ? '--chosen' : fill)),
        width: bars.map(({ id }) => (id === chosen.value ? 3 : 0)),
      },
    },
    hoverinfo: 'none',
  })
  return {
    traces: [
      trace('with a plug', bar => bar.devices, '--light'),
      trace('without', bar => bar.all - bar.devices, '--dark'),
    ] as never[],
    layout: {
      margin: { l: 150, r: 20, t: 8, b: 40 },
      barmode: 'stack',
      bargap: 0.4,
      showlegend: false,
      annotations: bars.map(({ title, all }) => ({
        x: all / 1000,
        y: title.length > 20 ? `${title.slice(0, 19)}\u2026` : title,
        text: ` ${kgText(all)}`,
        xanchor: 'left',
        showarrow: false,
      })),
      xaxis: {
        range: [0, (Math.max(1000, ...bars.map(({ all }) => all)) / 1000) * 1.15],
        ticksuffix: ' kg',
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
const rows = computed(() => [
  ...positions.value.map(({ place, devices, goods, grams, litres: room, watts, mostWatts, unknown }) => ({
    id: idOf(place),
    title: titleOf(place),
    words: [
      ...(devices.length ? [devices.length === 1 ? devices[0]!.name : `${devices.length} devices`] : []),
      ...goods,
    ].join(', '),
    figures: [
      `${figure(watts, 0)}\u00A0W${mostWatts > watts ? `, ${figure(mostWatts, 0)} at most` : ''}`,
      litres(room),
      unknown ? `${kgText(grams)} and ${unknown} not known` : kgText(grams),
    ],
    grave: false,
  })),
  ...(weight.value?.leads.pieces
    ? [
        {
          id: LEADS,
          title: 'Leads',
          words: `${weight.value.leads.pieces} pieces`,
          figures: ['', '', kgText(weight.value.leads.grams)],
        },
      ]
    : []),
  {
    id: CASES,
    title: 'Cases and van',
    words: weight.value?.cases.count ? `${weight.value.cases.count} cases` : 'none said',
    figures: ['', litres(weight.value?.cases.holdsLitres ?? 0), kgText(weight.value?.cases.grams ?? 0)],
    grave:
      (weight.value?.cases.holdsLitres ?? 0) > 0 && weight.value!.cases.holdsLitres < weight.value!.cases.needsLitres,
  },
])
/** Things of what is chosen, and those of the van. */
const mine = computed(() =>
  Object.entries(plan.value.goods)
    .filter(([, { kind, place }]) =>
      kind === 'case' || kind === 'van'
        ? chosen.value === CASES
        : chosen.value !== CASES && chosen.value !== LEADS && idOf(place) === chosen.value,
    )
    .sort(([, a], [, b]) => a.order - b.order),
)
const KIND_WORDS = {
  stand: 'stand',
  rigging: 'rigging',
  weight: 'weight',
  tape: 'tape',
  tool: 'tool',
  case: 'case',
  van: 'van',
  other: 'other',
} as const
const holds = (kind: string): boolean => kind === 'case' || kind === 'van'
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const countSchema = number()
  .typeError('a whole number')
  .integer('a whole number')
  .min(1, 'at least 1')
  .max(9999, 'at most 9999')
const places = computed(() =>
  [...new Set(Object.values(plan.value.devices).flatMap(({ place }) => place ?? []))].sort(),
)

async function addHere(): Promise<void> {
  const inCases = chosen.value === CASES
  const place = one.value?.place
  const kind = inCases ? 'case' : 'stand'
  const title = `${inCases ? 'Case' : 'Stand'} ${1 + Object.values(plan.value.goods).filter(entry => entry.kind === kind).length}`
  await add('goods', {
    title,
    kind,
    ...(inCases ? { grams: 7000, litres: 90, holdsLitres: 75 } : { grams: 3500, litres: 18 }),
    ...(place === undefined || inCases ? {} : { place }),
  })
  if (chosen.value === LEADS) chosen.value = NOWHERE
}
async function box(device: string): Promise<void> {
  const { name, boxed } = plan.value.devices[device]!
  await store.commit(`${name} ${boxed ? 'stands in the open' : 'stands shut in'}`.slice(0, 120), [
    setEdit(['devices', device, 'boxed'], boxed ? undefined : true),
  ])
}
const kilograms = (grams: number | undefined): string => (grams === undefined ? '' : String(grams / 1000))

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = rows.value.findIndex(({ id }) => id === chosen.value)
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (chosen.value = rows.value[Math.min(rows.value.length - 1, at + 1)]?.id),
    ArrowUp: () => (chosen.value = rows.value[Math.max(0, at - 1)]?.id),
    a: () => void addHere(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <div v-if="!weight" class="screen quiet" role="status">Weighing …</div>
  <BudgetPage
    v-else
    :sentence="sentence"
    :label="drawn.length ? 'What each position weighs' : undefined"
    :about="[weight, chosen]"
    :make="make"
    :height="Math.max(150, 80 + drawn.length * 34)"
    :aside="chosen === CASES ? 'Cases and van' : chosen === LEADS ? 'Leads' : titleOf(one?.place)"
    @chosen="i => (chosen = drawn[drawn.length - 1 - i]?.id ?? chosen)"
  >
    <BudgetRows v-model="chosen" label="Positions" :rows="rows" />
    <p class="small quiet">
      Lit is what has a plug, grey what has none. Typical masses, packed with supply and feet; leads with their plugs,
      two litres a kilogram. What a device draws becomes heat where it stands. Lift with two from 25&nbsp;kg on.
    </p>
    <template #aside>
      <h3>{{ chosen === CASES ? 'Cases and van' : chosen === LEADS ? 'Leads' : titleOf(one?.place) }}</h3>
      <p v-if="chosen === LEADS" class="quiet">{{ weight.leads.pieces }} pieces, {{ kgText(weight.leads.grams) }}.</p>
      <FindingList v-if="findings.length" :findings="findings" />
      <div v-for="device in one?.devices ?? []" :key="device.id" class="device">
        <span class="cut">{{ device.name }}</span>
        <label
          v-if="(plan.devices[device.id]?.boxed ?? false) || plan.models[plan.devices[device.id]!.model]?.watts"
          class="check small quiet"
          ><input type="checkbox" :checked="plan.devices[device.id]?.boxed === true" @change="box(device.id)" /> shut
          in</label
        >
        <span v-else />
        <span class="figures">{{ device.grams === undefined ? 'not known' : kgText(device.grams) }}</span>
      </div>
      <div v-for="[id, entry] in mine" :key="id" class="thing">
        <div class="head">
          <TypedField
            :value="entry.title"
            :schema="nameSchema"
            needs="a name"
            :aria-label="`Name of ${entry.title}`"
            @done="text => set('goods', id, 'title', text, text)"
          />
          <select
            class="pick"
            :value="entry.kind"
            :aria-label="`Kind of ${entry.title}`"
            @change="event => set('goods', id, 'kind', valueIn(event), valueIn(event))"
          >
            <option v-for="kind in GOODS" :key="kind" :value="kind">{{ KIND_WORDS[kind] }}</option>
          </select>
        </div>
        <div class="fields">
          <label
            >how many
            <TypedField
              class="figures"
              inputmode="numeric"
              :value="entry.count ?? 1"
              :schema="countSchema"
              :aria-label="`How many of ${entry.title}`"
              @done="text => set('goods', id, 'count', text === '' ? undefined : Number(text), text || 'one')"
          /></label>
          <label v-if="entry.kind !== 'van'"
            >kg each
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="kilograms(entry.grams)"
              :schema="weightSchema"
              placeholder="not known"
              :aria-label="`Mass of one of ${entry.title}, kg`"
              @done="text => set('goods', id, 'grams', figureIn(text, 1000), `${text || 'unknown'} kg`)"
          /></label>
          <label v-if="!holds(entry.kind)"
            >litres each
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="entry.litres ?? ''"
              :schema="volumeSchema"
              placeholder="not known"
              :aria-label="`Room that one of ${entry.title} takes, litres`"
              @done="text => set('goods', id, 'litres', figureIn(text), `${text || 'unknown'} l`)"
          /></label>
          <label v-if="entry.kind === 'case'"
            >holds, litres
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="entry.holdsLitres ?? ''"
              :schema="volumeSchema"
              placeholder="not known"
              :aria-label="`What one of ${entry.title} holds, litres`"
              @done="text => set('goods', id, 'holdsLitres', figureIn(text), `${text || 'unknown'} l`)"
          /></label>
          <label v-if="entry.kind === 'van'"
            >takes, kg
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="kilograms(entry.holdsGrams)"
              :schema="weightSchema"
              placeholder="not known"
              :aria-label="`What ${entry.title} may carry, kg`"
              @done="text => set('goods', id, 'holdsGrams', figureIn(text, 1000), `${text || 'unknown'} kg`)"
          /></label>
          <label v-if="!holds(entry.kind)"
            >stands at
            <TypedField
              list="cost-places"
              :value="entry.place ?? ''"
              :schema="placeSchema"
              placeholder="nowhere"
              :aria-label="`Where ${entry.title} stands`"
              @done="text => set('goods', id, 'place', text || undefined, text || 'nowhere')"
          /></label>
        </div>
        <button type="button" class="btn plain small" @click="remove('goods', id)">Take out</button>
      </div>
      <datalist id="cost-places">
        <option v-for="place in places" :key="place" :value="place" />
      </datalist>
      <p>
        <button type="button" class="btn small" @click="addHere">
          {{ chosen === CASES ? 'Add a case' : 'Add a stand or another thing here' }} <span class="key">A</span>
        </button>
      </p>
    </template>
  </BudgetPage>
</template>

<style scoped>
.device {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 84px;
  gap: 10px;
  align-items: center;
  min-height: 32px;
}
.device .figures {
  text-align: right;
}
.check {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.thing {
  border-top: 1px solid var(--line);
  padding: 8px 0;
}
.head {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 100px;
  gap: 8px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px 14px;
  margin: 6px 0;
}
.fields label {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 78px;
  gap: 6px;
  align-items: center;
  color: var(--quiet);
}
</style>
