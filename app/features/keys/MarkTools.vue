<script setup lang="ts">
import type { Marking } from './marks'

/** What can be drawn around on the bench: words, and of a file without transparency what is meant to be seen. */
defineProps<{ marking: Marking | undefined; opaque: boolean }>()
const emit = defineEmits<{ mark: [what: Marking] }>()
</script>

<template>
  <button type="button" class="btn small" :aria-pressed="marking === 'words'" @click="emit('mark', 'words')">
    Words <span class="key">W</span>
  </button>
  <button
    v-if="opaque"
    type="button"
    class="btn small"
    title="Draw around what is meant to be seen, however dark it is"
    :aria-pressed="marking === 'solid'"
    @click="emit('mark', 'solid')"
  >
    Meant <span class="key">S</span>
  </button>
</template>
