<script setup lang="ts">
import { useIdleKeys } from '~/ui/keys'
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import type { Edit } from '#core/document'
import type { Glow, Lamp, Rung } from '#core/features/standard'
import { SEVERITY_WORDS } from '#core/kernel'
import { formatLabel } from '#core/signal'
import { WHAT_IS_RIGHT, moneyText, msText } from '#core/words'

import { usePlanStore } from '~/plan/store'

const store = usePlanStore()
const rungs = shallowRef<readonly Rung[]>()
const chosen = ref<string>()
const took = ref(0)

watch(
  () => store.report?.version,
  async version => {
    if (version === undefined) return
    const begun = performance.now()
    const answer = await store.ask('ladder')
    if (!answer || version !== store.report?.version) return
    took.value = performance.now() - begun
    rungs.value = answer
    if (!answer.some(({ label }) => label === chosen.value))
      chosen.value = given.value ?? answer.find(({ now }) => now)?.label ?? answer[0]?.label
  },
  { immediate: true },
)

const given = computed(() => (store.plan?.brief.standard ? formatLabel(store.plan.brief.standard) : undefined))
/** A given standard stands on top; the others stay for comparison. */
const shown = computed(() => {
  const all = rungs.value ?? []
  return given.value === undefined
    ? all
    : [...all.filter(({ label }) => label === given.value), ...all.filter(({ label }) => label !== given.value)]
})
const rung = computed(() => shown.value.find(({ label }) => label === chosen.value))
const columns = computed(() => shown.value[0]?.lamps ?? [])
const sources = computed(() => columns.value.filter(({ end }) => end === 'source').length)
const GLOW_WORDS: Record<Glow, string> = {
  lit: 'lit as it is',
  setting: 'lit after a setting',
  converter: 'lit through a converter',
  dark: 'dark',
}
const currency = computed(() => store.plan?.brief.currency ?? CATALOGUE_CURRENCY)
const signed = (value: number, text: string) => (value === 0 ? '0' : `${value > 0 ? '+' : '\u2212'}\u00A0${text}`)
const lampOf = (row: Rung, { device, end }: Lamp): Lamp | undefined =>
  row.lamps.find(lamp => lamp.device === device && lamp.end === end)

async function take(row: Rung): Promise<void> {
  if (row.edits.length) await store.commit(`Set the show to ${row.label}`, row.edits)
}
async function give(label: string): Promise<void> {
  const row = rungs.value?.find(candidate => candidate.label === label)
  const edit: Edit = { do: 'set', at: ['brief', 'standard'], ...(row ? { value: row.standard } : {}) }
  await store.commit(row ? `The standard is given: ${label}` : 'The standard is free to be chosen', [edit])
  if (row) chosen.value = label
}
const mayTake = (row: Rung) => row.edits.length > 0 && (given.value === undefined || given.value === row.label)

function keys(event: KeyboardEvent): void {
  const i = shown.value.findIndex(({ label }) => label === chosen.value)
  if (event.key === 'ArrowDown') chosen.value = shown.value[Math.min(shown.value.length - 1, i + 1)]?.label
  else if (event.key === 'ArrowUp') chosen.value = shown.value[Math.max(0, i - 1)]?.label
  else if (event.key === 'Enter' && rung.value && mayTake(rung.value)) void take(rung.value)
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`rung-${chosen.value}`)?.scrollIntoView({ block: 'nearest' }))
}
const changes = computed(() => rung.value?.lamps.filter(({ glow }) => glow === 'setting' || glow === 'converter') ?? [])
const dark = computed(() => rung.value?.lamps.filter(({ glow }) => glow === 'dark') ?? [])

useIdleKeys(event => keys(event))
</script>

