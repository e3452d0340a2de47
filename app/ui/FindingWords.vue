<script setup lang="ts">
import { useUnits } from '~/shell/look'
import type { ShownFinding } from '#core/features/board'

/** A finding as its sentence, in which names and figures stand out from the words round them. */
defineProps<{ finding: ShownFinding }>()
const units = useUnits()
</script>

<template>
  <template v-for="(part, i) in finding.said[units.length]" :key="i"
    ><b v-if="part.given" class="given">{{ part.text }}</b
    ><template v-else>{{ part.text }}</template></template
  >
</template>

<style scoped>
.given {
  font-weight: 640;
}
</style>
