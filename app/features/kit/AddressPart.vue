<script setup lang="ts">
import { computed } from 'vue'
import { number, string } from 'yup'
import type { Model } from '#core/catalog'
import { type Device, parseAddress } from '#core/document'

/** A device on the network: its address, how it is called, and the address that it comes with. */
const props = defineProps<{ device: Device; model: Model }>()
type Field = 'address' | 'leased' | 'controllerNumber' | 'listens' | 'calledAt' | 'comesWith' | 'visit'
const emit = defineEmits<{ set: [field: Field, value: string | number | true | undefined, words: string] }>()

const addressSchema = string()
  .trim()
  .test('address', 'four figures up to 255, a stroke and a prefix from 8 to 30: 192.168.10.21/24', value =>
    value ? parseAddress(value) !== undefined : true,
  )
const numberSchema = number().typeError('a figure').integer('a whole number').min(1, 'at least 1').max(99, 'at most 99')
const MOST_PORT = 65_535
const portSchema = string()
  .trim()
  .test('port', 'udp or tcp, a colon and a port from 1 to 65535: udp:5000', (value = '') => {
    const [, port] = /^(?:udp|tcp):([1-9]\d{0,4})$/.exec(value) ?? []
    return port !== undefined && Number(port) <= MOST_PORT
  })
const called = computed(() => props.model.kind !== 'controller' && props.model.kind !== 'network')
const numbered = (field: Field, text: string, words: string): void =>
  emit('set', field, text ? Number(text) : undefined, `${words} ${text || 'not said'}`)
</script>

<template>
  <dt>Address</dt>
  <dd class="small">
    <TypedField
      class="address"
      inputmode="decimal"
      :value="device.address ?? ''"
      :schema="addressSchema"
      placeholder="192.168.10.21/24"
      aria-label="Network address with its prefix"
      @done="
        value => emit('set', 'address', value, value ? `${device.name} to ${value}` : `No address for ${device.name}`)
      "
    />
    <label class="check"
      ><input
        type="checkbox"
        :checked="device.leased === true"
        @change="
          event =>
            emit(
              'set',
              'leased',
              (event.target as HTMLInputElement).checked || undefined,
              `${device.name} gets its address by itself`,
            )
        "
      />
      {{ device.address ? 'kept for it by the network' : 'given by the network' }}</label
    >
  </dd>
  <template v-if="called">
    <dt>Called</dt>
    <dd class="small">
      <label class="check"
        >number
        <TypedField
          class="ms"
          inputmode="numeric"
          :value="device.controllerNumber ?? ''"
          :schema="numberSchema"
          aria-label="Number by which a controller calls it"
          @done="value => numbered('controllerNumber', value, `${device.name}: number`)"
      /></label>
      <label class="check"
        >at
        <TypedField
          class="port"
          :value="device.calledAt ?? ''"
          :schema="portSchema"
          placeholder="udp:5000"
          aria-label="Port at which its controller calls it"
          @done="value => emit('set', 'calledAt', value, `${device.name} is called at ${value || 'any port'}`)"
      /></label>
      <label class="check"
        >it listens at
        <TypedField
          class="port"
          :value="device.listens ?? ''"
          :schema="portSchema"
          :placeholder="model.listens ?? 'nobody said'"
          aria-label="Port at which it listens"
          @done="value => emit('set', 'listens', value, `${device.name} listens at ${value || 'its usual port'}`)"
      /></label>
    </dd>
  </template>
  <dt>Comes with</dt>
  <dd class="small">
    <TypedField
      class="address"
      inputmode="decimal"
      :value="device.comesWith ?? ''"
      :schema="addressSchema"
      placeholder="nothing, or it is changed"
      aria-label="Address that it comes with and that is still to be changed"
      @done="value => emit('set', 'comesWith', value, `${device.name} comes with ${value || 'its own address'}`)"
    />
    <label v-if="device.comesWith || device.visit" class="check"
      >set up as number
      <TypedField
        class="ms"
        inputmode="numeric"
        :value="device.visit ?? ''"
        :schema="numberSchema"
        aria-label="Its turn to be set up, alone on the network"
        @done="value => numbered('visit', value, `Turn of ${device.name}:`)"
      />
      alone on the network</label
    >
  </dd>
</template>

<style scoped>
.address {
  width: 190px;
}
.port {
  width: 11ch;
}
.ms {
  width: 7ch;
  text-align: right;
}
.check {
  display: flex;
  gap: 6px;
  align-items: center;
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
</style>
