<script setup lang="ts">
import { useNotices } from '~/shell/notices'

const notices = useNotices()

function act(): void {
  notices.notice?.action?.run()
  notices.clear()
}
</script>

<template>
  <div class="notices" role="status" aria-live="polite">
    <div v-if="notices.notice" class="notice" :class="notices.notice.kind">
      <span>{{ notices.notice.text }}</span>
      <button v-if="notices.notice.action" class="btn" type="button" @click="act">
        {{ notices.notice.action.label }}
      </button>
      <button class="btn plain" type="button" @click="notices.clear()">Close</button>
    </div>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  left: 0;
  right: 0;
  bottom: 36px;
  display: flex;
  justify-content: center;
  pointer-events: none;
  z-index: 3000;
}
.notice {
  pointer-events: auto;
  display: flex;
  align-items: center;
  gap: 16px;
  max-width: min(880px, calc(100vw - 32px));
  padding: 8px 8px 8px 16px;
  background: var(--raised);
  border: 1px solid var(--border);
  border-radius: 4px;
}
.notice.wrong {
  border-color: var(--plate);
  border-left-width: 4px;
}
</style>
