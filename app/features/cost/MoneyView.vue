<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { number } from 'yup'
import { type Plan, emptyPlan, setEdit } from '#core/document'
import { HAD, PER, STEPS, STEP_WORDS, kgText, minutesText } from '#core/features/cost'
import { figure, listWords, moneyText } from '#core/words'
import type { PlanState, PlanSummary } from '#shared/api'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { api } from '~/plan/api'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import { isTyped } from '~/ui/keys'
import { nameSchema, priceSchema } from '~/ui/typed'
import { useEntries } from './entries'
import { stepsChart } from './stepsChart'

/** What the show costs, by step from what is owned to the whole; beside another version of it. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const { add, set, remove, figureIn } = useEntries(() => plan.value)
const cost = useAnswer('cost', () => [] as const)
const grade = useAnswer('grade', () => [] as const)
const chosen = ref<string | undefined>('missing')
watch(cost, now => {
  if (now && now.sums[chosen.value as keyof typeof now.sums] === 0)
    chosen.value = STEPS.findLast(step => now.sums[step] > 0) ?? 'services'
})
const money = (minor: number): string => moneyText(minor, cost.value?.currency ?? '')
const here = computed(() => `/shows/${String(route.params.show)}/${String(route.params.plan)}`)

// --- beside another version ---
const plans = shallowRef<readonly PlanSummary[]>([])
const besideId = ref('')
const besidePlan = shallowRef<Plan>()
watch(
  () => store.planId,
  async () => {
    plans.value = await api<PlanSummary[]>(`/shows/${store.show!.id}/plans`).catch(() => [])
  },
  { immediate: true },
)
watch([besideId, () => store.report?.version], async () => {
  const id = besideId.value
  const got = id ? await api<PlanState>(`/shows/${store.show!.id}/plans/${id}`).catch(() => undefined) : undefined
  if (id === besideId.value) besidePlan.value = got?.plan
})
const versions = useAnswer('versionCosts', () => (besidePlan.value ? ([besidePlan.value] as const) : undefined))
const beside = computed(() => (besideId.value && besidePlan.value ? versions.value : undefined))
const others = computed(() => plans.value.filter(({ id }) => id !== store.planId))

const sentence = computed(() => {
  if (!cost.value) return ''
  const { spendMinor, budgetMinor, sums, unknown } = cost.value
  const paid = STEPS.filter(step => step !== 'owned' && sums[step] > 0).sort((a, b) => sums[b] - sums[a])
  const parts = paid.slice(0, 2).map(step => `${money(sums[step])} for what is ${WHAT[step]}`)
  const open = unknown.length
    ? ` Of ${unknown.length === 1 ? 'one line' : `${unknown.length} lines`} a figure is not known.`
    : ''
  const most =
    paid.length > 1 ? `, the most of it ${listWords(parts)}` : paid[0] ? `, all of it for what is ${WHAT[paid[0]]}` : ''
  if (budgetMinor === undefined)
    return spendMinor === 0
      ? `Nothing is to be paid: everything that is needed is owned.${open}`
      : `${money(spendMinor)} are to be paid${most}.${open}`
  return spendMinor > budgetMinor
    ? `${money(spendMinor)} are to be paid, ${money(spendMinor - budgetMinor)} more than there are${most}.${open}`
    : `${money(spendMinor)} of ${money(budgetMinor)} are to be paid${most}; ${money(budgetMinor - spendMinor)} stay.${open}`
})
const WHAT = {
  owned: 'owned',
  hired: 'hired',
  bought: 'bought',
  missing: 'still missing',
  services: 'done by others',
  crew: 'done by the crew',
} as const

const make = (colour: (name: string) => string) =>
  stepsChart(
    [
      { title: store.plan?.title ?? '', cost: cost.value! },
      ...(beside.value ? [{ title: besidePlan.value!.title, cost: beside.value.there }] : []),
    ],
    chosen.value,
    colour,
  )
const ABOUT = {
  owned: 'its worth; not paid',
  hired: 'for the show',
  bought: 'new or second-hand',
  missing: 'in the plan, and in nobody\u2019s hands',
  services: 'paid for and not carried',
  crew: 'from the first of the building to the last of the striking',
} as const
const rows = computed(() =>
  STEPS.map(step => {
    const lines = cost.value?.lines.filter(line => line.step === step) ?? []
    return {
      id: step,
      title: STEP_WORDS[step],
      words: lines.length
        ? `${lines.length === 1 ? 'one line' : `${lines.length} lines`}, ${ABOUT[step]}`
        : ABOUT[step],
      figures: [
        ...(beside.value ? [money(beside.value.there.sums[step])] : []),
        lines.length ? money(cost.value!.sums[step]) : '',
      ],
      grave: step === 'missing' && lines.length > 0,
    }
  }),
)
const lines = computed(() => cost.value?.lines.filter(({ step }) => step === chosen.value) ?? [])
const idIn = (key: string, kind: string): string | undefined =>
  key.startsWith(`${kind}/`) ? key.slice(kind.length + 1) : undefined
const amount = (minor: number | undefined): string => (minor === undefined ? '' : String(minor / 100))
const PER_WORDS = {
  'show': 'once',
  'hour': 'an hour',
  'viewer': 'a viewer',
  'viewer hour': 'a viewer and hour',
} as const
const HAD_WORDS = { owned: 'owned', hired: 'hired', bought: 'bought', used: 'second-hand' } as const
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const countSchema = number()
  .typeError('a whole number')
  .integer('a whole number')
  .min(0, 'not below 0')
  .max(1e8, 'less')

async function say(field: 'viewers' | 'audience' | 'budgetMinor', text: string): Promise<void> {
  const value = figureIn(text, field === 'budgetMinor' ? 100 : 1)
  const words = {
    viewers: 'Say how many watch',
    audience: 'Say how many are in the room',
    budgetMinor: 'Say what there is',
  }
  await store.commit(words[field], [setEdit(['brief', field], value)])
}
async function pay(person: string, field: 'payMinor' | 'paidBy', value: unknown): Promise<void> {
  await store.commit(`Say what ${plan.value.people[person]!.name} is paid`.slice(0, 120), [
    setEdit(['people', person, field], value as never),
  ])
}
async function addThing(): Promise<void> {
  const had =
    chosen.value === 'hired'
      ? 'hired'
      : chosen.value === 'bought'
        ? 'bought'
        : chosen.value === 'owned'
          ? 'owned'
          : 'hired'
  const title = `Thing ${Object.keys(plan.value.goods).length + 1}`
  if (await add('goods', { title, kind: 'other', had, eachMinor: 0 })) chosen.value = had
}
async function addService(): Promise<void> {
  const title = `Service ${Object.keys(plan.value.services).length + 1}`
  if (await add('services', { title, per: 'show', eachMinor: 0 })) chosen.value = 'services'
}
/** Things that no line shows: owned ones of which nobody has said the worth. */
const silentGoods = computed(() => {
  const shown = new Set(cost.value?.lines.map(({ key }) => key))
  return chosen.value === 'owned' ? Object.entries(plan.value.goods).filter(([id]) => !shown.has(`goods/${id}`)) : []
})
const unpaid = computed(() =>
  chosen.value === 'crew' ? Object.entries(plan.value.people).filter(([, { payMinor }]) => payMinor === undefined) : [],
)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = STEPS.indexOf(chosen.value as (typeof STEPS)[number])
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (chosen.value = STEPS[Math.min(STEPS.length - 1, at + 1)]),
    ArrowUp: () => (chosen.value = STEPS[Math.max(0, at - 1)]),
    a: () => void (chosen.value === 'services' ? addService() : addThing()),
    s: () => void addService(),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <div v-if="!cost" class="screen quiet" role="status">Adding up what it costs …</div>
  <div v-else-if="cost.lines.length === 0" class="screen">
    <h2>Nothing costs anything yet</h2>
    <p>
      Devices and cables of the plan stand here with what they cost, beside things without a plug, services and crew.
    </p>
    <p class="begin">
      <button type="button" class="btn primary" @click="addThing">Add a thing <span class="key">A</span></button>
      <button type="button" class="btn" @click="addService">Add a service <span class="key">S</span></button>
    </p>
  </div>
  <BudgetPage
    v-else
    :sentence="sentence"
    label="From what is owned to the whole, step by step"
    :about="[cost, beside, chosen]"
    :make="make"
    :height="230"
    :aside="chosen === undefined ? undefined : STEP_WORDS[chosen as 'owned']"
    @chosen="i => (chosen = STEPS.filter(step => step === 'owned' || cost!.sums[step] > 0)[i] ?? chosen)"
  >
    <BudgetRows v-model="chosen" label="Steps from what is owned to the whole" :rows="rows" />
    <p class="said">
      <label
        >There are
        <TypedField
          class="figures wide"
          inputmode="decimal"
          :value="amount(plan.brief.budgetMinor)"
          :schema="priceSchema"
          placeholder="not said"
          :aria-label="`What there is to spend, ${cost.currency}`"
          @done="text => say('budgetMinor', text)"
        />
        {{ cost.currency }}</label
      >
      <label
        >in the room
        <TypedField
          class="figures"
          inputmode="numeric"
          :value="plan.brief.audience ?? ''"
          :schema="countSchema"
          placeholder="not said"
          aria-label="People in the room"
          @done="text => say('audience', text)"
      /></label>
      <label
        >watch from elsewhere
        <TypedField
          class="figures"
          inputmode="numeric"
          :value="plan.brief.viewers ?? ''"
          :schema="countSchema"
          placeholder="not said"
          aria-label="People who watch from elsewhere"
          @done="text => say('viewers', text)"
      /></label>
      <label v-if="others.length"
        >beside
        <select v-model="besideId" class="pick" aria-label="Beside another version">
          <option value="">no other version</option>
          <option v-for="one in others" :key="one.id" :value="one.id">{{ one.title }}</option>
        </select></label
      >
    </p>
    <p v-if="cost.perViewerMinor > 0" class="small quiet">Each viewer more costs {{ money(cost.perViewerMinor) }}.</p>
    <p v-if="beside" class="small">
      This version weighs {{ kgText(beside.here.grams) }}, is built in {{ minutesText(beside.here.buildMinutes) }}, and
      {{ beside.here.points }} things can each darken program alone; {{ besidePlan?.title }} weighs
      {{ kgText(beside.there.grams) }}, {{ minutesText(beside.there.buildMinutes) }}, {{ beside.there.points }}.
    </p>
    <section v-if="grade" class="grade">
      <h4>What a show before {{ figure(grade.people, 0) }} people is held to</h4>
      <ul>
        <li v-for="one in grade.held" :key="one.title">
          <NuxtLink :to="`${here}/${one.screen}`" :class="{ open: !one.there }"
            ><span aria-hidden="true">{{ one.there ? '\u2713' : '\u25cb' }}</span> {{ one.title
            }}<span v-if="!one.there" class="quiet">, not there</span></NuxtLink
          >
        </li>
      </ul>
    </section>
    <template #aside>
      <h3>{{ STEP_WORDS[chosen as 'owned'] }}, {{ money(cost.sums[chosen as 'owned']) }}</h3>
      <p v-if="['owned', 'hired', 'bought', 'missing'].includes(chosen!)" class="quiet small">
        What is owned, hired and bought of devices and cables is counted in
        <NuxtLink :to="`${here}/kit`">Kit</NuxtLink>.
      </p>
      <div v-for="line in lines" :key="line.key" class="line">
        <template v-if="idIn(line.key, 'goods')">
          <TypedField
            :value="line.title"
            :schema="nameSchema"
            needs="a name"
            :aria-label="`Name of ${line.title}`"
            @done="text => set('goods', idIn(line.key, 'goods')!, 'title', text, text)"
          />
          <div class="parts">
            <TypedField
              class="figures few"
              inputmode="numeric"
              :value="line.count"
              :schema="countSchema"
              needs="a number"
              :aria-label="`How many of ${line.title}`"
              @done="text => set('goods', idIn(line.key, 'goods')!, 'count', Math.max(1, Number(text)), text)"
            />
            <select
              class="pick"
              :value="plan.goods[idIn(line.key, 'goods')!]?.had ?? 'owned'"
              :aria-label="`How ${line.title} is come by`"
              @change="event => set('goods', idIn(line.key, 'goods')!, 'had', valueIn(event), valueIn(event))"
            >
              <option v-for="had in HAD" :key="had" :value="had">{{ HAD_WORDS[had] }}</option>
            </select>
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="amount(line.eachMinor)"
              :schema="priceSchema"
              placeholder="at"
              :aria-label="`What one of ${line.title} costs, ${cost.currency}`"
              @done="
                text => set('goods', idIn(line.key, 'goods')!, 'eachMinor', figureIn(text, 100), text || 'no price')
              "
            />
            <button type="button" class="btn plain small" @click="remove('goods', idIn(line.key, 'goods')!)">
              Take out
            </button>
          </div>
        </template>
        <template v-else-if="idIn(line.key, 'service')">
          <TypedField
            :value="line.title"
            :schema="nameSchema"
            needs="a name"
            :aria-label="`Name of ${line.title}`"
            @done="text => set('services', idIn(line.key, 'service')!, 'title', text, text)"
          />
          <div class="parts">
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="amount(line.eachMinor)"
              :schema="priceSchema"
              needs="a price"
              :aria-label="`Price of ${line.title}, ${cost.currency}`"
              @done="text => set('services', idIn(line.key, 'service')!, 'eachMinor', figureIn(text, 100), text)"
            />
            <select
              class="pick"
              :value="plan.services[idIn(line.key, 'service')!]?.per"
              :aria-label="`By what ${line.title} is charged`"
              @change="event => set('services', idIn(line.key, 'service')!, 'per', valueIn(event), valueIn(event))"
            >
              <option v-for="per in PER" :key="per" :value="per">{{ PER_WORDS[per] }}</option>
            </select>
            <button type="button" class="btn plain small" @click="remove('services', idIn(line.key, 'service')!)">
              Take out
            </button>
          </div>
        </template>
        <template v-else-if="idIn(line.key, 'person')">
          <b>{{ line.title }}</b>
          <div class="parts">
            <TypedField
              class="figures"
              inputmode="decimal"
              :value="amount(line.eachMinor)"
              :schema="priceSchema"
              :aria-label="`What ${line.title} is paid, ${cost.currency}`"
              @done="text => pay(idIn(line.key, 'person')!, 'payMinor', figureIn(text, 100))"
            />
            <select
              class="pick"
              :value="plan.people[idIn(line.key, 'person')!]?.paidBy ?? 'show'"
              :aria-label="`By what ${line.title} is paid`"
              @change="
                event =>
                  pay(idIn(line.key, 'person')!, 'paidBy', valueIn(event) === 'show' ? undefined : valueIn(event))
              "
            >
              <option value="show">for the show</option>
              <option value="hour">an hour</option>
            </select>
          </div>
        </template>
        <b v-else class="cut" :title="line.title">{{ line.title }}</b>
        <span class="sum small">
          <span class="quiet">{{
            line.lacks
              ? `not known: ${line.lacks}`
              : `${figure(line.count)} ${line.unit}${line.eachMinor === undefined ? '' : ` \u00D7 ${money(line.eachMinor)}`}`
          }}</span>
          <span class="figures">{{ line.minor === undefined ? '' : money(line.minor) }}</span>
        </span>
      </div>
      <div v-for="[id, entry] in silentGoods" :key="id" class="line">
        <b class="cut">{{ entry.title }}</b>
        <div class="parts">
          <TypedField
            class="figures"
            inputmode="decimal"
            :value="''"
            :schema="priceSchema"
            placeholder="worth"
            :aria-label="`What ${entry.title} is worth, ${cost.currency}`"
            @done="text => set('goods', id, 'eachMinor', figureIn(text, 100), text)"
          />
          <button type="button" class="btn plain small" @click="remove('goods', id)">Take out</button>
        </div>
      </div>
      <div v-for="[id, person] in unpaid" :key="id" class="line">
        <b class="cut">{{ person.name }}</b>
        <div class="parts">
          <TypedField
            class="figures"
            inputmode="decimal"
            :value="''"
            :schema="priceSchema"
            placeholder="no pay"
            :aria-label="`What ${person.name} is paid, ${cost.currency}`"
            @done="text => pay(id, 'payMinor', figureIn(text, 100))"
          />
        </div>
      </div>
      <p v-if="lines.length + silentGoods.length + unpaid.length === 0" class="quiet">Nothing here.</p>
      <p class="begin">
        <button v-if="chosen !== 'crew' && chosen !== 'services'" type="button" class="btn small" @click="addThing">
          Add a thing without a plug <span class="key">A</span>
        </button>
        <button v-if="chosen === 'services'" type="button" class="btn small" @click="addService">
          Add a service <span class="key">S</span>
        </button>
        <NuxtLink v-if="chosen === 'crew'" class="btn small" :to="`${here}/order`"
          >People of the running order</NuxtLink
        >
      </p>
    </template>
  </BudgetPage>
</template>

<style scoped>
.said {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  margin: 14px 0 6px;
  color: var(--quiet);
}
.said label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.said :deep(input.figures) {
  width: 104px;
}
.said :deep(input.wide) {
  width: 124px;
}
.grade {
  margin-top: 12px;
}
.grade h4 {
  font: 650 15px/1.3 var(--words);
  margin: 0 0 4px;
}
.grade ul {
  list-style: none;
  padding: 0;
  margin: 0;
  columns: 2;
}
.grade a {
  color: var(--text);
  text-decoration: none;
  line-height: 1.7;
}
.grade a.open {
  color: var(--light);
}
.line {
  border-top: 1px solid var(--line);
  padding: 8px 0;
  display: grid;
  gap: 4px;
}
.parts {
  display: flex;
  gap: 8px;
  align-items: center;
}
.parts :deep(input.figures) {
  width: 92px;
}
.parts :deep(input.few) {
  width: 52px;
}
.parts .pick {
  min-width: 0;
  flex: 1;
}
.sum {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.begin {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 10px;
}
@media (max-width: 1000px) {
  .grade ul {
    columns: 1;
  }
}
</style>
