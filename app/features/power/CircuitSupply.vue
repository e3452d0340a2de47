<script setup lang="ts">
import { computed } from 'vue'
import { emptyPlan, freshId, setEdit } from '#core/document'
import {
  BTU_H_PER_W,
  PHASES,
  SOCKETS,
  type Circuit,
  type CircuitLoad,
  type Phase,
  type Trips,
} from '#core/features/power'
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { nameSchema } from '~/ui/typed'
import StripPart from './StripPart.vue'

/** Where a circuit has outlets and of what kind, what it lies behind, and the strips that hang on it. */
const props = defineProps<{ circuit: CircuitLoad }>()
const store = usePlanStore()
const plan = computed(() => store.plan ?? emptyPlan(''))
const places = computed(() =>
  [
    ...new Set([
      ...Object.values(plan.value.devices).flatMap(({ place }) => place ?? []),
      ...Object.values(plan.value.circuits).flatMap(one => one.places ?? []),
    ]),
  ].sort(),
)
const residuals = computed(() => [
  ...new Set(Object.values(plan.value.circuits).flatMap(({ residual }) => residual ?? [])),
])
const say = (field: keyof Circuit, value: unknown, words: string): Promise<boolean> =>
  store.commit(`${props.circuit.title}: ${words}`.slice(0, 120), [
    setEdit(['circuits', props.circuit.id, field], value as never),
  ])
async function turn(place: string): Promise<void> {
  const has = props.circuit.places.includes(place)
  const next = has ? props.circuit.places.filter(one => one !== place) : [...props.circuit.places, place]
  await say('places', next.length ? next : undefined, `${has ? 'no outlet' : 'outlets'} at ${place}`)
}
async function addStrip(): Promise<void> {
  const title = `Strip ${Object.keys(plan.value.strips).length + 1}`
  const order = 1 + Math.max(0, ...Object.values(plan.value.strips).map(one => one.order))
  await store.commit(`Add ${title} on ${props.circuit.title}`.slice(0, 120), [
    {
      do: 'add',
      collection: 'strips',
      id: freshId(title, plan.value.strips, Math.random),
      value: { title, order, circuit: props.circuit.id },
    },
  ])
}
const CLASSES: readonly Trips[] = ['b', 'c', 'd']
const SOCKET_NAMES: Readonly<Record<(typeof SOCKETS)[number], string>> = {
  'household': 'household',
  'round-16': 'round, 16\u00A0A',
  'round-32': 'round, 32\u00A0A',
  'round-63': 'round, 63\u00A0A',
}
const entry = computed(() => plan.value.circuits[props.circuit.id])
const distributions = computed(() => Object.entries(plan.value.distributions))
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
/** From which distribution and phase, as one word: both change together. */
const fromWord = computed(() =>
  props.circuit.distribution === undefined ? '' : `${props.circuit.distribution} ${props.circuit.phase ?? ''}`,
)
async function comeFrom(word: string): Promise<void> {
  const [id = '', phase = ''] = word.split(' ')
  await store.commit(`${props.circuit.title}: ${id ? `phase ${phase}` : 'from no distribution'}`.slice(0, 120), [
    setEdit(['circuits', props.circuit.id, 'distribution'], id || undefined),
    setEdit(['circuits', props.circuit.id, 'phase'], phase === '' ? undefined : (Number(phase) as Phase)),
  ])
}
</script>

<template>
  <p class="small quiet">
    With everything at its largest at once {{ figure(circuit.mostWatts, 0) }}&nbsp;W,
    {{ figure(circuit.mostA) }}&nbsp;A; about {{ figure(circuit.leakMa) }}&nbsp;mA leak to earth. Typically
    {{ figure(circuit.watts, 0) }}&nbsp;W become heat, {{ figure(circuit.watts * BTU_H_PER_W, 0) }}&nbsp;BTU/h.
  </p>
  <label class="pair"
    >Behind the 30&nbsp;mA protection
    <TypedField
      :key="`${circuit.id} residual`"
      list="power-residuals"
      :value="circuit.residual ?? ''"
      :schema="nameSchema"
      placeholder="not said"
      aria-label="Residual-current protection that the circuit lies behind"
      @done="text => say('residual', text || undefined, text || 'behind none that is said')"
  /></label>
  <label v-if="distributions.length" class="pair"
    >Comes from
    <select
      class="pick"
      :value="fromWord"
      aria-label="Distribution and phase that the circuit comes from"
      @change="event => comeFrom(valueIn(event))"
    >
      <option value="">not said</option>
      <optgroup v-for="[id, one] in distributions" :key="id" :label="one.title">
        <option v-for="phase in PHASES" :key="phase" :value="`${id} ${phase}`">phase {{ phase }}</option>
      </optgroup>
    </select></label
  >
  <label class="pair"
    >Class of its protection
    <select
      class="pick"
      :value="entry?.trips ?? ''"
      aria-label="Class of the protection"
      @change="event => say('trips', valueIn(event) || undefined, `class ${valueIn(event) || 'not said'}`)"
    >
      <option value="">not said: as C</option>
      <option v-for="one in CLASSES" :key="one" :value="one">{{ one.toUpperCase() }}</option>
    </select></label
  >
  <label class="pair"
    >Its outlets
    <select
      class="pick"
      :value="entry?.socket ?? 'household'"
      aria-label="Outlets of the circuit"
      @change="
        event =>
          say(
            'socket',
            valueIn(event) === 'household' ? undefined : valueIn(event),
            SOCKET_NAMES[valueIn(event) as 'household'],
          )
      "
    >
      <option v-for="one in SOCKETS" :key="one" :value="one">{{ SOCKET_NAMES[one] }}</option>
    </select></label
  >
  <label class="check small"
    ><input
      type="checkbox"
      :checked="entry?.switched !== undefined"
      @change="say('switched', entry?.switched ? undefined : 'at-once', entry?.switched ? 'no switch' : 'one switch')"
    />
    one switch of the house is before all its outlets</label
  >
  <datalist id="power-residuals">
    <option v-for="one in residuals" :key="one" :value="one" />
  </datalist>
  <h4>Outlets at</h4>
  <p v-if="places.length === 0" class="quiet small">No device says yet where it stands.</p>
  <div class="places">
    <label v-for="place in places" :key="place" class="check"
      ><input type="checkbox" :checked="circuit.places.includes(place)" @change="turn(place)" /> {{ place }}</label
    >
  </div>
  <h4>Strips on it</h4>
  <StripPart v-for="strip in circuit.strips" :key="strip.id" :circuit="circuit" :strip="strip" />
  <button type="button" class="btn small" @click="addStrip">Add a strip</button>
</template>

<style scoped>
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 18px 0 4px;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px;
  gap: 8px;
  align-items: center;
  min-height: 40px;
  color: var(--quiet);
}
.places {
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
</style>
