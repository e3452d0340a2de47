<script setup lang="ts">
import type { Data, Layout } from 'plotly.js-basic-dist-min'

/** A budget: the answer in one sentence, its chart, its rows, and beside them what is chosen. */
defineProps<{
  sentence: string
  /** What the chart shows, for whoever does not see it; without it there is none. */
  label?: string | undefined
  about?: unknown
  make?: (colour: (name: string) => string) => { readonly traces: Data[]; readonly layout: Partial<Layout> }
  height?: number
  aside?: string | undefined
}>()
const emit = defineEmits<{ chosen: [index: number] }>()
</script>

<template>
  <div class="budget">
    <section class="left" tabindex="0" :aria-label="sentence">
      <h2>{{ sentence }}</h2>
      <div v-if="label && make" class="chart" :style="{ height: `${height ?? 260}px` }">
        <ChartFrame :label="label" :about="about" :make="make" @chosen="index => emit('chosen', index)" />
      </div>
      <slot />
    </section>
    <section v-if="aside" class="right" :aria-label="aside">
      <slot name="aside" />
    </section>
  </div>
</template>

<style scoped>
.budget {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(300px, 380px);
}
.left {
  padding: 16px 24px 12px;
  overflow-y: auto;
  min-height: 0;
}
h2,
.right :slotted(h3) {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
  max-width: 68ch;
}
.right {
  border-left: 1px solid var(--border);
  background: var(--surface);
  padding: 16px 20px 24px;
  overflow-y: auto;
}
.right :slotted(h4) {
  font: 650 15px/1.3 var(--words);
  margin: 14px 0 4px;
}
.right :slotted(p) {
  margin: 0 0 8px;
}
@media (max-width: 1000px) {
  .budget {
    grid-template-columns: minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow: auto;
  }
  .left,
  .right {
    overflow: visible;
    min-height: auto;
  }
  .right {
    border-left: 0;
    border-top: 1px solid var(--border);
  }
}
</style>
