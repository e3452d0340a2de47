<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, ref, watch } from 'vue'
import { pointEdits } from '#core/chain'
import { own, setEdit } from '#core/document'
import type { Strip, StripInput } from '#core/features/switcher'
import { parseFormatLabel } from '#core/signal'
import { listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import ViewTabs from '~/ui/ViewTabs.vue'
import { labelSchema } from '~/ui/typed'
import NamesView from './NamesView.vue'
import { useTicks } from './ticks'
import { isTyped } from '~/ui/keys'

/** What each mixing device does with its pictures, and how it is set up. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const router = useRouter()
const strips = useAnswer('switchers', () => [] as const)

const VIEWS = { strips: 'Strips', names: 'Names' } as const
const view = ref<keyof typeof VIEWS>('strips')
const chosen = ref<string>()
const input = ref<string>()
watch(
  strips,
  all => {
    if (!all) return
    if (!all.some(({ device }) => device === chosen.value)) chosen.value = all.at(-1)?.device
    const strip = all.find(({ device }) => device === chosen.value)
    if (!strip?.inputs.some(({ port }) => port === input.value)) input.value = strip?.inputs[0]?.port
  },
  { immediate: true },
)
const strip = computed<Strip | undefined>(() => strips.value?.find(({ device }) => device === chosen.value))
const atInput = computed<StripInput | undefined>(() => strip.value?.inputs.find(({ port }) => port === input.value))

function choose(device: string, port?: string): void {
  chosen.value = device
  const there = strips.value?.find(one => one.device === device)
  input.value = port ?? there?.inputs[0]?.port
}

const OPENINGS = ['shut', 'fixed', 'follows'] as const
const OPENING_WORDS = { shut: 'shut', fixed: 'open', follows: 'follows' } as const
const PRESS_WORDS = {
  direct: 'A press cuts at once',
  preview: 'A press prepares, a take brings it on air',
  either: 'A press cuts at once, or prepares: by a setting',
} as const
const WAKE_WORDS = {
  kept: 'After power on it stands as it was kept',
  left: 'After power on it stands as it was left',
  first: 'After power on its first picture is on air and no key is lit',
} as const
const DURING_WORDS = {
  ignores: 'a second press waits for its end',
  finishes: 'a second press ends it at once',
  reverses: 'a second press turns it back',
} as const

function set(at: readonly string[], value: string | boolean | undefined, words: string): void {
  const device = chosen.value
  if (device === undefined) return
  const path = ['devices', device, ...at] as const
  void store.commit(words.slice(0, 120), [setEdit(path as never, (value === '' ? undefined : value) as never)])
}
const setStandard = (label: string): void => {
  const device = chosen.value
  const format = parseFormatLabel(label)
  if (device !== undefined && format)
    void store.commit(`${strip.value!.name} to ${label}`, [setEdit(['devices', device, 'standard'], format)])
}
const label = (text: string): void =>
  set(['ports', input.value!, 'label'], text, text ? `Label ${text}` : 'Remove the label')
/** As the plan has it now: the next press is not to start from what stood before the last was answered. */
const setting = () => own(own(store.plan?.devices ?? {}, chosen.value)?.ports, input.value)
const open = (opening: string): void =>
  set(['ports', input.value!, 'sound'], opening, `Sound of ${atInput.value!.title}: ${opening}`)
function offAir(): void {
  const off = setting()?.offAir === true
  set(['ports', input.value!, 'offAir'], off ? undefined : true, off ? 'Lets it on air again' : 'Keeps it off the air')
}
const feed = (port: string, event: Event): void => {
  const { value, selectedOptions } = event.target as HTMLSelectElement
  const { device, name } = strip.value!
  void store.commit(
    `${name} carries ${selectedOptions[0]!.text}`.slice(0, 120),
    pointEdits({ id: device, device: store.plan!.devices![device]! }, port, value),
  )
}
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value

const acts = computed(() => [...new Set(strip.value?.mix?.surfaces.flatMap(({ reaches }) => reaches) ?? [])])
/** What no hand reaches without a computer. */
const computerOnly = computed(() =>
  acts.value.filter(act =>
    strip.value!.mix!.surfaces.every(({ kind, reaches }) => kind === 'computer' || !reaches.includes(act)),
  ),
)
const keyWords = computed(() => {
  const { mix } = strip.value ?? {}
  return (mix?.keyers ?? []).map(({ title, place, kinds }) => ({
    title,
    words: `${place === 'before' ? 'in the mix' : 'over the mix'}: ${kinds.join(', ')}`,
  }))
})
const stores = computed(() => {
  const { mix, records } = strip.value ?? {}
  if (!mix) return ''
  const of = (n: number, one: string, many = `${one}s`) => (n === 0 ? [] : [`${n} ${n === 1 ? one : many}`])
  const all = [
    ...of(mix.stills, `still (${mix.stillFrames} frames to load)`, `stills (${mix.stillFrames} frames to load one)`),
    ...of(mix.clips, 'clip'),
    ...of(mix.colours, 'colour'),
    ...of(mix.macros, 'macro'),
    ...of(records ?? 0, 'recorder inside', 'recorders inside'),
  ]
  return all.length
    ? `It holds ${listWords(all)}${mix.plainStills ? ', its stills without their key' : ''}.`
    : 'It holds no stills, clips or macros.'
})

function step(by: number): void {
  const all = strips.value ?? []
  const next = all[all.findIndex(({ device }) => device === chosen.value) + by]
  if (next) choose(next.device)
}
function along(by: number): void {
  const all = strip.value?.inputs ?? []
  const next = all[all.findIndex(({ port }) => port === input.value) + by]
  if (next) input.value = next.port
}
const toLabel = (): void =>
  void nextTick(() => document.querySelector<HTMLInputElement>('.chosen-input input')?.focus())
const stepKey = (step: Strip['sheet']['steps'][number]): string =>
  [strip.value!.device, step.port, step.title, step.value].join('|')
const ticked = useTicks(() => `${String(route.params.show)}/${String(route.params.plan)}`)
/** A tick is for a value: when that is changed in the plan, the step stands open again. */
const tick = (step: Strip['sheet']['steps'][number]): void => ticked.turn(stepKey(step))
const open2do = computed(() => strip.value?.sheet.steps.filter(step => !ticked.has(stepKey(step))).length ?? 0)
function tickNext(): void {
  const next = strip.value?.sheet.steps.find(step => !ticked.has(stepKey(step)))
  if (next) tick(next)
}
const print = (): void =>
  void router.push(`/shows/${String(route.params.show)}/${String(route.params.plan)}/papers?paper=settings`)

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready') return
  if (isTyped(event)) return
  const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
  if (key === 'm') {
    event.preventDefault()
    view.value = view.value === 'names' ? 'strips' : 'names'
    return
  }
  if (view.value === 'names') return
  const act: Record<string, (() => void) | undefined> = {
    ArrowUp: () => step(-1),
    ArrowDown: () => step(1),
    ArrowLeft: () => along(-1),
    ArrowRight: () => along(1),
    l: atInput.value && !atInput.value.sound ? toLabel : undefined,
    o: atInput.value?.opening
      ? () => open(OPENINGS[(OPENINGS.indexOf(setting()?.sound ?? atInput.value!.opening!) + 1) % OPENINGS.length]!)
      : undefined,
    x: atInput.value && !atInput.value.sound ? offAir : undefined,
    d: tickNext,
    p: print,
  }
  const run = act[key]
  if (!run) return
  event.preventDefault()
  run()
})
</script>

