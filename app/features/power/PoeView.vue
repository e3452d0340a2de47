<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { emptyPlan, setEdit } from '#core/document'
import { figure } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import FindingList from '~/ui/FindingList.vue'
import { isTyped } from '~/ui/keys'

/** What network switches feed over their sockets, against what they have. */
const store = usePlanStore()
const selection = useBoardStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const known = useAnswer('poe', () => [] as const)
const all = computed(() => known.value ?? [])
const chosen = ref<string>()
const one = computed(() => all.value.find(({ device }) => device === chosen.value))
watch(
  all,
  list => {
    if (!list.some(({ device }) => device === chosen.value))
      chosen.value = [...list].sort((a, b) => b.bookedW / b.budgetW - a.bookedW / a.budgetW)[0]?.device
  },
  { immediate: true },
)
const findings = computed(() =>
  (store.report?.findings ?? []).filter(
    ({ id, at }) =>
      (id === 'P02' && at.on === 'device' && one.value?.fed.some(({ device }) => device === at.device)) ||
      (id === 'P03' && at.on === 'device' && at.device === chosen.value),
  ),
)
const watts = (value: number): string => `${figure(value)}\u00A0W`
const sentence = computed(() => {
  const fullest = [...all.value].sort((a, b) => b.bookedW / b.budgetW - a.bookedW / a.budgetW)[0]
  if (!fullest) return ''
  const { name, bookedW, budgetW, fed, by } = fullest
  if (fed.length === 0) return `${name} could feed ${watts(budgetW)} over its sockets, and nothing is fed yet.`
  return bookedW > budgetW
    ? `${name} has ${watts(budgetW)} and would have to feed ${watts(bookedW)}: the last to ask stay off.`
    : `${name} feeds ${fed.length === 1 ? 'one device' : `${fed.length} devices`}: ${watts(bookedW)} of ${watts(budgetW)}, booked by ${by}.`
})
const rows = computed(() =>
  all.value.map(({ device, name, budgetW, bookedW, by, fed, byDrawW }) => ({
    id: device,
    title: name,
    words: `${fed.length === 1 ? 'one device' : `${fed.length} devices`}, booked by ${by}`,
    figures: [
      `${figure(bookedW)} of\u00A0${watts(budgetW)}`,
      by === 'class' ? `draws\u00A0${watts(byDrawW)}` : '',
      `${figure((bookedW / budgetW) * 100, 0)}\u00A0%`,
    ],
    grave: bookedW > budgetW,
  })),
)
function make(colour: (name: string) => string) {
  const lines = all.value.toReversed()
  const most = Math.max(110, ...lines.map(({ bookedW, budgetW }) => (bookedW / budgetW) * 100 + 8))
  const full = lines.map(({ bookedW, budgetW }) => bookedW > budgetW)
  return {
    traces: [
      {
        type: 'bar',
        orientation: 'h',
        y: lines.map(({ name }) => name),
        x: lines.map(({ bookedW, budgetW }) => (bookedW / budgetW) * 100),
        text: lines.map(({ bookedW, budgetW }) => `${figure(bookedW)} of ${figure(budgetW)} W`),
        textposition: 'auto',
        insidetextfont: { color: full.map(over => colour(over ? '--text' : '--ground')) },
        marker: {
          color: full.map(over => colour(over ? '--dark' : '--light')),
          pattern: { shape: full.map(over => (over ? '/' : '')), size: 7 },
          line: {
            color: lines.map(({ device }, i) =>
              colour(device === chosen.value ? '--chosen' : full[i] ? '--dark' : '--light'),
            ),
            width: lines.map(({ device }) => (device === chosen.value ? 3 : 1)),
          },
        },
        hoverinfo: 'none',
      },
    ] as never[],
    layout: {
      margin: { l: 150, r: 20, t: 26, b: 44 },
      showlegend: false,
      bargap: 0.42,
      shapes: [
        { type: 'line', x0: 100, x1: 100, yref: 'paper', y0: 0, y1: 1, line: { color: colour('--text'), width: 1.5 } },
      ],
      annotations: [{ x: 100, y: 1, yref: 'paper', yanchor: 'bottom', text: 'all it has', showarrow: false }],
      xaxis: {
        title: { text: 'share of what it has, %', standoff: 6, font: { size: 13 } },
        range: [0, most],
        gridcolor: colour('--line'),
        zeroline: false,
        fixedrange: true,
      },
      yaxis: { fixedrange: true, ticklabelstandoff: 8, color: colour('--text') },
    } as never,
  }
}
async function feed(device: string, value: string): Promise<void> {
  await store.commit(
    `${plan.value.devices[device]!.name}: ${value === 'supply' ? 'a supply of its own' : value === 'poe' ? 'fed over its lead' : 'as its lead allows'}`.slice(
      0,
      120,
    ),
    [setEdit(['devices', device, 'fed'], (value || undefined) as never)],
  )
}
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = all.value.findIndex(({ device }) => device === chosen.value)
  const to = event.key === 'ArrowDown' ? at + 1 : event.key === 'ArrowUp' ? at - 1 : undefined
  if (to === undefined || !all.value[to]) return
  event.preventDefault()
  chosen.value = all.value[to].device
})
</script>

<template>
  <div v-if="!known" class="screen quiet" role="status">Reading the network switches …</div>
  <div v-else-if="all.length === 0" class="screen">
    <h2>Nothing feeds over the network</h2>
    <p>
      A network switch that feeds what hangs on it, or an injector, stands here with what it has and what is booked: a
      lead to such a socket is supply and control at once.
    </p>
  </div>
  <BudgetPage
    v-else
    :sentence="sentence"
    label="What each switch feeds, against what it has"
    :about="[all, chosen]"
    :make="make"
    :height="Math.max(150, 90 + all.length * 46)"
    :aside="one?.name"
    @chosen="i => (chosen = all[all.length - 1 - i]?.device ?? chosen)"
  >
    <BudgetRows v-model="chosen" label="Switches that feed" :rows="rows" />
    <p class="small quiet">
      Classes of IEEE 802.3, booked at the switch; a draw has the loss of its lead at the worst cable added.
    </p>
    <template v-if="one" #aside>
      <h3>{{ one.name }}</h3>
      <FindingList v-if="findings.length" :findings="findings" />
      <p v-if="one.fed.length === 0" class="quiet">Nothing is fed by it.</p>
      <div v-for="fed in one.fed" :key="fed.device" class="fed">
        <b class="cut">{{ fed.name }}</b>
        <span class="small quiet"
          >class {{ fed.asks }}, draws {{ watts(fed.watts)
          }}<template v-if="fed.drawW !== undefined">, {{ watts(fed.drawW) }} at the switch</template
          ><template v-if="fed.metres"> over {{ figure(fed.metres) }}&nbsp;m</template
          ><template v-if="!fed.holds">; not enough for it</template></span
        >
        <select
          class="pick"
          :aria-label="`${fed.name} is fed`"
          :value="plan.devices[fed.device]?.fed ?? ''"
          @change="event => feed(fed.device, valueIn(event))"
        >
          <option value="">as its lead allows</option>
          <option value="poe">over its lead</option>
          <option value="supply">by a supply of its own</option>
        </select>
      </div>
    </template>
  </BudgetPage>
</template>

<style scoped>
.fed {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
.pick {
  max-width: 220px;
}
</style>
