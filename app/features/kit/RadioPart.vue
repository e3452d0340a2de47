<script setup lang="ts">
import { computed } from 'vue'
import { type Model, portsOf } from '#core/catalog'
import { type Device, type Edit, completePlan, setEdit } from '#core/document'
import { toMetres, toTyped, useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'
import { decimal, distanceSchema } from '~/ui/typed'

/** A radio link between its two ends: the way through the air, and the receivers, which are devices at another place. */
const props = defineProps<{ deviceId: string; device: Device; model: Model }>()
const store = usePlanStore()
const units = useUnits()
const plan = computed(() => completePlan(store.plan!))

const commit = (words: string, edits: readonly Edit[]) => store.commit(words.slice(0, 120), [...edits])
const set = (at: readonly string[], value: unknown, words: string): void => {
  void commit(words, [setEdit(['devices', props.deviceId, ...at], value as never)])
}
function setAir(text: string): void {
  const air = text === '' ? undefined : { ...props.device.air, m: toMetres(decimal(text), units.value) }
  set(['air'], air, `Way of ${props.device.name} through the air`)
}
const ticked = (event: Event): true | undefined => (event.target as HTMLInputElement).checked || undefined
const chosenIn = (event: Event): string => (event.target as HTMLSelectElement).value

const outputs = computed(() => portsOf(props.model, 'out'))
const receiverOf = (port: string): string => {
  const id = props.device.ports?.[port]?.receiver ?? ''
  return Object.hasOwn(plan.value.devices, id) ? id : ''
}
/** Receivers that no other output names. */
const free = computed(() => {
  const taken = new Set(
    Object.values(plan.value.devices).flatMap(({ ports = {} }) =>
      Object.values(ports).flatMap(({ receiver }) => receiver ?? []),
    ),
  )
  return Object.entries(plan.value.devices).filter(
    ([id, { model }]) => plan.value.models[model]!.kind === 'receiver' && !taken.has(id),
  )
})
const lacks = computed(
  () => (props.model.receiver ?? props.model.from) !== undefined && outputs.value.some(([port]) => !receiverOf(port)),
)
async function putIn(): Promise<void> {
  const edits = await store.ask('receivers', props.deviceId)
  if (edits?.length) await commit(`Put in the receiver of ${props.device.name}`, edits)
}
function receive(port: string, id: string): void {
  const words = id
    ? `${plan.value.devices[id]!.name} receives ${props.device.name}`
    : `No receiver for ${props.device.name}`
  set(['ports', port, 'receiver'], id || undefined, words)
}
</script>

<template>
  <template v-if="model.radio">
    <dt>Through the air</dt>
    <dd class="small">
      <TypedField
        class="far"
        inputmode="decimal"
        :value="device.air ? toTyped(device.air.m, units) : ''"
        :schema="distanceSchema"
        placeholder="how far"
        aria-label="Distance through the air"
        @done="setAir"
      />
      {{ units.length }}
      <template v-if="device.air">
        <label v-for="what in ['crowd', 'wall'] as const" :key="what" class="check"
          ><input
            type="checkbox"
            :checked="device.air[what] === true"
            @change="event => set(['air', what], ticked(event), `A ${what} before ${device.name}`)"
          />
          a {{ what }} between</label
        >
        <span v-if="model.radio.chooses" class="quiet">finds its channel by itself</span>
        <select
          v-else
          class="pick"
          aria-label="Channel"
          :value="device.air.channel ?? ''"
          @change="event => set(['air', 'channel'], Number(chosenIn(event)) || undefined, `Channel of ${device.name}`)"
        >
          <option value="">no channel said</option>
          <option v-for="n in model.radio.channels" :key="n" :value="n">channel {{ n }}</option>
        </select>
      </template>
    </dd>
  </template>
  <template v-for="([port, row], i) in outputs" :key="port">
    <dt>{{ outputs.length > 1 ? `Receiver ${i + 1}` : 'Receiver' }}</dt>
    <dd class="small">
      <select
        class="pick"
        :aria-label="`Receiver of ${row.title}`"
        :value="receiverOf(port)"
        @change="event => receive(port, chosenIn(event))"
      >
        <option value="">not in the plan</option>
        <option v-if="receiverOf(port)" :value="receiverOf(port)">{{ plan.devices[receiverOf(port)]!.name }}</option>
        <option v-for="[id, one] in free" :key="id" :value="id">{{ one.name }}</option>
      </select>
      <span v-if="receiverOf(port)" class="quiet">{{
        plan.devices[receiverOf(port)]!.place ? `at ${plan.devices[receiverOf(port)]!.place}` : 'at no place yet'
      }}</span>
      <button v-if="lacks && i === outputs.length - 1" type="button" class="btn small" @click="putIn">
        Put {{ outputs.length > 1 ? 'them' : 'it' }} in
      </button>
    </dd>
  </template>
</template>

<style scoped>
dt {
  line-height: 1.25;
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.check {
  display: flex;
  gap: 6px;
  align-items: center;
}
.far {
  width: 7ch;
  text-align: right;
}
</style>
