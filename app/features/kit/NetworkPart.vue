<script setup lang="ts">
import { string } from 'yup'
import { type Brief, parseAddress, setEdit } from '#core/document'
import { usePlanStore } from '~/plan/store'

/** The network of the house: the way out of it, and the addresses that it gives out by itself. */
const props = defineProps<{ network: Brief['network'] }>()
const store = usePlanStore()
const schema = string()
  .trim()
  .test('address', 'four figures up to 255, a stroke and a prefix from 8 to 30: 192.168.10.1/24', value =>
    value ? parseAddress(value) !== undefined : true,
  )

function change(next: NonNullable<Brief['network']>, words: string): void {
  void store.commit(words.slice(0, 120), [
    setEdit(['brief', 'network'], Object.values(next).some(Boolean) ? next : undefined),
  ])
}
function gateway(text: string): void {
  const { gateway: _, ...rest } = props.network ?? {}
  change({ ...rest, ...(text ? { gateway: text } : {}) }, text ? `The way out is ${text}` : 'No way out said')
}
/** Both ends are said at once: the other starts as the same, and none is left where one is cleared. */
function pool(end: 0 | 1, text: string): void {
  const { pool: now, ...rest } = props.network ?? {}
  const both: [string, string] = now ? [...now] : [text, text]
  both[end] = text
  change(text ? { ...rest, pool: both } : rest, text ? `Given out: ${both.join(' to ')}` : 'Nothing given out')
}
</script>

<template>
  <section aria-label="The network of the house">
    <h3>The network of the house</h3>
    <p class="quiet">Addresses with their prefix. Fixed ones are held against what the network gives out by itself.</p>
    <div class="fields">
      <label
        ><span>Way out</span
        ><TypedField
          :value="network?.gateway ?? ''"
          :schema="schema"
          placeholder="192.168.10.1/24"
          aria-label="Way out of the network"
          @done="gateway"
      /></label>
      <label
        ><span>Gives out from</span
        ><TypedField
          :value="network?.pool?.[0] ?? ''"
          :schema="schema"
          placeholder="192.168.10.100/24"
          aria-label="First address that is given out"
          @done="text => pool(0, text)"
      /></label>
      <label
        ><span>to</span
        ><TypedField
          :value="network?.pool?.[1] ?? ''"
          :schema="schema"
          placeholder="192.168.10.199/24"
          aria-label="Last address that is given out"
          @done="text => pool(1, text)"
      /></label>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 24px;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 8px;
}
p {
  max-width: 62ch;
  margin: 0 0 12px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
}
</style>
