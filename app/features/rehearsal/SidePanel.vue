<script setup lang="ts">
/** Stands in place of the sources while something beside them is worked; the picture stays in view. */
defineProps<{ title: string }>()
</script>

<template>
  <section class="side" :aria-label="title" tabindex="-1">
    <slot />
  </section>
</template>

<style scoped>
.side {
  overflow: auto;
  padding: 8px 12px 24px 16px;
  min-height: 0;
  flex: 1;
}
</style>
