<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { AnySchema } from 'yup'

/** A blank in a sentence: it reads as text, and is written in where it stands. */
const props = defineProps<{
  /** What it is, for those who cannot see the sentence round it. */
  label: string
  /** As it reads; undefined while nothing is said. */
  value: string | undefined
  /** What stands in the blank while nothing is said. */
  blank: string
  /** To choose from; without it, text is typed. */
  options?: readonly { readonly title: string; readonly value: string }[]
  /** What is chosen or typed when it opens; the reading where absent. */
  raw?: string | undefined
  type?: 'text' | 'number' | 'date' | 'time'
  schema?: AnySchema
}>()
const emit = defineEmits<{ done: [value: string] }>()

const open = ref(false)
const text = ref('')
const error = ref<string>()
const field = ref<HTMLInputElement | HTMLSelectElement>()
const button = ref<HTMLButtonElement>()
const width = computed(
  () => `${Math.max(props.type === 'date' ? 11 : props.type === 'time' ? 7 : 5, text.value.length + 2)}ch`,
)

function begin(): void {
  text.value = props.raw ?? props.value ?? ''
  error.value = undefined
  open.value = true
  void nextTick(() => {
    field.value?.focus()
    if (field.value instanceof HTMLInputElement && props.type !== 'date' && props.type !== 'time') field.value.select()
  })
}

function end(): void {
  open.value = false
  void nextTick(() => button.value?.focus())
}

function take(): void {
  if (!open.value) return
  const typed = text.value.trim()
  try {
    if (typed !== '' || !props.schema) props.schema?.validateSync(typed)
  } catch (problem) {
    error.value = (problem as Error).message
    return
  }
  const was = props.raw ?? props.value ?? ''
  end()
  if (typed !== was) emit('done', typed)
}

function leave(): void {
  // What is wrong is not taken, and not kept open either.
  if (open.value && error.value === undefined) take()
  if (error.value !== undefined) end()
}
</script>

<template>
  <span class="fill">
    <button
      v-if="!open"
      ref="button"
      type="button"
      class="said"
      :class="{ blank: value === undefined }"
      :aria-label="`${label}: ${value ?? 'not said'}`"
      @click="begin"
    >
      {{ value ?? blank }}
    </button>
    <template v-else>
      <select
        v-if="options"
        ref="field"
        v-model="text"
        class="pick in"
        :aria-label="label"
        @change="take"
        @blur="end"
        @keydown.esc.stop="end"
      >
        <option v-for="option in options" :key="option.value" :value="option.value">{{ option.title }}</option>
      </select>
      <input
        v-else
        ref="field"
        v-model="text"
        class="pick in"
        :type="type === 'number' ? 'text' : (type ?? 'text')"
        :inputmode="type === 'number' ? 'numeric' : undefined"
        :style="{ width }"
        :aria-label="label"
        :aria-invalid="error !== undefined"
        @input="error = undefined"
        @keydown.enter.prevent="take"
        @keydown.esc.stop="end"
        @blur="leave"
      />
      <span v-if="error" class="wrong small" role="alert">{{ error }}</span>
    </template>
  </span>
</template>

<style scoped>
.fill {
  display: inline;
}
.said {
  display: inline;
  font-size: inherit;
  line-height: inherit;
  border-bottom: 1px solid var(--border);
  border-radius: 0;
  color: var(--text);
  font-weight: 650;
  text-align: left;
}
.said:hover {
  border-bottom-color: var(--chosen);
  color: var(--chosen);
}
.said.blank {
  font-weight: 400;
  color: var(--quiet);
  border-bottom-style: dashed;
}
.in {
  font-size: 18px;
  padding: 0 6px;
  vertical-align: baseline;
  max-width: 34ch;
}
select.in {
  padding-right: 24px;
}
.wrong {
  margin-left: 8px;
  color: var(--light);
  font-weight: 650;
}
@media (pointer: coarse) {
  .said {
    padding: 8px 2px;
  }
}
</style>
