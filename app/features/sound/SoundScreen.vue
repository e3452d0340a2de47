<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { number } from 'yup'
import { type Edit, type Opening, emptyPlan, setEdit } from '#core/document'
import type { Hearing } from '#core/features/sound'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { instantName, lookEdits } from '~/plan/looks'
import { usePlanStore } from '~/plan/store'
import FindingList from '~/ui/FindingList.vue'
import { decimal } from '~/ui/typed'
import { isTyped } from '~/ui/keys'
import { useMoments } from '~/ui/moments'

/** Who hears what, moment by moment: each sound is a line that sounds, waits for its picture, or is shut. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const router = useRouter()
const plan = computed(() => store.plan ?? emptyPlan(''))
const all = useAnswer('whoHears', () => [] as const)

const row = ref(0)
const column = ref(0)
watch(
  all,
  now => {
    if (!now) return
    row.value = Math.max(0, Math.min(row.value, now.ears.length - 1))
    column.value = Math.max(0, Math.min(column.value, now.instants.length - 1))
  },
  { immediate: true },
)
const ear = computed(() => all.value?.ears[row.value])
const instant = computed(() => all.value?.instants[column.value])
const lines = computed(() => all.value?.cells[row.value] ?? [])
const silent = (i: number, j: number): boolean =>
  !all.value!.cells[i]!.some(line => line[j] && ['heard', 'twice'].includes(line[j].hearing))
const ASKED_WORDS = { sound: 'is to be heard', silent: 'silent on purpose', open: 'nobody said' } as const
const HEARING_WORDS: Readonly<Record<Hearing, string>> = {
  heard: 'heard',
  twice: 'heard twice',
  away: 'waits for its picture',
  shut: 'shut',
  quiet: 'too quiet',
}
const { shown, groups } = useMoments(() => all.value?.instants ?? [], column)
const findings = computed(() => (store.report?.findings ?? []).filter(({ id }) => id.startsWith('A')))

const OPENING_WORDS: Readonly<Record<Opening, string>> = { shut: 'shut', fixed: 'open', follows: 'follows its picture' }
const OPENINGS = Object.keys(OPENING_WORDS) as Opening[]
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const look = computed(() => (instant.value?.look === undefined ? undefined : plan.value.looks[instant.value.look]))
async function commit(words: string, edits: readonly Edit[]): Promise<void> {
  if (edits.length > 0) await store.commit(words.slice(0, 120), edits)
}
const inPlan = (device: string, port: string, value: string): void =>
  void commit(`Sound ${OPENING_WORDS[value as Opening]}`, [
    setEdit(['devices', device, 'ports', port, 'sound'], value as Opening),
  ])
const inLook = (device: string, port: string, value: string): void => {
  if (instant.value)
    void commit(
      `${instantName(instant.value)}: sound ${value ? OPENING_WORDS[value as Opening] : 'as before'}`,
      lookEdits(plan.value, instant.value, ['sound', device, port], value || undefined),
    )
}
const heldSchema = number().typeError('milliseconds').min(0, '0 ms or more').max(2000, 'at most 2000 ms')
const hold = (device: string, port: string, text: string): void =>
  void commit(`Hold the sound back by ${text || '0'} ms`, [
    setEdit(['devices', device, 'ports', port, 'soundDelayMs'], decimal(text || '0') || undefined),
  ])

const gainSchema = number().typeError('decibels').min(-80, '\u221280 dB or more').max(30, 'at most +30 dB')
const turn = (device: string, port: string, text: string): void =>
  void commit(text ? `Gain of ${text} dB` : 'Gain as it comes', [
    setEdit(['devices', device, 'ports', port, 'gainDb'], decimal(text.replace('\u2212', '-') || '0') || undefined),
  ])

const print = (): void =>
  void router.push(`/shows/${String(route.params.show)}/${String(route.params.plan)}/papers?paper=settings`)
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready') return
  if (isTyped(event)) return
  const move = (down: number, right: number) => () => {
    row.value = Math.max(0, Math.min((all.value?.ears.length ?? 1) - 1, row.value + down))
    column.value = Math.max(0, Math.min((all.value?.instants.length ?? 1) - 1, column.value + right))
  }
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: move(1, 0),
    ArrowUp: move(-1, 0),
    ArrowLeft: move(0, -1),
    ArrowRight: move(0, 1),
    p: print,
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <PlanFrame screen="sound" :foot-name="ear && instant ? `${ear.name}, ${instantName(instant)}` : undefined">
    <template #controls>
      <span v-if="all?.ears.length" class="small quiet said"
        >{{ all.sounds.length }} {{ all.sounds.length === 1 ? 'sound' : 'sounds' }}, {{ all.ears.length }} who
        hear</span
      >
    </template>
    <div v-if="!all" class="screen quiet" role="status">Listening …</div>
    <div v-else-if="all.ears.length === 0 || all.sounds.length === 0" class="screen">
      <h2>{{ all.ears.length === 0 ? 'Nobody hears anything yet' : 'No sound yet' }}</h2>
      <p>
        {{
          all.ears.length === 0
            ? 'Once a cable leads to a recorder, a stream or a screen that has sound, this shows what is heard there in each moment of the show.'
            : 'No microphone, desk, player or camera with sound comes this far. Connect one on Runs, or say in the brief that the show is silent on purpose.'
        }}
      </p>
      <NuxtLink class="btn primary" :to="`/shows/${String(route.params.show)}/${String(route.params.plan)}/runs`"
        >Connect it on Runs</NuxtLink
      >
    </div>
    <div v-else class="hearing">
      <ul class="list" role="listbox" aria-label="Who hears">
        <li v-for="(one, i) in all.ears" role="none" :key="one.device">
          <button type="button" role="option" :aria-selected="i === row" :class="{ on: i === row }" @click="row = i">
            <span class="strong cut">{{ one.name }}</span>
            <span class="small quiet cut"
              >{{ ASKED_WORDS[one.asked]
              }}{{
                one.asked !== 'silent' && all.instants.some((_, j) => silent(i, j))
                  ? all.instants.every((_, j) => silent(i, j))
                    ? '; hears nothing'
                    : '; silent at times'
                  : ''
              }}</span
            >
          </button>
        </li>
      </ul>
      <section class="stage" tabindex="0" :aria-label="ear?.name">
        <table>
          <thead>
            <tr>
              <td />
              <th v-for="(group, i) in groups" :key="i" :colspan="group.count" scope="colgroup" class="segment">
                {{ group.title }}
              </th>
            </tr>
            <tr v-if="all.instants.some(({ segment }) => segment !== undefined)">
              <td />
              <th v-for="j in shown" :key="j" scope="col">
                <button type="button" class="small" :class="{ on: j === column }" @click="column = j">
                  {{ all.instants[j]!.title }}
                </button>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(sound, i) in all.sounds" :key="sound.device">
              <th scope="row">
                <span class="cut strong">{{ sound.name }}</span>
                <span class="small quiet">{{ sound.kind }}</span>
              </th>
              <td v-for="j in shown" :key="j" :class="{ on: j === column }">
                <button
                  v-if="lines[i]?.[j]"
                  type="button"
                  class="line"
                  :class="lines[i]![j]!.hearing"
                  :title="lines[i]![j]!.words"
                  :aria-label="`${sound.name}, ${instantName(all.instants[j]!)}: ${HEARING_WORDS[lines[i]![j]!.hearing]}, ${lines[i]![j]!.words}`"
                  @click="column = j"
                >
                  <span class="bar" /><span v-if="lines[i]![j]!.hearing === 'twice'" class="bar second" />
                </button>
                <span v-else class="small quiet">not led here</span>
              </td>
            </tr>
          </tbody>
        </table>
        <ul class="small words">
          <li v-for="(sound, i) in all.sounds" :key="sound.device">
            <template v-if="lines[i]?.[column]"
              ><b>{{ sound.name }}</b> {{ HEARING_WORDS[lines[i]![column]!.hearing] }}: {{ lines[i]![column]!.words }}.
            </template>
          </li>
        </ul>
        <p class="small quiet">
          A full band is heard; a broken one waits for its picture; an empty one is shut, or turned down until nobody
          hears it; two bands come twice, apart.
        </p>
      </section>
      <aside v-if="instant" :aria-label="`Inputs, ${instantName(instant)}`">
        <h2>{{ instantName(instant) }}</h2>
        <p v-if="instant.lookTitle" class="small quiet">Look: {{ instant.lookTitle }}</p>
        <section v-for="switcher in all.switchers" :key="switcher.device" :aria-label="switcher.name">
          <h3>{{ switcher.name }}</h3>
          <div v-for="input in switcher.inputs" :key="input.port" class="input">
            <p>
              <span :class="['lamp', { lit: input.moments[column]?.open }]" aria-hidden="true" />
              <span class="strong cut">{{ input.name }}</span>
              <span class="small quiet cut">{{ input.from.join(', ') }}</span>
            </p>
            <label
              ><span>In the show</span>
              <select
                class="pick"
                :value="input.opening"
                @change="event => inPlan(switcher.device, input.port, valueIn(event))"
              >
                <option v-for="one in OPENINGS" :key="one" :value="one">{{ OPENING_WORDS[one] }}</option>
              </select></label
            >
            <label v-if="instant.segment !== undefined"
              ><span>In this look</span>
              <select
                class="pick"
                :aria-label="`${switcher.name} ${input.name} in this look`"
                :class="{ named: look?.sound?.[switcher.device]?.[input.port] }"
                :value="look?.sound?.[switcher.device]?.[input.port] ?? ''"
                @change="event => inLook(switcher.device, input.port, valueIn(event))"
              >
                <option value="">
                  {{
                    look?.sound?.[switcher.device]?.[input.port]
                      ? 'as before'
                      : `stays ${OPENING_WORDS[input.moments[column]?.opening ?? input.opening]}`
                  }}
                </option>
                <option v-for="one in OPENINGS" :key="one" :value="one">{{ OPENING_WORDS[one] }}</option>
              </select></label
            >
            <label
              ><span>Gain, dB</span>
              <TypedField
                inputmode="text"
                :value="input.gainDb || ''"
                :schema="gainSchema"
                placeholder="as it comes"
                :aria-label="`${switcher.name} ${input.name}, gain, dB`"
                @done="text => turn(switcher.device, input.port, text)"
            /></label>
            <label
              ><span>Held back, ms</span>
              <TypedField
                inputmode="decimal"
                :value="input.heldMs || ''"
                :schema="heldSchema"
                placeholder="not held"
                :aria-label="`${switcher.name} ${input.name}, held back, ms`"
                @done="text => hold(switcher.device, input.port, text)"
            /></label>
          </div>
        </section>
        <FindingList v-if="findings.length" :findings="findings" />
      </aside>
    </div>
  </PlanFrame>
</template>

<style scoped>
.hearing {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 208px minmax(0, 1fr) 324px;
}
.list {
  list-style: none;
  margin: 0;
  padding: 8px;
  overflow: auto;
  border-right: 1px solid var(--border);
}
.list button {
  display: block;
  width: 100%;
  padding: 6px 10px 8px;
  min-height: 52px;
  border-left: 4px solid transparent;
  border-radius: 4px;
}
.list button.on {
  background: var(--raised);
  border-left-color: var(--chosen);
}
.list .cut {
  display: block;
}
.stage {
  overflow: auto;
  padding: 8px 16px 24px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 2px 4px;
}
.segment {
  font-weight: 650;
  border-bottom: 1px solid var(--line);
  border-left: 6px solid var(--ground);
}
thead button {
  min-height: 28px;
}
thead button.on {
  color: var(--chosen);
}
tbody th {
  width: 150px;
  min-width: 150px;
}
tbody th .cut {
  display: block;
  max-width: 170px;
}
td {
  padding: 3px 2px;
  min-width: 64px;
}
tbody tr {
  border-bottom: 1px solid var(--line);
}
td.on {
  background: var(--raised);
}
.line {
  display: flex;
  flex-direction: column;
  justify-content: center;
  gap: 3px;
  width: 100%;
  min-height: 44px;
}
.bar {
  height: 14px;
  border: 1px solid var(--line);
  border-radius: 2px;
}
.heard .bar {
  background: var(--band);
  border-color: var(--band);
}
:root[data-theme='day'] .heard .bar,
:root[data-theme='day'] .twice .bar {
  border-color: var(--edge);
}
.twice .bar {
  background: var(--band);
  border-color: var(--quality);
  height: 10px;
}
.twice .second {
  margin-left: 14px;
}
.away .bar {
  background: repeating-linear-gradient(90deg, var(--band) 0 6px, transparent 6px 14px);
  border-style: dashed;
  border-color: var(--dark);
}
.shut .bar,
.quiet .bar {
  background: none;
  border-color: var(--dark);
}
.words {
  list-style: none;
  margin: 14px 0 0;
  padding: 0;
}
.words li {
  padding: 2px 0;
}
aside {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 4px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 14px 0 4px;
}
aside p {
  margin: 0 0 4px;
}
.input {
  border-top: 1px solid var(--line);
  padding: 6px 0 8px;
}
.input p {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.lamp {
  width: 10px;
  height: 10px;
  border: 1px solid var(--dark);
  border-radius: 50%;
  flex: none;
}
.lamp.lit {
  background: var(--light);
  border-color: var(--light);
}
.input label {
  display: grid;
  grid-template-columns: 100px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.input label > span {
  color: var(--quiet);
}
.input .pick {
  width: 100%;
}
.pick.named {
  font-weight: 650;
  border-color: var(--chosen);
}
@media (max-width: 1100px) {
  .hearing {
    grid-template-columns: 200px minmax(0, 1fr);
    overflow: auto;
  }
  aside {
    grid-column: 1 / -1;
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
