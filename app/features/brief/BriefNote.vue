<script setup lang="ts">
import type { ShownFinding } from '#core/features/board'
import { SEVERITY_WORDS } from '#core/kernel'

/** Beside a paragraph of the brief: which checks it feeds, and what they find now. */
defineProps<{ ids: readonly string[]; words: string; found: readonly ShownFinding[] }>()
const emit = defineEmits<{ go: [finding: ShownFinding] }>()
</script>

<template>
  <aside class="small quiet">
    <span
      >{{ words
      }}<template v-if="ids.length"
        >: <span class="figures">{{ ids.join(' ') }}</span></template
      ></span
    >
    <button
      v-for="finding in found.slice(0, 3)"
      :key="finding.key"
      type="button"
      class="go"
      @click="emit('go', finding)"
    >
      {{ finding.id }}, {{ SEVERITY_WORDS[finding.severity] }}: show it
    </button>
    <span v-if="found.length > 3">and {{ found.length - 3 }} more</span>
  </aside>
</template>

<style scoped>
aside {
  display: flex;
  flex-direction: column;
  gap: 2px;
  line-height: 1.4;
  padding-top: 7px;
  border-top: 1px solid var(--line);
  align-self: start;
  margin-top: 6px;
}
.go {
  color: var(--light);
  text-align: left;
  text-decoration: underline;
  text-underline-offset: 2px;
}
@media (max-width: 1000px) {
  aside {
    flex-direction: row;
    flex-wrap: wrap;
    gap: 12px;
    margin-top: 0;
    padding-top: 2px;
  }
}
</style>
