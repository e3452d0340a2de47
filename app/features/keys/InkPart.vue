<script setup lang="ts">
import { computed } from 'vue'
import { type InkFound, bestInks, inkWords } from '#core/features/keys'

/** Colours that the key lets through whole, the two that stand out best marked; those that it takes away are struck through. */
const props = defineProps<{ inks: readonly InkFound[]; chosen?: string; pick?: boolean }>()
const emit = defineEmits<{ picked: [hex: string] }>()

const best = computed(() => bestInks(props.inks))
const hex = ({ colour }: InkFound): string => `#${colour.map(code => code.toString(16).padStart(2, '0')).join('')}`
const words = (ink: InkFound): string =>
  `${ink.name}${ink.survives ? '' : ', taken away by this key'}${ink.contrast === undefined ? '' : `, ${ink.contrast.toFixed(1)} : 1`}`
</script>

<template>
  <div>
    <p class="small">{{ inkWords(inks).join(' ') }}</p>
    <ul class="inks" :aria-label="pick ? 'Colours of the letters' : 'Colours and this key'">
      <li v-for="ink in inks" :key="ink.name" :class="{ gone: !ink.survives, best: best.includes(ink) }">
        <button
          v-if="pick"
          type="button"
          :style="{ background: hex(ink) }"
          :title="words(ink)"
          :aria-label="words(ink)"
          :aria-pressed="hex(ink) === chosen"
          @click="emit('picked', hex(ink))"
        />
        <span v-else role="img" :style="{ background: hex(ink) }" :title="words(ink)" :aria-label="words(ink)" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
p {
  margin: 0 0 4px;
}
.inks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  list-style: none;
  padding: 0;
  margin: 4px 0 8px;
}
.inks li {
  position: relative;
  padding: 2px;
  border-bottom: 2px solid transparent;
}
.inks li.best {
  border-bottom-color: var(--chosen);
}
.inks span,
.inks button {
  display: block;
  width: 17px;
  height: 17px;
  border-radius: 3px;
  border: 1px solid var(--border);
  padding: 0;
}
.inks button {
  width: 24px;
  height: 24px;
  cursor: pointer;
}
.inks button[aria-pressed='true'] {
  outline: 2px solid var(--chosen);
  outline-offset: 1px;
}
.inks li.gone::after {
  content: '';
  position: absolute;
  inset: 2px;
  pointer-events: none;
  background: linear-gradient(to top right, transparent 46%, var(--quality) 46% 54%, transparent 54%);
}
</style>
