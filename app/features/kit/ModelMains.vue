<script setup lang="ts">
import { INLETS, type Inlet, type Model, inletOf, inrushOf } from '#core/catalog'
import { ampsSchema, decimal, secondsSchema, voltsSchema } from '~/ui/typed'

/** The mains side of a model: the lead that it takes, the volts that it works on, and its inrush. */
const props = defineProps<{ model: Model }>()
const emit = defineEmits<{ set: [part: Partial<Pick<Model, 'inlet' | 'inrush'>>, words: string] }>()
const KINDS = Object.entries(INLETS) as [Inlet, string][]
const inlet = (part: Partial<NonNullable<Model['inlet']>>, words: string): void =>
  emit('set', { inlet: { ...(inletOf(props.model) ?? { kind: 'plug-in', minV: 100, maxV: 240 }), ...part } }, words)
const inrush = (part: Partial<NonNullable<Model['inrush']>>, words: string): void =>
  emit('set', { inrush: { ...(inrushOf(props.model) ?? { a: 30, ms: 0.5 }), ...part } }, words)
const value = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <dt>Mains</dt>
  <dd>
    <select
      class="pick"
      aria-label="Mains lead"
      :value="inletOf(model)?.kind ?? ''"
      @change="event => inlet({ kind: value(event) as Inlet }, 'mains lead')"
    >
      <option value="" disabled>not known</option>
      <option v-for="[kind, words] in KINDS" :key="kind" :value="kind">{{ words }}</option>
    </select>
    <TypedField
      class="ms"
      inputmode="decimal"
      aria-label="Least mains, volts"
      :value="inletOf(model)?.minV ?? ''"
      :schema="voltsSchema"
      placeholder="not known"
      needs="volts"
      @done="text => inlet({ minV: decimal(text) }, 'least mains')"
    />
    to
    <TypedField
      class="ms"
      inputmode="decimal"
      aria-label="Most mains, volts"
      :value="inletOf(model)?.maxV ?? ''"
      :schema="voltsSchema"
      placeholder="not known"
      needs="volts"
      @done="text => inlet({ maxV: decimal(text) }, 'most mains')"
    />
    V
  </dd>
  <dt>Inrush</dt>
  <dd>
    <TypedField
      class="ms"
      inputmode="decimal"
      aria-label="Inrush, A"
      :value="inrushOf(model)?.a ?? ''"
      :schema="ampsSchema"
      placeholder="not known"
      needs="a current"
      @done="text => inrush({ a: decimal(text) }, 'inrush')"
    />
    A for
    <TypedField
      class="ms"
      inputmode="decimal"
      aria-label="Inrush lasts, ms"
      :value="inrushOf(model)?.ms ?? ''"
      :schema="secondsSchema"
      placeholder="not known"
      needs="milliseconds"
      @done="text => inrush({ ms: decimal(text) }, 'inrush')"
    />
    ms
  </dd>
</template>
