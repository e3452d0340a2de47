<script setup lang="ts">
import { number } from 'yup'
import type { Device } from '#core/document'
import { toMetres, toTyped, useUnits } from '~/shell/look'
import { decimal } from '~/ui/typed'

/** A screen of a hall: how high its picture is, and how far away the last row sits. Letters are measured by it. */
const props = defineProps<{ device: Device }>()
const emit = defineEmits<{ set: [viewed: Device['viewed'], words: string] }>()
const units = useUnits()

/** Where nothing is said yet: a picture of 2 m, seen from 20 m. */
const START = { heightM: 2, lastM: 20 } as const
const RANGE = { heightM: [0.1, 100], lastM: [0.5, 500] } as const
const schema = number()
  .transform((_value: number, given: unknown) => decimal(String(given)))
  .typeError('a length, e.g. 2.5')
  .moreThan(0, 'above 0')

function say(field: keyof typeof START, text: string): void {
  if (text === '') return emit('set', undefined, `${props.device.name} is not seen from afar`)
  const [least, most] = RANGE[field]
  const m = Math.min(most, Math.max(least, toMetres(decimal(text), units.value)))
  emit('set', { ...START, ...props.device.viewed, [field]: m }, `How ${props.device.name} is seen`)
}
</script>

<template>
  <dt>Seen in a hall</dt>
  <dd class="small">
    <label class="check"
      >picture
      <TypedField
        class="far"
        inputmode="decimal"
        :value="device.viewed ? toTyped(device.viewed.heightM, units) : ''"
        :schema
        placeholder="how high"
        aria-label="Height of its picture"
        @done="text => say('heightM', text)"
      />
      {{ units.length }} high,</label
    >
    <label class="check"
      >last row
      <TypedField
        class="far"
        inputmode="decimal"
        :value="device.viewed ? toTyped(device.viewed.lastM, units) : ''"
        :schema
        placeholder="how far"
        aria-label="Distance of its last row"
        @done="text => say('lastM', text)"
      />
      {{ units.length }} away</label
    >
  </dd>
</template>

<style scoped>
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
  width: 9ch;
  text-align: right;
}
</style>
