<script setup lang="ts" generic="K extends string">
/** The views of one screen, beside its other controls. */
defineProps<{ views: Readonly<Record<K, string>>; label?: string }>()
const shown = defineModel<K>({ required: true })
</script>

<template>
  <div class="tabs" role="tablist" :aria-label="label ?? 'View'">
    <button
      v-for="(title, one) in views"
      :key="one"
      type="button"
      role="tab"
      :aria-selected="shown === one"
      :class="{ on: shown === one }"
      @click="shown = one as K"
    >
      {{ title }}
    </button>
  </div>
</template>

<style scoped>
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
button {
  height: 43px;
  padding: 0 10px;
  white-space: nowrap;
  color: var(--quiet);
  border-bottom: 2px solid transparent;
}
button.on {
  color: var(--text);
  font-weight: 650;
  border-bottom-color: var(--chosen);
}
</style>