<template>
  <PlanFrame screen="switchers" :foot-name="strip?.name">
    <template #controls>
      <ViewTabs v-if="strips?.length" v-model="view" :views="VIEWS" />
      <button v-if="strips?.length" class="btn small" type="button" @click="print">
        Print the set-up sheets <span class="key">P</span>
      </button>
    </template>
    <div v-if="!strips" class="screen quiet" role="status">Reading the switchers …</div>
    <div v-else-if="strips.length === 0" class="screen">
      <h2>No switcher yet</h2>
      <p>Once the plan has one, this shows its inputs, what it can do with them, its outputs, and how it is set up.</p>
      <NuxtLink class="btn" :to="`/shows/${String(route.params.show)}/${String(route.params.plan)}/runs`"
        >Add one on Runs</NuxtLink
      >
    </div>
    <NamesView v-else-if="view === 'names'" />
    <div v-else class="switchers">
      <div class="strips">
        <section
          v-for="one in strips"
          :key="one.device"
          class="strip"
          :class="{ on: one.device === chosen }"
          :aria-label="one.name"
        >
          <header>
            <button
              type="button"
              class="name"
              :aria-pressed="one.device === chosen"
              @click="choose(one.device, one.device === chosen ? input : undefined)"
            >
              {{ one.name }}
            </button>
            <span class="small quiet cut">{{ one.model }}</span>
            <span v-if="one.feeds.length" class="small quiet onward">goes on to {{ listWords(one.feeds) }}</span>
          </header>
          <ol class="keys" :aria-label="`Inputs of ${one.name}`">
            <li v-for="each in one.inputs" :key="each.port">
              <button
                type="button"
                class="tile"
                :class="{
                  unlit: !each.lit,
                  picked: one.device === chosen && each.port === input,
                  plug: each.sound,
                }"
                :aria-pressed="one.device === chosen && each.port === input"
                :title="each.title"
                @click="choose(one.device, each.port)"
              >
                <span class="number figures">{{ each.number ?? '\u266A' }}</span>
                <span class="what cut">{{
                  each.label ?? each.from ?? (each.reserved ? `kept: ${each.reserved}` : 'free')
                }}</span>
                <span class="small quiet cut">{{
                  [
                    each.label && each.from && each.label !== each.from ? each.from : (each.format ?? ''),
                    each.from && each.opening && each.opening !== 'shut' ? `sound ${OPENING_WORDS[each.opening]}` : '',
                    each.offAir ? 'off the air' : '',
                  ]
                    .filter(Boolean)
                    .join(', ')
                }}</span>
              </button>
            </li>
          </ol>
          <ol class="outs" :aria-label="`Outputs of ${one.name}`">
            <li v-for="each in one.outputs" :key="each.port" class="small">
              <span class="figures quiet">{{ each.number ?? '' }}</span>
              <span class="strong">{{ each.feed ?? each.title }}</span>
              <span class="quiet cut">{{ each.to.length ? `to ${listWords(each.to)}` : 'to nobody' }}</span>
            </li>
          </ol>
        </section>
      </div>
      <aside v-if="strip" class="side" :aria-label="`Set-up of ${strip.name}`">
        <h2>{{ strip.name }}</h2>
        <p v-if="strip.standards.length" class="row">
          <label
            >Operating standard
            <select class="pick" :value="strip.standard" @change="event => setStandard(valueIn(event))">
              <option v-for="one in strip.standards" :key="one">{{ one }}</option>
            </select></label
          >
        </p>
        <template v-if="atInput">
          <h3>{{ atInput.sound ? atInput.title : `Input ${atInput.number}, ${atInput.title}` }}</h3>
          <p class="row chosen-input">
            <label v-if="!atInput.sound"
              >Label
              <TypedField
                :key="`${chosen}/${input}`"
                :value="atInput.label ?? ''"
                :schema="labelSchema"
                placeholder="none"
                aria-label="Label"
                @done="label"
            /></label>
            <label v-if="atInput.opening"
              >Sound
              <select class="pick" :value="atInput.opening" @change="event => open(valueIn(event))">
                <option v-for="one in OPENINGS" :key="one" :value="one">{{ OPENING_WORDS[one] }}</option>
              </select></label
            >
            <label v-if="!atInput.sound" class="check"
              ><input type="checkbox" :checked="atInput.offAir" @change="offAir" /> never on air</label
            >
          </p>
          <p v-if="atInput.inset" class="small quiet">The picture in picture always shows this input.</p>
        </template>
        <h3>Outputs</h3>
        <ul class="feeds">
          <li v-for="each in strip.outputs" :key="each.port">
            <span class="figures quiet">{{ each.number ?? '' }}</span>
            <select
              v-if="each.feeds.length > 1"
              class="pick"
              :aria-label="`${each.title} carries`"
              :value="each.pointed"
              @change="event => feed(each.port, event)"
            >
              <option v-for="one in each.feeds" :key="one.value" :value="one.value">{{ one.title }}</option>
            </select>
            <span v-else>{{ each.feed ?? each.title }}</span>
            <span class="small quiet cut">{{ each.to.length ? listWords(each.to) : 'nobody' }}</span>
          </li>
        </ul>
        <template v-if="strip.mix">
          <h3>What it does</h3>
          <p>
            {{ PRESS_WORDS[strip.mix.press] }}. Its transitions are {{ listWords(strip.mix.transitions) }}, up to
            {{ strip.mix.longest }}&nbsp;frames; while one runs, {{ DURING_WORDS[strip.mix.during] }}.
            <template v-if="strip.mix.fadeToBlack">It fades to black. </template>
            <template v-if="strip.mix.buses > 1">{{ strip.mix.buses }} mix buses. </template>{{ stores }}
            {{ WAKE_WORDS[strip.mix.wakes ?? 'first'] }}.
            <template v-if="strip.mix.resets">A key puts back {{ listWords(strip.mix.resets) }}.</template>
          </p>
          <ul v-if="keyWords.length" class="keyers">
            <li v-for="key in keyWords" :key="key.title">
              <b>{{ key.title }}</b> <span class="quiet">{{ key.words }}</span>
            </li>
          </ul>
          <p v-else class="quiet">It has no key.</p>
          <p v-if="computerOnly.length" class="small">
            Only a computer reaches {{ listWords(computerOnly)
            }}<template v-if="!strip.mix.surfaces.some(({ kind }) => kind === 'panel')">: it has no panel</template>.
          </p>
        </template>
        <h3>
          Set-up sheet
          <span class="small quiet">{{
            open2do === 0
              ? 'all done'
              : open2do === strip.sheet.steps.length
                ? `${open2do} steps`
                : `${open2do} of ${strip.sheet.steps.length} to do`
          }}</span>
          <button
            v-if="open2do < strip.sheet.steps.length"
            class="btn small"
            type="button"
            @click="ticked.clear(`${strip.device}|`)"
          >
            Untick all
          </button>
        </h3>
        <ol class="sheet-steps">
          <li v-for="(one, i) in strip.sheet.steps" :key="i" :class="{ done: ticked.has(stepKey(one)) }">
            <input
              type="checkbox"
              :checked="ticked.has(stepKey(one))"
              :aria-label="`${one.port ? `${one.port}: ` : ''}${one.title} ${one.value}, done`"
              @change="tick(one)"
            />
            <span class="do"
              ><span v-if="one.port" class="quiet">{{ one.port }}: </span>{{ one.title }}
              <b class="figures">{{ one.value }}</b></span
            >
            <span class="small quiet">{{
              [[one.where, one.when].filter(Boolean).join(', '), one.hint].filter(Boolean).join('. ')
            }}</span>
          </li>
        </ol>
      </aside>
    </div>
  </PlanFrame>
