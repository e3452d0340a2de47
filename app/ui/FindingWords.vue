<script setup lang="ts">
import { sayParts } from '#core/features'
import type { Finding } from '#core/kernel'
import { useUnits } from '~/shell/look'

/** A finding as its sentence, in which names and figures stand out from the words round them. */
defineProps<{ finding: Finding }>()
const units = useUnits()
</script>

<template>
  <template v-for="(part, i) in sayParts(finding, units)" :key="i"
    ><b v-if="part.given" class="given">{{ part.text }}</b
    ><template v-else>{{ part.text }}</template></template
  >
</template>

<style scoped>
.given {
  font-weight: 640;
}
</style>
