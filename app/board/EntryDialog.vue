<script setup lang="ts">
import { randomId } from '~/plan/client'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Answer } from '#core/asked'
import { usePlanStore } from '~/plan/store'

/** A line of words that is read while it is typed; what it would add is shown before it is taken. */
const emit = defineEmits<{ close: []; added: [device: string] }>()
const store = usePlanStore()
const line = ref('')
const answer = shallowRef<Answer<'entry'>>()
const seed = ref(randomId())
const EXAMPLES = [
  '2x studio camera 1080p50 45m to main 6-7',
  'laptop 5m to main as Slides',
  'projector, HDMI program 30m from main',
  'pan-tilt-zoom camera 1080p50',
]

let asked = 0
watch([line, () => store.report?.version], async ([text]) => {
  const mine = ++asked
  if (text.trim() === '') {
    answer.value = undefined
    return
  }
  const now = await store.ask('entry', text, seed.value)
  if (mine === asked) answer.value = now
})

const problem = computed(() => (answer.value && !answer.value.reading.ok ? answer.value.reading.problem : undefined))
/** The line with the stretch that is not understood marked. */
const marked = computed(() =>
  problem.value
    ? [
        line.value.slice(0, problem.value.from),
        line.value.slice(problem.value.from, Math.max(problem.value.to, problem.value.from + 1)) || '\u2026',
        line.value.slice(problem.value.to),
      ]
    : undefined,
)
const entry = computed(() => (answer.value?.reading.ok ? answer.value.reading.value : undefined))
const connected = computed(() => answer.value?.edits.filter(edit => edit.do === 'connect').length ?? 0)

async function take(): Promise<void> {
  const now = answer.value
  if (!now?.reading.ok || now.edits.length === 0) return
  const first = now.edits.find(edit => edit.do === 'add' && edit.collection === 'devices')
  if (await store.commit(`Add ${now.reading.value.words}`.slice(0, 120), now.edits)) {
    emit('added', first?.do === 'add' ? first.id : '')
    emit('close')
  }
}
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="720"
    aria-label="Add by a line"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <form class="sheet" @submit.prevent="take">
      <h2>Add by a line</h2>
      <v-text-field
        v-model="line"
        label="How many, what, format, length, where to"
        autofocus
        autocomplete="off"
        spellcheck="false"
        :error="problem !== undefined"
      />
      <div class="told" role="status">
        <template v-if="marked && problem">
          <p class="figures echo">
            {{ marked[0] }}<mark>{{ marked[1] }}</mark
            >{{ marked[2] }}
          </p>
          <p>{{ problem.what }}</p>
        </template>
        <template v-else-if="entry && answer">
          <p>
            <b>{{ entry.words }}</b>
          </p>
          <p class="quiet">
            {{ entry.additions.map(({ name }) => name).join(', ') }};
            {{ connected ? `${connected} cable${connected > 1 ? 's' : ''}` : 'no cable yet'
            }}<template v-if="answer.effect"
              >. Then {{ answer.effect.after.arrive }} of {{ answer.effect.after.wanted }} pictures arrive, now
              {{ answer.effect.before.arrive }} of {{ answer.effect.before.wanted }}.</template
            >
          </p>
        </template>
        <template v-else>
          <p class="quiet">For example:</p>
          <p v-for="example in EXAMPLES" :key="example">
            <button type="button" class="figures link" @click="line = example">{{ example }}</button>
          </p>
        </template>
      </div>
      <div class="ends">
        <button class="btn" type="button" @click="emit('close')">Cancel</button
        ><button class="btn primary" type="submit" :disabled="!entry">Add <span class="key">Enter</span></button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
.told {
  min-height: 116px;
  padding: 4px 2px;
}
.told p {
  margin: 0 0 6px;
  max-width: 76ch;
}
.echo {
  white-space: pre-wrap;
}
mark {
  background: none;
  color: var(--text);
  border-bottom: 2px dashed var(--light);
  padding-bottom: 2px;
}
.link {
  color: var(--chosen);
}
.link:hover {
  text-decoration: underline;
}
</style>
