<script setup lang="ts">
import { computed } from 'vue'
import type { Layout } from './layout'

/** Joins the two lanes of a source that sends what is laid over and how solid it is: they are one thing. */
const props = defineProps<{ layout: Layout }>()

const PAIR = 'fill,key'
const pairs = computed(() => {
  const { lanes } = props.layout
  return lanes.slice(1).flatMap((lower, i) => {
    const upper = lanes[i]!
    const [one, other] = [upper.lane.from, lower.lane.from]
    const isPair = one && one.device === other?.device && [one.port, other.port].toSorted().join() === PAIR
    return isPair && upper.side === lower.side
      ? [{ id: lower.lane.id, x: lower.x0, top: upper.y, bottom: lower.y }]
      : []
  })
})
</script>

<template>
  <i
    v-for="{ id, x, top, bottom } in pairs"
    :key="id"
    class="pair"
    aria-hidden="true"
    :style="{ left: `${x - 14}px`, top: `${top}px`, height: `${bottom - top}px` }"
  />
</template>

<style scoped>
.pair {
  position: absolute;
  width: 8px;
  border: 2px solid var(--border);
  border-right: 0;
  border-radius: 4px 0 0 4px;
}
</style>
