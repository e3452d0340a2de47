<script setup lang="ts">
import { computed } from 'vue'
import type { Layout } from './layout'

/** Joins the two lanes of a source that sends what is laid over and how solid it is: they are one thing. */
const props = defineProps<{ layout: Layout }>()

/** The key's lane stands next to the fill's, above or below it. */
const pairs = computed(() => {
  const { lanes, rowH } = props.layout
  return lanes.flatMap(fill => {
    const { from } = fill.lane
    const key =
      from?.port === 'fill' &&
      lanes.find(
        ({ lane, side }) => side === fill.side && lane.from?.device === from.device && lane.from.port === 'key',
      )
    return key && Math.abs(key.y - fill.y) < 1.5 * rowH
      ? [{ id: fill.lane.id, x: fill.x0, top: Math.min(fill.y, key.y), bottom: Math.max(fill.y, key.y) }]
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
