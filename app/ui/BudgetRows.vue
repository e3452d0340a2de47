<script setup lang="ts">
/** The rows of a budget, of which one is chosen; cells are words and figures. */
defineProps<{
  label: string
  rows: readonly {
    readonly id: string
    readonly title: string
    readonly words: string
    readonly figures: readonly string[]
    readonly grave?: boolean
  }[]
}>()
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
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
  grid-auto-flow: column;
  grid-auto-columns: minmax(92px, max-content);
  gap: 12px;
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
