<script setup lang="ts">
import { nextTick, ref, watch } from 'vue'
import type { AnySchema } from 'yup'
import { useNotices } from '~/shell/notices'

/** A field for what is typed. Its words stay the typist's until they are done: nothing that comes meanwhile overwrites them. */
defineOptions({ inheritAttrs: false })
const props = defineProps<{
  value: string | number
  schema?: AnySchema
  /** What is still needed where nothing is typed, "a name"; without it, nothing is a value as well. */
  needs?: string
  lines?: number
}>()
const emit = defineEmits<{ done: [text: string] }>()
const { tell } = useNotices()

const draft = ref(String(props.value))
let typing = false
watch(
  () => props.value,
  now => {
    if (!typing) draft.value = String(now)
  },
)

function type(event: Event): void {
  typing = true
  draft.value = (event.target as HTMLInputElement).value
}

function done(): void {
  if (!typing) return
  typing = false
  const text = draft.value.trim()
  if (text !== String(props.value)) {
    try {
      if (text) props.schema?.validateSync(text)
      else if (props.needs) throw new Error(props.needs)
      emit('done', text)
    } catch (error) {
      tell(`Not taken: ${(error as Error).message}`, 'wrong')
    }
  }
  // What was taken has come back as the value by now; what was refused gives way to what stands.
  void nextTick(() => {
    if (!typing) draft.value = String(props.value)
  })
}
</script>

<template>
  <component
    :is="lines ? 'textarea' : 'input'"
    v-bind="$attrs"
    class="pick"
    :rows="lines"
    :value="draft"
    @input="type"
    @change="done"
    @blur="done"
  />
</template>
