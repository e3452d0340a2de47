<script setup lang="ts">
import { ref, watch } from 'vue'
import type { AnySchema } from 'yup'

/** One question with one field; wrong input is told at once and nothing is taken until it is right. */
const props = defineProps<{
  open: boolean
  title: string
  label: string
  value: string
  suffix?: string
  schema: AnySchema
  hint?: string
}>()
const emit = defineEmits<{ done: [value: string]; close: [] }>()
const text = ref('')
const error = ref<string>()

watch(
  () => props.open,
  open => {
    if (!open) return
    text.value = props.value
    error.value = undefined
  },
  { immediate: true },
)

async function take(): Promise<void> {
  try {
    await props.schema.validate(text.value.trim())
    emit('done', text.value.trim())
  } catch (problem) {
    error.value = (problem as Error).message
  }
}
</script>

<template>
  <v-dialog
    :model-value="open"
    max-width="440"
    :aria-label="title"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <form class="sheet" @submit.prevent="take">
      <h2>{{ title }}</h2>
      <v-text-field
        v-model="text"
        :label="label"
        :suffix="suffix"
        :error-messages="error"
        :hint="hint"
        persistent-hint
        autofocus
        @focus="($event.target as HTMLInputElement).select()"
      />
      <div class="ends">
        <button class="btn" type="button" @click="emit('close')">Cancel</button
        ><button class="btn primary" type="submit">Take it</button>
      </div>
    </form>
  </v-dialog>
</template>
