<script setup lang="ts">
import { screensOf } from '~/shell/place'
import type { Screen } from '~/shell/screens'

/** One row: the screens of the step at the left, the controls of the one that is open at the right. */
defineProps<{ screen: Screen; base: string }>()
</script>

<template>
  <div class="row no-print">
    <nav class="screens" aria-label="Screens">
      <NuxtLink
        v-for="{ id, title } in screensOf(screen.step)"
        :key="id"
        :to="`${base}/${id}`"
        class="to"
        :class="{ here: id === screen.id }"
        :aria-current="id === screen.id ? 'page' : undefined"
        >{{ title }}</NuxtLink
      >
    </nav>
    <div class="controls"><slot /></div>
  </div>
</template>

<style scoped>
.row {
  height: 36px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
}
.screens {
  display: flex;
  align-items: stretch;
  gap: 4px;
  height: 100%;
  flex: none;
}
.to {
  display: flex;
  align-items: center;
  padding: 2px 8px 0;
  margin-left: -8px;
  margin-right: 8px;
  text-decoration: none;
  color: var(--quiet);
  border-bottom: 2px solid transparent;
}
.to:hover {
  color: var(--text);
}
.to.here {
  color: var(--text);
  font-weight: 650;
  border-bottom-color: var(--chosen);
}
.controls {
  flex: 1;
  min-width: 0;
  display: flex;
  align-items: center;
  justify-content: flex-end;
  gap: 8px;
  overflow: hidden;
}
.controls :deep(.pick[type='search']) {
  width: 132px;
  min-width: 72px;
  height: 26px;
}
.controls :deep(.btn) {
  height: 26px;
  min-height: 0;
  flex: none;
}
.controls :deep(.tabs),
.controls :deep(.mode) {
  display: flex;
  flex-wrap: nowrap;
  gap: 2px;
  margin-right: 8px;
}
.controls :deep(.tabs button) {
  height: 26px;
  padding: 0 8px;
  border: 1px solid transparent;
  border-radius: 4px;
  font-weight: 400;
  font-size: 13px;
}
.controls :deep(.tabs button.on) {
  border-color: var(--chosen);
  font-weight: 650;
}
.controls :deep(.said) {
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 0;
}
@media (max-width: 900px) {
  .row {
    gap: 0 12px;
    padding: 0 12px;
    height: auto;
    min-height: 36px;
    flex-wrap: wrap;
  }
  .screens {
    height: 36px;
  }
  .controls {
    flex: 1 1 auto;
    min-height: 34px;
  }
}
</style>
