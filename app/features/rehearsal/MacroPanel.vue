<script setup lang="ts">
import { computed, ref } from 'vue'
import { string } from 'yup'
import { type MacroStep, freshId, setEdit } from '#core/document'
import type { Stage } from '#core/features/rehearsal'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import FindingList from '~/ui/FindingList.vue'
import SidePanel from './SidePanel.vue'
import { useRehearsal } from './store'

/** Presses that are kept and done by one: recorded here by doing them, then fired, timed and put in cues. */
const props = defineProps<{ stage: Stage; older: boolean }>()
const emit = defineEmits<{ again: [] }>()
const live = useRehearsal()
const store = usePlanStore()
const notices = useNotices()
const findings = computed(() => (store.report?.findings ?? []).filter(({ screen }) => screen === 'rehearse'))
const told = useAnswer('macros', () => [] as const)
const open = ref<string>()
/** What was pressed, and where it can be kept. */
const asked = ref<{ from: number; holders: { device: string; name: string }[] }>()
const holder = ref('')
const naming = ref(false)
const schema = string().trim().required('a name').max(120, 'at most 120 characters')

function record(): void {
  live.go()
  live.drill = live.tick()
}
async function done(): Promise<void> {
  const from = live.drill
  if (from === undefined) return
  live.drill = undefined
  const worked = (await live.worked(from)) ?? []
  if (worked.length === 0) {
    notices.tell('Nothing was pressed meanwhile: there is nothing to keep.')
    return
  }
  const units = props.stage.switchers.filter(({ device, macros }) => macros > 0 && worked.includes(device))
  const alone = worked.length === 1 ? units : []
  const holders = [
    ...alone,
    ...props.stage.controllers.filter(({ device }) => !alone.some(one => one.device === device)),
  ]
  if (holders.length === 0) {
    notices.tell('No switcher here holds macros, and there is no controller or computer for a button.')
    return
  }
  asked.value = { from, holders: holders.map(({ device, name }) => ({ device, name })) }
  holder.value = holders[0]!.device
}
const turn = (): unknown => (live.drill === undefined ? record() : done())
defineExpose({ turn })
async function keep(title: string): Promise<void> {
  naming.value = false
  const { from } = asked.value ?? {}
  asked.value = undefined
  if (from === undefined || !store.plan) return
  const order = 1 + Math.max(0, ...Object.values(store.plan.macros).map(macro => macro.order))
  const macro = await live.asMacro(title, order, holder.value, from)
  if (!macro) return
  const id = freshId(title, store.plan.macros, Math.random)
  if (await store.commit(`Keep ${title}`.slice(0, 120), [{ do: 'add', collection: 'macros', id, value: macro }]))
    open.value = id
}
const macro = computed(() => (open.value === undefined ? undefined : store.plan?.macros[open.value]))
const bare = (step: MacroStep): boolean => step.do === 'wait' && step.until === undefined
function setWait(i: number, value: number): void {
  const steps = macro.value?.steps
  if (!steps || !Number.isInteger(value) || value < 1) return
  const unit = steps[i]!.ms === undefined ? 'frames' : 'ms'
  put(steps.map((step, n) => (n === i ? { do: 'wait' as const, [unit]: value } : step)))
}
function put(steps: readonly MacroStep[]): void {
  if (open.value === undefined || steps.length === 0) return
  void store.commit(`Change ${macro.value?.title}`.slice(0, 120), [setEdit(['macros', open.value, 'steps'], steps)])
}
const without = (i: number): void => put((macro.value?.steps ?? []).filter((_, n) => n !== i))
function move(i: number, by: number): void {
  const steps = [...(macro.value?.steps ?? [])]
  const [one] = steps.splice(i, 1)
  if (one) steps.splice(i + by, 0, one)
  put(steps)
}
/** A wait, of the unit that its holder counts in. */
function addWait(i: number): void {
  const steps = [...(macro.value?.steps ?? [])]
  const isButton = told.value?.find(({ id }) => id === open.value)?.button
  steps.splice(i + 1, 0, isButton ? { do: 'wait', ms: 200 } : { do: 'wait', frames: 5 })
  put(steps)
}
function setShows(source: string): void {
  if (open.value === undefined) return
  void store.commit(`Say what ${macro.value?.title} shows`.slice(0, 120), [
    setEdit(['macros', open.value, 'shows'], source || undefined),
  ])
}
async function remove(id: string, title: string): Promise<void> {
  if (await store.commit(`Remove ${title}`.slice(0, 120), [{ do: 'remove', collection: 'macros', id }]))
    if (open.value === id) open.value = undefined
}
const isThere = (id: string): boolean => props.stage.macros.some(one => one.id === id)
</script>

