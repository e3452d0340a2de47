<script setup lang="ts">
import Fuse from 'fuse.js'
import { computed, nextTick, ref, watch } from 'vue'

export interface Command {
  readonly title: string
  readonly detail: string
  readonly run: () => void
}

const props = defineProps<{ open: boolean; commands: readonly Command[] }>()
const emit = defineEmits<{ close: [] }>()
const text = ref('')
const at = ref(0)
const fuse = computed(
  () => new Fuse(props.commands, { keys: ['title', 'detail'], threshold: 0.35, ignoreLocation: true }),
)
const found = computed(() =>
  (text.value.trim() ? fuse.value.search(text.value.trim()).map(({ item }) => item) : props.commands).slice(0, 60),
)
watch(
  () => props.open,
  () => {
    text.value = ''
    at.value = 0
  },
)
watch(text, () => {
  at.value = 0
})

function keys(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min(found.value.length - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') run(at.value)
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`found-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}

function run(index: number): void {
  const command = found.value[index]
  if (!command) return
  emit('close')
  // After the board has its focus back.
  setTimeout(command.run)
}
</script>

<template>
  <v-dialog
    :model-value="open"
    max-width="600"
    aria-label="Find"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <div class="sheet">
      <v-text-field
        v-model="text"
        label="Find a device, a run or an action"
        autofocus
        role="combobox"
        aria-expanded="true"
        aria-controls="found"
        :aria-activedescendant="`found-${at}`"
        @keydown="keys"
      />
      <ul id="found" role="listbox" aria-label="Found" tabindex="0">
        <li
          v-for="(command, i) in found"
          :id="`found-${i}`"
          :key="command.title + command.detail"
          role="option"
          :aria-selected="i === at"
          :class="{ at: i === at }"
          @click="run(i)"
          @mousemove="at = i"
        >
          <span class="cut">{{ command.title }}</span><span class="small quiet cut">{{ command.detail }}</span>
        </li>
        <li v-if="found.length === 0" class="quiet" role="option" aria-selected="false">Nothing is called that.</li>
      </ul>
    </div>
  </v-dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  height: 340px;
  overflow-y: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  padding: 6px 10px;
  border: 1px solid transparent;
  border-radius: 4px;
  cursor: pointer;
}
li.at {
  border-color: var(--chosen);
  background: var(--raised);
}
</style>