</template>

<style scoped>
.switchers {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 380px;
}
.strips {
  overflow: auto;
  padding: 12px 16px 24px;
}
.strip {
  padding: 10px 0 14px 12px;
  border-left: 3px solid transparent;
  border-bottom: 1px solid var(--line);
}
.strip.on {
  border-left-color: var(--chosen);
}
.strip header {
  display: flex;
  align-items: baseline;
  gap: 12px;
  min-width: 0;
}
.strip .name {
  font: 650 20px/1.3 var(--words);
  white-space: nowrap;
}
.onward {
  margin-left: auto;
  white-space: nowrap;
}
.keys {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 6px;
}
.tile {
  width: 100%;
  min-height: 60px;
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  align-items: baseline;
  column-gap: 4px;
  text-align: left;
  padding: 5px 8px;
  border: 1px solid var(--line);
  border-top: 4px solid var(--light);
  border-radius: 4px;
  background: var(--surface);
}
.tile.unlit {
  border-top-color: var(--line);
}
.tile.plug {
  border-top-style: dashed;
}
.tile.picked {
  outline: 2px solid var(--chosen);
  outline-offset: 1px;
}
.tile .number {
  font-size: 20px;
}
.tile .what {
  font-weight: 650;
}
.tile .small {
  grid-column: 2;
  min-height: 18px;
}
.outs {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.outs li {
  display: flex;
  gap: 6px;
  min-width: 0;
}
.side {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 14px 18px 24px;
  overflow: auto;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 6px;
}
.side p {
  margin: 0 0 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.row label {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.chosen-input :deep(input:not([type='checkbox'])) {
  width: 130px;
}
.chosen-input :deep(input:not([type='checkbox'])) {
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 3px 6px;
  background: var(--ground);
  color: var(--text);
}
.feeds,
.keyers,
.sheet-steps {
  list-style: none;
  margin: 0;
  padding: 0;
}
.feeds li {
  display: grid;
  grid-template-columns: 18px 116px minmax(0, 1fr);
  gap: 8px;
  align-items: baseline;
  padding: 2px 0;
}
.keyers li {
  padding: 1px 0;
}
.sheet-steps {
  counter-reset: step;
}
.sheet-steps li {
  counter-increment: step;
  padding: 6px 0 6px 28px;
  position: relative;
  border-top: 1px solid var(--line);
  display: flex;
  flex-direction: column;
}
.sheet-steps li::before {
  content: counter(step);
  position: absolute;
  left: 0;
  font-family: var(--figures);
  color: var(--quiet);
}
.sheet-steps li > input {
  position: absolute;
  right: 0;
  top: 8px;
  width: 18px;
  height: 18px;
}
.sheet-steps .do {
  padding-right: 30px;
}
.sheet-steps .done .do {
  color: var(--quiet);
  text-decoration: line-through;
}
@media (max-width: 1000px) {
  .switchers {
    grid-template-columns: minmax(0, 1fr);
    overflow: auto;
  }
  .strips {
    overflow: visible;
  }
  .side {
    border-left: 0;
    border-top: 1px solid var(--border);
    overflow: visible;
  }
}
</style>
