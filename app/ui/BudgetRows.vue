<script setup lang="ts">
import { computed } from 'vue'

/** The rows of a budget, of which one is chosen; cells are words and figures. */
const props = defineProps<{
  label: string
  rows: readonly {
    readonly id: string
    readonly title: string
    readonly words: string
    readonly figures: readonly string[]
    readonly grave?: boolean
  }[]
}>()
const columns = computed(() => Math.max(1, ...props.rows.map(({ figures }) => figures.length)))
const chosen = defineModel<string | undefined>({ required: true })
</script>

<template>
  <div class="rows" role="listbox" :aria-label="label" tabindex="0">
    <div
      v-for="one in rows"
      :id="`row-${one.id}`"
      :key="one.id"
      role="option"
      class="row"
      :class="{ on: one.id === chosen }"
      :aria-selected="one.id === chosen"
      @click="chosen = one.id"
    >
      <b class="cut">{{ one.title }}</b>
      <span class="small quiet cut">{{ one.words }}</span>
      <span v-for="(text, i) in one.figures" :key="i" class="figures" :class="{ strong: one.grave }">{{ text }}</span>
    </div>
  </div>
</template>

<style scoped>
.rows {
  margin-top: 8px;
  border-top: 1px solid var(--line);
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) repeat(v-bind(columns), max-content);
}
.row {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: subgrid;
  gap: 18px;
  align-items: baseline;
  padding: 7px 10px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
  cursor: pointer;
}
.row.on {
  background: var(--raised);
  border-left-color: var(--chosen);
}
.figures {
  text-align: right;
}
</style>
