<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, watch } from 'vue'
import type { Choice } from '#core/propose'
import { usePlanStore } from '~/plan/store'

/** What could go into a free input, or which standard a switcher could work in. */
const props = defineProps<{ target: { device: string; port: string; kind: 'free' | 'standard' } | undefined }>()
const emit = defineEmits<{ close: []; add: []; reserve: [] }>()
const store = usePlanStore()
const choices = shallowRef<readonly Choice[]>()
const at = ref(0)
const list = ref<HTMLElement>()
const name = computed(() => (props.target ? (store.plan?.devices[props.target.device]?.name ?? '') : ''))

watch(
  () => props.target,
  async target => {
    choices.value = undefined
    at.value = 0
    if (!target) return
    const { device, port, kind } = target
    choices.value =
      (await store.ask('choices', kind === 'free' ? { of: 'free', device, port } : { of: 'standard', device })) ?? []
    void nextTick(() => list.value?.focus())
  },
  { immediate: true },
)

async function take(index: number): Promise<void> {
  const choice = choices.value?.[index]
  if (choice && (await store.commit(choice.title, choice.edits))) emit('close')
}

function keys(event: KeyboardEvent): void {
  if (event.key === 'ArrowDown') at.value = Math.min((choices.value?.length ?? 1) - 1, at.value + 1)
  else if (event.key === 'ArrowUp') at.value = Math.max(0, at.value - 1)
  else if (event.key === 'Enter') void take(at.value)
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`choice-${at.value}`)?.scrollIntoView({ block: 'nearest' }))
}
</script>

<template>
  <v-dialog
    :model-value="target !== undefined"
    max-width="680"
    aria-label="Choices"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <div class="sheet">
      <h2>
        {{
          target?.kind === 'free'
            ? `Into ${name} ${target.port.replace('in-', 'input ')}`
            : `Operating standard of ${name}`
        }}
      </h2>
      <ul ref="list" role="listbox" tabindex="0" aria-label="Choices" @keydown="keys">
        <li v-if="!choices" class="quiet" role="option" aria-selected="false">Trying what fits …</li>
        <li v-else-if="choices.length === 0" class="quiet" role="option" aria-selected="false">
          {{ target?.kind === 'free' ? 'No source is waiting for an input.' : 'The model offers no other standard.' }}
        </li>
        <li
          v-for="(choice, i) in choices"
          :id="`choice-${i}`"
          :key="choice.title"
          role="option"
          :aria-selected="i === at"
          :class="{ at: i === at, unfit: !choice.fits }"
          @click="take(i)"
          @mousemove="at = i"
        >
          <span
            >{{ choice.title }}<span v-if="choice.reason" class="small quiet why">{{ choice.reason }}</span></span
          >
          <span class="figures">{{ choice.effect.after.arrive }} of {{ choice.effect.after.wanted }}</span>
        </li>
      </ul>
      <div class="ends">
        <template v-if="target?.kind === 'free'"
          ><button class="btn" type="button" @click="emit('reserve')">Keep it for a guest</button
          ><button class="btn" type="button" @click="emit('add')">Add a source</button></template
        ><button class="btn" type="button" @click="emit('close')">Close</button>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 420px;
  overflow-y: auto;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 24px;
  padding: 6px 10px;
  border: 1px solid transparent;
  border-radius: 4px;
  cursor: pointer;
}
li.at {
  border-color: var(--chosen);
  background: var(--raised);
}
.unfit {
  color: var(--quiet);
}
.why {
  display: block;
}
</style>
