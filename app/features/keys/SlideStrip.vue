<script setup lang="ts">
/** The pictures that come by one key, one after the other: which is looked at, and which of them fails. */
defineProps<{
  slides: readonly { readonly id: string; readonly title: string; readonly bad: boolean }[]
  busy: boolean
}>()
const chosen = defineModel<string | undefined>({ required: true })
const emit = defineEmits<{ add: []; remove: [id: string] }>()
</script>

<template>
  <div class="strip">
    <div class="list" role="listbox" aria-label="Pictures of this overlay">
      <button
        v-for="(one, i) in slides"
        :key="one.id"
        type="button"
        role="option"
        class="slide"
        :class="{ on: one.id === chosen }"
        :aria-selected="one.id === chosen"
        :title="one.title"
        @click="chosen = one.id"
      >
        <span class="figures small">{{ i + 1 }}</span>
        <span class="cut">{{ one.title }}</span>
        <span v-if="one.bad" class="bad small">fails</span>
      </button>
    </div>
    <p class="small">
      <button type="button" class="link" :disabled="busy" @click="emit('add')">more pictures</button>
      <button v-if="chosen !== undefined" type="button" class="link" @click="emit('remove', chosen)">
        take this one out
      </button>
      <span class="quiet"
        >{{ slides.length }} pictures<template v-if="slides.some(({ bad }) => bad)"
          >, {{ slides.filter(({ bad }) => bad).length }} of them fail</template
        >
        <span class="key">PgUp PgDn</span></span
      >
    </p>
  </div>
</template>

<style scoped>
.strip {
  max-width: 704px;
  margin-top: 8px;
}
.list {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  max-height: 132px;
  overflow: auto;
}
.slide {
  display: flex;
  gap: 8px;
  align-items: center;
  max-width: 212px;
  height: 30px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 4px;
}
.slide.on {
  border-color: var(--chosen);
  background: var(--raised);
}
.quiet .key {
  margin-left: 8px;
}
.bad {
  color: var(--quality);
  font-weight: 650;
}
p {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 4px 0 0;
}
.link {
  color: var(--chosen);
  min-height: 24px;
  padding: 0;
}
</style>
