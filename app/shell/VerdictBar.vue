<script setup lang="ts">
import { computed } from 'vue'
import { SEVERITY_WORDS, type Severity } from '#core/kernel'
import { figure } from '#core/words'

import { usePlanStore } from '~/plan/store'

const emit = defineEmits<{
  next: []
  severity: [severity: Severity]
  figure: [screen: string, query?: Record<string, string>]
}>()
const store = usePlanStore()
const verdict = computed(() => store.report?.verdict)
const PLURAL: Record<Severity, string> = { H: 'hazards', D: 'dark', R: 'risks', Q: 'quality', N: 'notes' }
const counts = computed(() =>
  (['H', 'D', 'R', 'Q', 'N'] as const)
    .filter(severity => (verdict.value?.[severity] ?? 0) > 0)
    .map(severity => ({
      severity,
      count: verdict.value![severity],
      words: verdict.value![severity] === 1 ? SEVERITY_WORDS[severity] : PLURAL[severity],
    })),
)
const tightest = computed(() => {
  let best: { used: number; name: string; lane: string } | undefined
  for (const lane of store.report?.board.lanes ?? []) {
    for (const hop of lane.hops)
      if (hop.is === 'cable' && hop.arrives && hop.used !== undefined && hop.used > (best?.used ?? -1))
        best = { used: hop.used, name: lane.from?.name ?? '', lane: lane.id }
  }
  return best
})
/** Price and draw; what the title says already is not said again. */
const figures = computed(() =>
  (store.report?.figures ?? []).filter(({ id, value }) => value > 0 && (id === 'price' || id === 'watts')),
)
const open = computed(() => (store.report?.findings ?? []).some(({ accepted }) => accepted === undefined))
const accepted = computed(() => (store.report?.findings ?? []).filter(finding => finding.accepted !== undefined).length)
</script>

<template>
  <div v-if="verdict" class="verdict">
    <h1>
      {{ verdict.wanted === 0 ? 'No pictures planned yet' : `${verdict.arrive} of ${verdict.wanted} pictures arrive` }}
    </h1>
    <button
      v-for="{ severity, count, words } in counts"
      :key="severity"
      class="count"
      type="button"
      @click="emit('severity', severity)"
    >
      <svg width="18" height="14" aria-hidden="true">
        <rect
          v-if="severity === 'D' || severity === 'H'"
          x="0.5"
          y="2.5"
          width="17"
          height="9"
          rx="2"
          fill="url(#hatch)"
          stroke="var(--dark)"
        />
        <path v-else-if="severity === 'R'" d="M0 7H5M7 7H12M14 7H18" stroke="var(--light)" stroke-width="8" />
        <path
          v-else
          d="M0 3H18M0 11H18"
          :stroke="severity === 'Q' ? 'var(--quality)' : 'var(--quiet)'"
          stroke-width="1.5"
          stroke-dasharray="2 2"
        />
      </svg>
      <b>{{ count }} {{ words }}</b>
    </button>
    <span v-if="verdict.wanted > 0 && counts.length === 0" class="quiet">nothing dark, nothing at risk</span>
    <span v-if="accepted" class="quiet">{{ accepted }} accepted</span>
    <span class="room"
      ><span class="facts quiet">
        <button
          v-if="tightest && tightest.used > 0"
          class="tightest"
          type="button"
          @click="emit('figure', 'runs', { at: tightest.lane })"
        >
          tightest cable {{ figure((1 - tightest.used) * 100, 0) }}&nbsp;% left, {{ tightest.name }}
        </button>
        <button
          v-for="one in figures"
          :key="one.id"
          type="button"
          :title="one.title"
          @click="emit('figure', one.screen)"
        >
          {{ one.words }}
        </button>
      </span></span
    >
    <button v-if="open" class="next" type="button" aria-label="Next dark end" @click="emit('next')">
      Next<span class="wide"> dark end</span> <span class="key">N</span>
    </button>
  </div>
</template>

<style scoped>
.verdict {
  height: 56px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 24px;
  padding: 0 20px;
  border-bottom: 1px solid var(--line);
  white-space: nowrap;
  overflow: hidden;
}
h1 {
  font: 650 28px/1 var(--words);
  margin: 0;
  flex: none;
}
.count {
  display: flex;
  align-items: center;
  gap: 8px;
  flex: none;
  height: 32px;
  border-radius: 4px;
}
.count b {
  font-weight: 650;
}
/* The figures stand there whole or not at all. */
.room {
  flex: 1;
  min-width: 0;
  container-type: inline-size;
}
.facts {
  display: flex;
  justify-content: flex-end;
  gap: 32px;
  font-size: 13px;
}
@container (max-width: 280px) {
  .tightest {
    display: none;
  }
}
@container (max-width: 150px) {
  .facts {
    display: none;
  }
}
.facts button {
  color: inherit;
  white-space: nowrap;
}
.facts button:hover {
  color: var(--text);
}
/* Where there is no room for all, the name of the cable gives way, and no figure. */
.facts button:not(.tightest) {
  flex: none;
}
.tightest {
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 1000px) {
  .verdict {
    gap: 14px;
    padding: 0 16px;
  }
  h1 {
    font-size: 24px;
  }
  .wide {
    display: none;
  }
  .facts {
    flex-direction: column;
    gap: 0;
    text-align: right;
    line-height: 1.35;
  }
}
.next {
  color: var(--chosen);
  flex: none;
  height: 32px;
  font-size: 13px;
}
.next .key {
  color: var(--chosen);
}
</style>
