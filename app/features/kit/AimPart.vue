<script setup lang="ts">
import { computed } from 'vue'
import { number } from 'yup'
import { type Model, opticsOf } from '#core/catalog'
import { type Device, SHOT_SIZES, type ShotSize } from '#core/document'
import { SHOWN, mmText, needed } from '#core/features/lens'
import { toMetres, toTyped, useUnits } from '~/shell/look'
import { decimal, distanceSchema } from '~/ui/typed'

/** Whom a camera shows from where it stands, and the focal length that this needs. */
const props = defineProps<{ device: Device; model: Model }>()
const emit = defineEmits<{ set: [aim: Device['aim'], words: string] }>()
const units = useUnits()

const optics = computed(() => opticsOf(props.model))
const need = computed(() => needed(props.device, props.model))
const NEAREST_M = 0.1
const widthSchema = number()
  .transform((_value: number, given: unknown) => decimal(String(given)))
  .typeError('millimetres, e.g. 9.6')
  .min(1, 'at least 1')
  .max(100, 'at most 100')

function far(text: string): void {
  const m = text === '' ? undefined : Math.min(1000, Math.max(NEAREST_M, toMetres(decimal(text), units.value)))
  const aim = m === undefined ? undefined : { size: 'waist' as const, ...props.device.aim, m }
  emit('set', aim, `Distance of ${props.device.name} from whom it shows`)
}
const show = (event: Event): void => {
  const size = (event.target as HTMLSelectElement).value as ShotSize
  emit('set', { ...props.device.aim!, size }, `${props.device.name} shows ${SHOWN[size]}`)
}
function wide(text: string): void {
  const { sensorMm: _, ...aim } = props.device.aim!
  emit('set', text === '' ? aim : { ...aim, sensorMm: decimal(text) }, `Picture area of ${props.device.name}`)
}
</script>

<template>
  <dt>Shows</dt>
  <dd class="small">
    <select
      v-if="device.aim"
      class="pick"
      aria-label="How much of somebody it shows"
      :value="device.aim.size"
      @change="show"
    >
      <option v-for="size in SHOT_SIZES" :key="size" :value="size">{{ SHOWN[size] }}</option>
    </select>
    <label class="check"
      >{{ device.aim ? 'from' : 'somebody from' }}
      <TypedField
        class="far"
        inputmode="decimal"
        :value="device.aim ? toTyped(device.aim.m, units) : ''"
        :schema="distanceSchema"
        placeholder="how far"
        aria-label="Distance of the camera from whom it shows"
        @done="far"
      />
      {{ units.length }}</label
    >
    <template v-if="device.aim">
      <label class="check"
        >area
        <TypedField
          class="far"
          inputmode="decimal"
          :value="device.aim.sensorMm ?? ''"
          :schema="widthSchema"
          :placeholder="optics ? String(optics.sensorMm) : 'width'"
          aria-label="Width of its picture area, mm"
          @done="wide"
        />
        mm wide</label
      >
      <span>{{
        need
          ? `needs ${mmText(need.needMm)}${need.own ? `; its lens has ${mmText(need.own.fromMm)} to ${mmText(need.own.toMm)}` : ', of a lens of the kit'}`
          : 'say how wide its picture area is'
      }}</span>
    </template>
  </dd>
</template>

<style scoped>
dt {
  align-self: start;
  padding-top: 8px;
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
  width: 9ch;
  text-align: right;
}
</style>
