<script setup lang="ts">
import { computed } from 'vue'
import { number } from 'yup'
import { emptyPlan, freshId, setEdit } from '#core/document'
import type { CircuitLoad } from '#core/features/power'
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { decimal, nameSchema } from '~/ui/typed'

/** Where a circuit has outlets, what it lies behind, and the strips that hang on it. */
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
const say = (field: 'places' | 'residual', value: unknown, words: string): Promise<boolean> =>
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
async function rename(id: string, title: string): Promise<void> {
  await store.commit(`Call it ${title}`.slice(0, 120), [setEdit(['strips', id, 'title'], title)])
}
/** Into the wall, or into another strip. */
async function plugStrip(id: string, into: string): Promise<void> {
  const { title } = plan.value.strips[id]!
  await store.commit(
    `Plug ${title} into ${into ? plan.value.strips[into]!.title : props.circuit.title}`.slice(0, 120),
    [
      setEdit(['strips', id, 'strip'], into || undefined),
      setEdit(['strips', id, 'circuit'], into ? undefined : props.circuit.id),
    ],
  )
}
async function removeStrip(id: string): Promise<void> {
  await store.commit(`Take out ${plan.value.strips[id]!.title}`.slice(0, 120), [
    { do: 'remove', collection: 'strips', id },
  ])
}
/** Goes on from a battery when the mains fail: a usual small one, until somebody says what it has. */
const keeps = (id: string, next: { wh: number; mostW: number } | undefined, words: string): void =>
  void store.commit(`${plan.value.strips[id]!.title}: ${words}`.slice(0, 120), [setEdit(['strips', id, 'keeps'], next)])
const keepSchema = number().typeError('a figure').min(1, '1 or more').max(100_000, 'at most 100 000')
const loadsOn = (strip: string): string =>
  props.circuit.loads
    .filter(load => load.strip === strip)
    .map(({ name }) => name)
    .join(', ')
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <p class="small quiet">
    With everything at its largest at once {{ figure(circuit.mostWatts, 0) }}&nbsp;W,
    {{ figure(circuit.mostA) }}&nbsp;A; about {{ figure(circuit.leakMa) }}&nbsp;mA leak to earth.
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
  <div v-for="strip in circuit.strips" :key="strip.id" class="strip">
    <TypedField
      :value="strip.title"
      :schema="nameSchema"
      needs="a name"
      :aria-label="`Name of ${strip.title}`"
      @done="text => rename(strip.id, text)"
    />
    <select
      class="pick"
      :value="strip.into ?? ''"
      :aria-label="`What ${strip.title} is plugged into`"
      @change="event => plugStrip(strip.id, valueIn(event))"
    >
      <option value="">in the wall</option>
      <option v-for="other in circuit.strips.filter(one => one.id !== strip.id)" :key="other.id" :value="other.id">
        in {{ other.title }}
      </option>
    </select>
    <button type="button" class="btn plain small" @click="removeStrip(strip.id)">Take out</button>
    <label class="check small on"
      ><input
        type="checkbox"
        :checked="plan.strips[strip.id]?.keeps !== undefined"
        @change="
          keeps(
            strip.id,
            plan.strips[strip.id]?.keeps ? undefined : { wh: 400, mostW: 600 },
            plan.strips[strip.id]?.keeps ? 'off without mains' : 'goes on without mains',
          )
        "
      />
      goes on without mains{{
        strip.keptMinutes === undefined
          ? ''
          : strip.keptMinutes === 0
            ? ': too weak for what hangs on it'
            : strip.keptMinutes > 600
              ? ', for many hours'
              : `, for about ${Math.floor(strip.keptMinutes)}\u00A0min`
      }}</label
    >
    <span v-if="plan.strips[strip.id]?.keeps" class="kept small on">
      <TypedField
        inputmode="decimal"
        :value="plan.strips[strip.id]!.keeps!.wh"
        :schema="keepSchema"
        :aria-label="`What ${strip.title} holds, Wh`"
        @done="
          text =>
            keeps(strip.id, { ...plan.strips[strip.id]!.keeps!, wh: decimal(text || '1') }, `holds ${text}\u00A0Wh`)
        "
      />
      Wh
      <TypedField
        inputmode="decimal"
        :value="plan.strips[strip.id]!.keeps!.mostW"
        :schema="keepSchema"
        :aria-label="`What ${strip.title} gives at most, W`"
        @done="
          text =>
            keeps(strip.id, { ...plan.strips[strip.id]!.keeps!, mostW: decimal(text || '1') }, `gives ${text}\u00A0W`)
        "
      />
      W
    </span>
    <span class="small quiet on">{{ loadsOn(strip.id) || 'nothing on it yet' }}</span>
  </div>
  <button type="button" class="btn small" @click="addStrip">Add a strip</button>
</template>

<style scoped>
.strip :deep(input) {
  grid-column: 1 / -1;
}
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
.strip {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 8px;
  align-items: center;
  margin-bottom: 8px;
}

.kept {
  display: flex;
  gap: 8px;
  align-items: center;
}
.kept :deep(input) {
  width: 90px;
}
.on {
  grid-column: 1 / -1;
}
</style>
