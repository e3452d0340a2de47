<script setup lang="ts">
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'

defineProps<{ name: string | undefined; keys: readonly (readonly [key: string, what: string])[] }>()
const store = usePlanStore()
</script>

<template>
  <footer class="foot small quiet">
    <span v-if="name" class="strong cut name">{{ name }}</span>
    <span class="keys"
      ><span v-for="[key, what] in keys" :key="key"
        ><span class="key">{{ key }}</span> {{ what }}</span
      ></span
    >
    <span v-if="store.report" class="figures last"
      >checked{{ store.report.ms === undefined ? '' : ` in ${figure(store.report.ms, 1)}\u00A0ms` }}</span
    >
  </footer>
</template>

<style scoped>
.foot {
  height: 24px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 20px;
  padding: 0 16px;
  border-top: 1px solid var(--line);
  background: var(--surface);
  white-space: nowrap;
  overflow: hidden;
}
.name {
  color: var(--text);
  max-width: 240px;
  flex: none;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 0 20px;
  height: 24px;
  line-height: 24px;
  overflow: hidden;
  min-width: 0;
}
.last {
  margin-left: auto;
  flex: none;
}
</style>
