<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { Answer } from '#core/asked'
import { usePlanStore } from '~/plan/store'

/** The chosen run once more for other sources that wait for one. */
const props = defineProps<{ run: string }>()
const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const chosen = ref<string[]>([])
const answer = shallowRef<Answer<'copy'>>()

watch(
  [() => props.run, chosen, () => store.report?.version],
  async () => {
    answer.value = await store.ask('copy', props.run, [...chosen.value])
  },
  { immediate: true },
)

const targets = computed(() => answer.value?.targets ?? [])
const full = computed(() => chosen.value.length > 0 && answer.value !== undefined && !answer.value.proposal)

async function take(): Promise<void> {
  const proposal = answer.value?.proposal
  if (proposal && (await store.commit(proposal.title, proposal.edits))) emit('close')
}
</script>

<template>
  <v-dialog
    :model-value="true"
    max-width="520"
    aria-label="Lay this run for others"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <form class="sheet" @submit.prevent="take">
      <h2>Lay this run for others</h2>
      <p v-if="!answer" class="quiet">Looking for sources that wait …</p>
      <p v-else-if="targets.length === 0">
        No other source with this plug waits for a run. Add the sources first, without connecting them.
      </p>
      <fieldset v-else>
        <legend class="quiet small">The same devices, cables and measured ways, into the next free inputs, for</legend>
        <label v-for="{ id, name } in targets" :key="id"
          ><input v-model="chosen" type="checkbox" :value="id" /> {{ name }}</label
        >
      </fieldset>
      <p v-if="full">There are not enough free inputs of the kind for {{ chosen.length }}.</p>
      <p v-else-if="answer?.effect" class="quiet">
        Then {{ answer.effect.after.arrive }} of {{ answer.effect.after.wanted }} pictures arrive, now
        {{ answer.effect.before.arrive }} of {{ answer.effect.before.wanted }}.
      </p>
      <div class="ends">
        <button class="btn" type="button" @click="emit('close')">Cancel</button
        ><button class="btn primary" type="submit" :disabled="!answer?.proposal">Lay them</button>
      </div>
    </form>
  </v-dialog>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 4px;
  max-height: 320px;
  overflow-y: auto;
}
label {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  cursor: pointer;
}
p {
  margin: 8px 0;
}
</style>
