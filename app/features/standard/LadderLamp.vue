<script setup lang="ts">
import type { Glow } from '#core/features/standard'

/** How a source or sink comes out: full light, light with a notch where it is set, light in a box for a converter, hollow with hatch in the dark. */
defineProps<{ glow: Glow; title?: string }>()
</script>

<template>
  <svg
    class="lamp"
    width="20"
    height="16"
    :role="title ? 'img' : undefined"
    :aria-label="title"
    :aria-hidden="title ? undefined : true"
  >
    <title v-if="title">{{ title }}</title>
    <rect v-if="glow === 'lit'" x="2" y="4" width="16" height="8" rx="1" fill="var(--band)" stroke="var(--light)" />
    <template v-else-if="glow === 'setting'">
      <path d="M2 4H8V12H2ZM12 4H18V12H12Z" fill="var(--band)" stroke="var(--light)" />
      <path d="M10 2V14" stroke="var(--light)" stroke-width="1.5" />
    </template>
    <template v-else-if="glow === 'converter'">
      <path d="M1 6H6V10H1ZM14 6H19V10H14Z" fill="var(--band)" stroke="var(--light)" stroke-width="0.8" />
      <rect x="6.5" y="2.5" width="7" height="11" rx="1" fill="none" stroke="var(--light)" />
    </template>
    <path
      v-else
      d="M2.5 4.5H17.5V11.5H2.5ZM4 11.5L9 4.5M9 11.5L14 4.5M13 11.5L17.5 5.5"
      fill="none"
      stroke="var(--dark)"
    />
  </svg>
</template>

<style scoped>
.lamp {
  display: inline-block;
  vertical-align: middle;
}
</style>
