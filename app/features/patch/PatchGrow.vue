<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import type { Growth } from '#core/features/patch'
import type { Verdict } from '#core/kernel'
import { listWords, moneyText, msText } from '#core/words'

import { usePlanStore } from '~/plan/store'

/** A feeder against a larger switcher against doing without: money for each input gained, drawn as light, and what is lost at the join. */
const store = usePlanStore()
const rows = shallowRef<readonly Growth[]>()
const chosen = ref<string>()
watch(
  () => store.report?.version,
  async version => {
    if (version === undefined) return
    const answer = await store.ask('growth')
    if (!answer || version !== store.report?.version) return
    rows.value = answer
    if (!answer.some(({ id }) => id === chosen.value)) chosen.value = answer[0]?.id
  },
  { immediate: true },
)
const row = computed(() => rows.value?.find(({ id }) => id === chosen.value))
const currency = computed(() => store.plan?.brief.currency ?? CATALOGUE_CURRENCY)
const money = (minor: number) => moneyText(Math.round(minor / 100) * 100, currency.value)
const most = computed(() => Math.max(1, ...(rows.value ?? []).map(({ minorPerInput }) => minorPerInput ?? 0)))
const WIDE = 180
const HOW = { feeder: 'Feeder', larger: 'Larger', without: 'Without' } as const
const signed = (n: number | undefined) =>
  n === undefined ? 'not stated' : n > 0 ? `+${n}` : n < 0 ? `\u2212${-n}` : '0'
const arrive = ({ arrive: lit, wanted }: Verdict) => `${lit} of ${wanted}`

async function take(growth: Growth): Promise<void> {
  if (growth.edits.length) await store.commit(growth.title, growth.edits)
}
function keys(event: KeyboardEvent): void {
  const all = rows.value ?? []
  const i = all.findIndex(({ id }) => id === chosen.value)
  if (event.key === 'ArrowDown') chosen.value = all[Math.min(all.length - 1, i + 1)]?.id
  else if (event.key === 'ArrowUp') chosen.value = all[Math.max(0, i - 1)]?.id
  else if (event.key === 'Enter' && row.value) void take(row.value)
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`grow-${chosen.value}`)?.scrollIntoView({ block: 'nearest' }))
}
</script>