<template>
  <SidePanel title="Macros">
    <div class="row">
      <button v-if="live.drill === undefined" type="button" class="btn primary" @click="record">
        Record what I press <span class="key">D</span>
      </button>
      <button v-else type="button" class="btn primary" @click="done">
        Keep what I pressed <span class="key">D</span>
      </button>
      <button v-if="live.drill !== undefined" type="button" class="btn small" @click="live.drill = undefined">
        Forget it
      </button>
    </div>
    <form v-if="asked" class="ask" @submit.prevent="naming = true">
      <label class="small"
        >Kept in
        <select v-model="holder" class="pick small">
          <option v-for="one in asked.holders" :key="one.device" :value="one.device">{{ one.name }}</option>
        </select></label
      >
      <button type="submit" class="btn small">Name it</button>
    </form>
    <p v-if="older && (told ?? []).some(one => !isThere(one.id))" class="small">
      A macro that is new is fired after the run has begun again.
      <button type="button" class="btn small" @click="emit('again')">Begin again <span class="key">R</span></button>
    </p>
    <p v-if="told && told.length === 0 && live.drill === undefined" class="quiet">
      No macros yet. Record one: press what it is to press, with the pauses that it needs, then keep it in the switcher;
      what works several switchers becomes a button of a controller.
    </p>
    <p v-if="live.drill !== undefined" class="small" role="status">
      Recording: everything that is pressed, and the time between, becomes a step.
    </p>
    <FindingList v-if="findings.length" :findings="findings" />
    <ul class="list">
      <li v-for="one in told ?? []" :key="one.id">
        <div class="head">
          <button
            type="button"
            class="name cut"
            :aria-expanded="open === one.id"
            @click="open = open === one.id ? undefined : one.id"
          >
            <b>{{ one.title }}</b>{{ ' ' }}
            <span class="quiet small"
              >{{ one.button ? 'button of' : 'in' }} {{ one.holder }},
              {{ one.seconds > 0 ? `over ${one.seconds.toFixed(1)} s` : 'at once' }}</span
            >
          </button>
          <button type="button" class="btn small" :disabled="!isThere(one.id)" @click="live.take({ macro: one.id }, 1)">
            Fire
          </button>
        </div>
        <div v-if="open === one.id && macro" class="steps">
          <ol>
            <li v-for="(step, i) in macro.steps" :key="i">
              <template v-if="bare(step)"
                >wait
                <input
                  class="pick small figures"
                  type="number"
                  min="1"
                  :value="step.ms ?? step.frames"
                  :aria-label="`Wait of step ${i + 1}`"
                  @change="event => setWait(i, Number((event.target as HTMLInputElement).value))"
                />
                {{ step.ms === undefined ? 'frames' : 'ms' }}</template
              >
              <template v-else>{{ one.steps[i] }}</template>
              <span class="tools">
                <button type="button" :disabled="i === 0" :aria-label="`Step ${i + 1} up`" @click="move(i, -1)">
                  up
                </button>
                <button type="button" :aria-label="`Wait after step ${i + 1}`" @click="addWait(i)">+ wait</button>
                <button
                  type="button"
                  :disabled="macro.steps.length === 1"
                  :aria-label="`Take out step ${i + 1}`"
                  @click="without(i)"
                >
                  out
                </button>
              </span>
            </li>
          </ol>
          <label class="small"
            >It is there to show
            <select
              class="pick small"
              :value="macro.shows ?? ''"
              @change="event => setShows((event.target as HTMLSelectElement).value)"
            >
              <option value="">just what its steps say</option>
              <option v-for="source in stage.sources" :key="source.device" :value="source.device">
                {{ source.name }}
              </option>
            </select></label
          >
          <button type="button" class="btn small" @click="remove(one.id, one.title)">Remove</button>
        </div>
      </li>
    </ul>
    <LazyPromptDialog
      v-if="naming"
      open
      title="Name the macro"
      label="Its name"
      value=""
      :schema="schema"
      hint="A cue of the running order can fire it."
      @done="keep"
      @close="naming = false"
    />
  </SidePanel>
</template>

<style scoped>
.row,
.ask {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}
p {
  margin: 0 0 8px;
}
.list,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list > li {
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
.head {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  align-items: center;
}
.name {
  text-align: left;
  min-height: 36px;
  flex: 1;
  min-width: 0;
}
.steps {
  padding: 4px 0 8px 10px;
  border-left: 3px solid var(--line);
}
.steps li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  min-height: 32px;
}
.steps input {
  width: 76px;
}
.tools {
  margin-left: auto;
  display: flex;
  gap: 2px;
}
.tools button {
  color: var(--quiet);
  padding: 2px 6px;
  min-height: 28px;
  font-size: 14px;
}
.tools button:hover,
.tools button:focus-visible {
  color: var(--text);
}
.tools button:disabled {
  opacity: 0.4;
}
@media (pointer: coarse) {
  .tools button {
    min-height: 44px;
  }
}
</style>
