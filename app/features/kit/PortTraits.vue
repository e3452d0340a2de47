<script setup lang="ts">
import { computed } from 'vue'
import { type Model, type Port, carriesPicture, portsOf } from '#core/catalog'
import { inputsBefore } from '#core/chain'
import type { Device, Fit, PortSetting } from '#core/document'
import { DIVISION_TITLES, TRANSFER_TITLES } from '#core/signal'

/** What can be set at a port besides its format: one choice for each thing that its model lets be set. */
const props = defineProps<{ id: string; port: Port; device: Device; model: Model }>()
const emit = defineEmits<{
  set: [field: keyof PortSetting, value: string | number | true | undefined, words: string]
}>()
const now = computed<PortSetting>(() => props.device.ports?.[props.id] ?? {})

interface Choice {
  readonly field: keyof PortSetting
  readonly label: string
  readonly value: string
  readonly options: readonly { readonly value: string; readonly title: string }[]
}

const options = <T extends string>(values: readonly T[], title: (value: T) => string) =>
  values.map(value => ({ value, title: title(value) }))
const FITS: readonly { readonly value: '' | Fit; readonly title: string }[] = [
  { value: '', title: 'as it comes' },
  { value: 'zoom', title: 'zoomed to fill' },
  { value: 'crop', title: 'cut to 16:9' },
  { value: 'stretch', title: 'stretched to 16:9' },
  { value: 'box', title: 'bars, on purpose' },
]

/** A choice among what the model lets be set; none where there is nothing to choose. */
function among<T extends string>(
  field: 'level' | 'division' | 'range' | 'transfer' | 'aspect',
  label: string,
  values: readonly T[] | undefined,
  title: (value: T) => string,
): Choice | undefined {
  if (!values || values.length < 2) return undefined
  return { field, label, value: String(now.value[field] ?? values[0]!), options: options(values, title) }
}

/** A figure among those that the model lets be set. */
const figure = (
  field: 'nominalDbu' | 'soundHz',
  label: string,
  values: readonly number[] | undefined,
  title: (value: number) => string,
): Choice | undefined =>
  values && values.length > 1
    ? {
        field,
        label,
        value: String(now.value[field] ?? values[0]!),
        options: values.map(value => ({ value: String(value), title: title(value) })),
      }
    : undefined

/** Off unless it is said. */
const turned = (field: 'phantom' | 'spread', label: string, off: string, on: string): Choice => ({
  field,
  label,
  value: now.value[field] ? 'true' : '',
  options: [
    { value: '', title: off },
    { value: 'true', title: on },
  ],
})

const choices = computed<readonly Choice[]>(() => {
  const { port, model, id, device } = props
  const set = now.value
  const out = port.dir === 'out'
  const list: (Choice | undefined)[] = [
    among('level', 'level', out ? port.levels : [], value => `level ${value}`),
    among('division', 'division', out ? port.divisions : [], value => DIVISION_TITLES[value]),
    among('range', 'range', port.ranges, value => `${out ? 'sends' : 'reads'} ${value} range`),
    among('transfer', 'transfer', out ? port.transfers : [], value => TRANSFER_TITLES[value]),
    among('aspect', 'shape', out ? port.aspects : [], value => `picture of ${value}`),
    out && port.readouts === 'switchable'
      ? {
          field: 'clean',
          label: 'readouts',
          value: set.clean ? 'true' : '',
          options: [
            { value: '', title: 'readouts shown' },
            { value: 'true', title: model.kind === 'phone' ? 'clean, by an application' : 'clean' },
          ],
        }
      : undefined,
    out && port.protection === 'switchable'
      ? {
          field: 'unprotected',
          label: 'protection',
          value: set.unprotected ? 'true' : '',
          options: [
            { value: '', title: 'protected' },
            { value: 'true', title: 'open where it may be' },
          ],
        }
      : undefined,
    port.phantom === 'switched' ? turned('phantom', 'phantom power', 'no phantom power', '48\u00A0V on') : undefined,
    figure(
      'nominalDbu',
      'line level',
      port.nominalDbu,
      value => `${value > 0 ? '+' : '\u2212'}${Math.abs(value)}\u00A0dBu`,
    ),
    figure('soundHz', 'sampling of sound', out ? port.soundHz : [], value => `sound at ${value / 1000}\u00A0kHz`),
    !out && model.role === 'switcher' && (port.sound ?? 0) > 1 && (port.carries === 'sound' || set.spread)
      ? turned('spread', 'sides', 'sides as they come', 'each channel to both sides')
      : undefined,
    port.fits || (out && model.paths.some(path => path.format === 'port' && path.to.includes(id)))
      ? { field: 'fit', label: 'fit', value: set.fit ?? '', options: FITS }
      : undefined,
  ]
  const matrix = out ? model.paths.find(path => path.format === 'chosen' && path.to.includes(id)) : undefined
  if (matrix)
    list.push({
      field: 'of',
      label: 'input',
      value: inputsBefore({ device, model }, matrix, id)[0]!,
      options: portsOf(model, 'in')
        .filter(([input]) => matrix.from.includes(input))
        .map(([value, { title }]) => ({ value, title: `shows ${title}` })),
    })
  return list.filter(choice => choice !== undefined)
})

/** A switcher's input can be kept off the air, so that a loop through it stays open. */
const mayAir = computed(() => props.model.role === 'switcher' && props.port.dir === 'in' && carriesPicture(props.port))

function take(choice: Choice, event: Event): void {
  const value = (event.target as HTMLSelectElement).value
  const title = choice.options.find(option => option.value === value)!.title
  emit(
    'set',
    choice.field,
    value === 'true'
      ? true
      : choice.field === 'nominalDbu' || choice.field === 'soundHz'
        ? Number(value)
        : value || undefined,
    `${props.device.name} ${props.port.title}: ${title}`.slice(0, 120),
  )
}
</script>

<template>
  <select
    v-for="choice in choices"
    :key="choice.field"
    class="pick"
    :aria-label="`${port.title}, ${choice.label}`"
    :value="choice.value"
    @change="take(choice, $event)"
  >
    <option v-for="option in choice.options" :key="option.value" :value="option.value">{{ option.title }}</option>
  </select>
  <label v-if="mayAir" class="small air"
    ><input
      type="checkbox"
      :checked="now.offAir === true"
      :aria-label="`${port.title} kept off the air`"
      @change="
        emit(
          'set',
          'offAir',
          ($event.target as HTMLInputElement).checked || undefined,
          `${device.name} ${port.title}: ${($event.target as HTMLInputElement).checked ? 'kept off the air' : 'may go to air'}`,
        )
      "
    />
    off air</label
  >
  <slot v-if="choices.length === 0" />
</template>

<style scoped>
.air {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  white-space: nowrap;
}
</style>