<template>
  <div v-if="!rows" class="screen quiet" role="status">Trying every feeder and every larger switcher …</div>
  <div v-else-if="rows.length === 0" class="screen">
    <h2>Nothing to grow yet</h2>
    <p>
      Add a switcher and lead sources to it: a feeder before it, a larger one in its place, and doing without are
      weighed here against each other.
    </p>
  </div>
  <div v-else class="grow">
    <div
      class="list"
      role="listbox"
      tabindex="0"
      aria-label="Ways to more inputs, the cheapest for each input first"
      :aria-activedescendant="chosen ? `grow-${chosen}` : undefined"
      @keydown="keys"
    >
      <div class="head small quiet" role="presentation">
        <span>how</span><span>inputs</span><span>money for each input gained</span><span>price</span><span>delay</span>
      </div>
      <div
        v-for="one in rows"
        :id="`grow-${one.id}`"
        :key="one.id"
        role="option"
        class="row"
        :class="{ on: one.id === chosen }"
        :aria-selected="one.id === chosen"
        @click="chosen = one.id"
      >
        <span class="names"
          ><b>{{ HOW[one.how] }}</b
          ><span class="small quiet cut" :title="one.model || one.title">{{ one.model || one.title }}</span></span
        >
        <span class="figures">{{ signed(one.inputs) }}</span>
        <span class="bar"
          ><svg :width="WIDE" height="14" aria-hidden="true">
            <rect
              v-if="one.minorPerInput !== undefined"
              x="0"
              y="2"
              :width="Math.max(3, (one.minorPerInput / most) * WIDE)"
              height="10"
              fill="var(--band)"
              stroke="var(--edge)"
            /></svg
          ><span class="figures">{{
            one.minorPerInput === undefined ? '\u2013' : money(one.minorPerInput)
          }}</span></span
        >
        <span class="figures">{{ one.minor === 0 ? '0' : money(one.minor) }}</span>
        <span class="figures">{{
          one.delayMs === 0 ? '0' : `${one.delayMs > 0 ? '+' : '\u2212'}${msText(Math.abs(one.delayMs))}`
        }}</span>
      </div>
    </div>
    <section v-if="row" class="details" :aria-label="row.title">
      <h3>{{ row.title.split(':')[0] }}</h3>
      <p v-if="row.model" class="quiet">{{ row.model }}.</p>
      <table class="sheet-table gains" aria-label="What is gained">
        <tbody>
          <tr>
            <td>Inputs for pictures</td>
            <td class="num">{{ signed(row.inputs) }}</td>
          </tr>
          <tr>
            <td>Outputs</td>
            <td class="num">{{ signed(row.outputs) }}</td>
          </tr>
          <tr>
            <td>Keys at once</td>
            <td class="num">{{ signed(row.keyers) }}</td>
          </tr>
          <tr>
            <td>Recordings inside</td>
            <td class="num">{{ signed(row.records) }}</td>
          </tr>
          <tr v-if="row.effect">
            <td>Arrive</td>
            <td class="num">{{ arrive(row.effect.before) }}, then {{ arrive(row.effect.after) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="row.looksLost.length" class="strong">
        {{ row.how === 'feeder' ? 'With all its inputs used,' : 'With it' }}
        {{ row.looksLost.length === 1 ? 'a look' : `${row.looksLost.length} looks` }} can no longer be shown:
        {{ listWords(row.looksLost) }}.
      </p>
      <template v-if="row.limits.length"
        ><h4>{{ row.how === 'feeder' ? 'Across the join' : 'What it costs besides' }}</h4>
        <ul>
          <li v-for="limit in row.limits" :key="limit">{{ limit }}</li>
        </ul></template
      >
      <p v-if="row.how === 'feeder'" class="quiet">
        One source moves over to it, and its program takes that input; the others find room by Patch or by hand.
      </p>
      <button type="button" class="btn primary" :disabled="row.edits.length === 0" @click="take(row)">
        {{ row.how === 'without' ? 'Take them out' : 'Put it in' }} <span class="key">Enter</span>
      </button>
      <p v-if="row.edits.length === 0" class="small quiet">They hang on cables: take those away on Runs first.</p>
    </section>
  </div>
</template>

<style scoped>
.grow {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
}
.list {
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
.head,
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 56px 290px 104px 72px;
  gap: 12px;
  align-items: center;
  padding: 6px 16px;
  border-bottom: 1px solid var(--line);
}
.head {
  position: sticky;
  top: 0;
  background: var(--ground);
  border-bottom-color: var(--border);
}
.head span:nth-child(2),
.head span:nth-child(n + 4),
.row > .figures {
  text-align: right;
}
.row {
  min-height: 44px;
  cursor: pointer;
}
.row:hover {
  background: var(--hover);
}
.row.on {
  background: var(--raised);
  box-shadow: inset 3px 0 var(--chosen);
}
.names {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.25;
}
.bar {
  display: flex;
  align-items: center;
  gap: 10px;
}
.details {
  overflow-y: auto;
  padding: 20px 24px;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 12px;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
ul {
  margin: 0 0 12px;
  padding-left: 18px;
}
.gains {
  margin-bottom: 12px;
}
.gains td:first-child {
  white-space: nowrap;
}
.details p {
  margin: 0 0 12px;
}
@media (max-width: 1000px) {
  .grow {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(200px, 1fr) auto;
  }
  .list {
    border-right: 0;
    border-bottom: 1px solid var(--border);
  }
  .head,
  .row {
    grid-template-columns: minmax(0, 1fr) 48px 230px 96px;
  }
  .head span:last-child,
  .row > .figures:last-child {
    display: none;
  }
  .bar svg {
    width: 110px;
  }
}
</style>
