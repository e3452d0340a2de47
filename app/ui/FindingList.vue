<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { SEVERITY_WORDS } from '#core/kernel'
import type { Remedy } from '#core/propose'
import { usePlanStore } from '~/plan/store'
import type { ShownFinding } from '#core/features/board'

/** Findings with what would mend them, one press to apply; for screens that show what no lane of the board does. */
const props = defineProps<{
  findings: readonly ShownFinding[]
  /** The overlay that they are about: what its key measures after each remedy stands with it. */
  overlay?: string
}>()
const store = usePlanStore()
/** By finding and remedy, in their order. */
const outcomes = shallowRef<Readonly<Record<string, readonly string[]>>>({})
const remedies = shallowRef<Readonly<Record<string, readonly Remedy[]>>>({})

watch(
  [() => props.findings.map(({ key }) => key).join(), () => store.report?.version] as const,
  async ([, version]) => {
    const found: Record<string, readonly Remedy[]> = {}
    for (const { key } of props.findings) {
      const answer = await store.ask('remedies', key)
      if (version !== store.report?.version) return
      found[key] = answer ?? []
    }
    remedies.value = found
    const { overlay } = props
    const measured: Record<string, readonly string[]> = {}
    for (const [key, offers] of Object.entries(overlay === undefined ? {} : found)) {
      const edits = offers.map(offer => offer.edits)
      measured[key] = (await store.ask('outcomes', overlay!, edits)) ?? []
      if (version !== store.report?.version) return
    }
    outcomes.value = measured
  },
  { immediate: true },
)
</script>

<template>
  <article v-for="finding in findings" :key="finding.key" class="finding">
    <p>
      <span class="grave">{{ SEVERITY_WORDS[finding.severity] }}:</span> <FindingWords :finding="finding" />
    </p>
    <p v-if="!remedies[finding.key]" class="small quiet" role="status">Trying what would mend it …</p>
    <button
      v-for="(remedy, i) in remedies[finding.key]"
      :key="remedy.title"
      type="button"
      class="btn remedy"
      @click="store.commit(remedy.title, remedy.edits)"
    >
      <span
        >{{ remedy.title }}
        <span v-if="outcomes[finding.key]?.[i]" class="small outcome">{{ outcomes[finding.key]![i] }}</span></span
      >
      <span class="figures small">{{ remedy.effect.after.arrive }} of {{ remedy.effect.after.wanted }}</span>
    </button>
    <p v-if="remedies[finding.key]?.length === 0" class="small quiet">Nothing that is in the plan mends it.</p>
  </article>
</template>

<style scoped>
.grave {
  color: var(--quiet);
}
.finding {
  margin: 16px 0;
  padding: 12px 16px;
  background: var(--surface);
  border-left: 3px solid var(--dark);
}
p {
  margin: 0 0 8px;
}
.remedy {
  width: 100%;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  height: auto;
  min-height: 34px;
  padding-block: 5px;
  margin-top: 4px;
  text-align: left;
  white-space: normal;
}
.remedy .figures {
  flex: none;
}
.outcome {
  display: block;
  color: var(--quiet);
}
</style>