<template>
  <PlanFrame screen="standard" :foot-name="chosen">
    <template #controls
      ><template v-if="rungs?.length">
        <span class="mode" role="group" aria-label="Who chooses the standard">
          <button
            type="button"
            class="btn small"
            :class="{ on: given === undefined }"
            :aria-pressed="given === undefined"
            @click="give('')"
          >
            Free: best first
          </button>
          <button
            type="button"
            class="btn small"
            :class="{ on: given !== undefined }"
            :aria-pressed="given !== undefined"
            @click="given === undefined && give(chosen ?? shown[0]!.label)"
          >
            Given{{ given ? `: ${given}` : '' }}
          </button>
        </span>
        <span class="legend small quiet">
          <span v-for="glow in ['lit', 'setting', 'converter', 'dark'] as const" :key="glow"
            ><LadderLamp :glow="glow" /> {{ GLOW_WORDS[glow] }}</span
          >
        </span>
      </template></template
    >
    <div v-if="rungs && rungs.length === 0" class="screen">
      <h2>No switcher, no standard</h2>
      <p>Add a switcher on Runs: what its operating standards would do to every source and screen then stands here.</p>
    </div>
    <div v-else-if="rungs" class="standard">
      <h2 class="unseen">The ladder</h2>
      <div class="scroll">
        <table
          role="grid"
          tabindex="0"
          aria-label="Standards, the best first"
          :aria-activedescendant="chosen ? `rung-${chosen}` : undefined"
          @keydown="keys"
        >
          <thead>
            <tr>
              <th />
              <th
                v-for="(lamp, i) in columns"
                :key="lamp.end + lamp.device"
                class="name"
                :class="{ first: i === sources }"
              >
                <span>{{ lamp.name }}</span>
              </th>
              <th class="num">arrive</th>
              <th class="num">set</th>
              <th class="num">convert</th>
              <th class="num">delay</th>
              <th class="num">price, {{ currency }}</th>
              <th class="why">against the next</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="row in shown"
              :id="`rung-${row.label}`"
              :key="row.label"
              :aria-selected="row.label === chosen"
              :class="{ on: row.label === chosen, aside: given !== undefined && row.label !== given }"
              @click="chosen = row.label"
              @dblclick="mayTake(row) && take(row)"
            >
              <th scope="row">
                <b class="figures">{{ row.label }}</b><span v-if="row.now" class="small quiet">in use</span>
              </th>
              <td
                v-for="(lamp, i) in columns"
                :key="lamp.end + lamp.device"
                class="lamp"
                :class="{ first: i === sources }"
              >
                <LadderLamp
                  v-if="lampOf(row, lamp)"
                  :glow="lampOf(row, lamp)!.glow"
                  :title="`${lamp.name}: ${GLOW_WORDS[lampOf(row, lamp)!.glow]}${lampOf(row, lamp)!.words ? `, ${lampOf(row, lamp)!.words}` : ''}`"
                />
              </td>
              <td class="num" :class="{ all: row.after.arrive === row.after.wanted }">
                {{ row.after.arrive }} of {{ row.after.wanted }}
              </td>
              <td class="num">{{ row.settings }}</td>
              <td class="num">{{ row.converters }}</td>
              <td class="num">{{ signed(Math.round(row.delayMs), msText(Math.abs(row.delayMs))) }}</td>
              <td class="num">
                {{ signed(row.minor, moneyText(Math.abs(row.minor), currency).replace(`\u00A0${currency}`, '')) }}
              </td>
              <td class="small quiet why" :title="row.why">{{ row.why }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <section v-if="rung" class="preview" :aria-label="`What ${rung.label} would change`">
        <div>
          <h3>{{ rung.now && !rung.edits.length ? `${rung.label} is in use` : `To set the show to ${rung.label}` }}</h3>
          <p v-if="!rung.edits.length">Nothing needs to change.</p>
          <ul v-else-if="changes.length">
            <li v-for="lamp in changes" :key="lamp.end + lamp.device">
              <b>{{ lamp.name }}</b>: {{ lamp.glow === 'converter' ? `put in ${lamp.words}` : lamp.words }}
            </li>
          </ul>
          <p v-else>Only the switchers are set anew.</p>
          <p v-if="rung.why" class="quiet narrow">Against the next: {{ rung.why }}.</p>
          <p v-if="rung.without.length" class="quiet">
            {{ rung.without.join(' and ') }} cannot work in it and stays as it is.
          </p>
        </div>
        <div>
          <h3>What comes with it</h3>
          <p v-if="!dark.length && !rung.breaks.length">Nothing dark and nothing new at risk.</p>
          <ul v-else>
            <li v-for="lamp in dark" :key="lamp.device">
              <b>{{ lamp.name }}</b> stays dark: {{ lamp.words }}
            </li>
            <li v-for="broken in rung.breaks" :key="broken.words">
              <span class="quiet">{{ SEVERITY_WORDS[broken.severity] }}</span> {{ broken.words }}
            </li>
          </ul>
        </div>
        <div class="do">
          <button type="button" class="btn primary" :disabled="!mayTake(rung)" @click="take(rung)">
            Set the show to {{ rung.label }} <span class="key">Enter</span>
          </button>
          <p class="small quiet">
            {{
              given !== undefined && given !== rung.label
                ? `The brief gives ${given}.`
                : `One step, undone by one Ctrl Z. ${shown.length} standards tried in ${Math.round(took)}\u00A0ms.`
            }}
          </p>
          <p class="small quiet">{{ WHAT_IS_RIGHT.rates }}</p>
        </div>
      </section>
    </div>
    <div v-else class="screen quiet" role="status">Trying every standard …</div>
  </PlanFrame>
</template>

<style scoped>
.standard {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.mode {
  display: flex;
  gap: 4px;
}
.legend {
  display: flex;
  gap: 16px;
  margin-left: auto;
  flex-wrap: wrap;
}
.legend span {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.scroll {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 0 16px;
}
table {
  border-collapse: collapse;
  min-width: 100%;
}
thead th {
  position: sticky;
  top: 0;
  background: var(--ground);
  z-index: 1;
  font-weight: 400;
  font-size: 13px;
  color: var(--quiet);
  vertical-align: bottom;
  padding: 4px 8px;
  border-bottom: 1px solid var(--border);
  white-space: nowrap;
}
.name {
  height: 132px;
  width: 30px;
  min-width: 30px;
  max-width: 44px;
  padding: 4px 0 !important;
}
.name span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 124px;
  overflow: hidden;
  text-overflow: ellipsis;
  display: inline-block;
}
tbody tr {
  cursor: pointer;
  height: 38px;
}
tbody tr:hover {
  background: var(--hover);
}
tbody tr.on {
  background: var(--raised);
}
tbody tr.on th {
  box-shadow: inset 3px 0 var(--chosen);
}
tbody tr.aside {
  opacity: 0.62;
}
tbody th,
td {
  border-bottom: 1px solid var(--line);
  padding: 0 8px;
  white-space: nowrap;
}
tbody th {
  text-align: left;
  font-weight: 400;
  padding-left: 10px;
}
tbody th b {
  font-size: 15px;
  font-weight: 650;
  margin-right: 8px;
}
.lamp {
  text-align: center;
  padding: 0;
}
.first {
  border-left: 1px solid var(--border);
}
.num {
  text-align: right;
  font-family: var(--figures);
  font-size: 13px;
}
.num.all {
  color: var(--light);
  font-weight: 650;
}
thead .num {
  font-family: var(--words);
}
.why {
  text-align: left;
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.preview {
  flex: none;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) 260px;
  gap: 32px;
  padding: 12px 16px 14px;
  border-top: 1px solid var(--border);
  background: var(--surface);
  max-height: 38%;
  overflow: auto;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 0 0 4px;
}
.preview p {
  margin: 0 0 4px;
}
.preview ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.preview li {
  padding: 1px 0;
}
.narrow {
  display: none;
}
.do {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: stretch;
}
@media (max-width: 1000px) {
  .preview {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
  .do {
    grid-column: 1 / 3;
  }
  .bar {
    flex-wrap: wrap;
    height: auto;
    padding: 8px 16px;
    gap: 8px 20px;
  }
  .legend {
    margin-left: 0;
  }
  .why {
    display: none;
  }
  .narrow {
    display: block;
  }
  .name {
    width: 22px;
    min-width: 22px;
  }
  tbody th,
  thead th,
  td {
    padding: 0 5px;
  }
  td.lamp {
    padding: 0;
  }
}
</style>
