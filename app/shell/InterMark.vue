<template>
  <svg class="mark" viewBox="0 0 44 16" width="44" height="16" aria-hidden="true">
    <path d="M6 8h17" stroke="var(--light)" stroke-width="2.5" />
    <path d="M22 8h12" stroke="var(--border)" stroke-width="2.5" />
    <circle cx="6" cy="8" r="4.5" fill="var(--light)" />
    <circle cx="37" cy="8" r="4.5" fill="none" stroke="var(--border)" stroke-width="2" />
  </svg>
</template>

<style scoped>
.mark {
  flex: none;
  display: block;
}
</style>
