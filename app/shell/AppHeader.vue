<script setup lang="ts">
import { SCREENS } from '~/features'
import { rehearsing } from '~/features/rehearsal/running'
import { useLook } from '~/shell/look'
import { lastOf } from '~/shell/place'
import { STEPS, type Screen } from '~/shell/screens'
import { usePlanStore } from '~/plan/store'

defineProps<{ show: string; plan: string; screen: Screen; base: string }>()
const emit = defineEmits<{ palette: [] }>()
const store = usePlanStore()
const look = useLook()
const SAVING = {
  saved: 'saved',
  saving: 'saving …',
  offline: 'no server, kept in this browser',
  gone: 'not saved: the plan was taken away',
}
/** A step appears when one of its screens works; its figure stays what it is. */
const steps = STEPS.map((step, i) => ({ ...step, figure: i + 1 })).filter(({ id }) =>
  SCREENS.some(({ step }) => step === id),
)
</script>

<template>
  <header class="header no-print">
    <NuxtLink to="/" class="home" aria-label="All shows"><InterMark /></NuxtLink>
    <span class="strong cut name">{{ show }}</span>
    <NuxtLink class="small quiet cut plan" :to="`${base}/patch?view=versions`" title="The versions of this plan">{{
      plan
    }}</NuxtLink>
    <nav class="steps" aria-label="Steps">
      <NuxtLink
        v-for="{ id, title, figure } in steps"
        :key="id"
        :to="`${base}/${lastOf(id).id}`"
        class="step"
        :class="{ here: id === screen.step }"
        :aria-current="id === screen.step ? 'step' : undefined"
        :title="`Alt ${figure}`"
        ><span class="small figure" aria-hidden="true">{{ figure }}</span
        >{{ title }}</NuxtLink
      >
    </nav>
    <NuxtLink
      v-if="rehearsing && base.endsWith(rehearsing) && screen.id !== 'rehearse'"
      class="small on-air"
      :to="`${base}/rehearse`"
      >rehearsal runs</NuxtLink
    >
    <span class="small quiet saving" role="status">{{
      store.saving === 'saved' && store.aside.length ? `${store.aside.length} not saved` : SAVING[store.saving]
    }}</span>
    <button class="btn plain small" type="button" :disabled="!store.canUndo" @click="store.undo()">Undo</button>
    <button class="btn plain small" type="button" :disabled="!store.canRedo" @click="store.redo()">Redo</button>
    <button
      class="btn plain small"
      type="button"
      :aria-label="`Turn to the ${look.theme === 'night' ? 'day' : 'night'} theme`"
      @click="look.turn()"
    >
      {{ look.theme === 'night' ? 'Day' : 'Night' }}
    </button>
    <button class="btn plain small" type="button" @click="emit('palette')">Find <span class="key">Ctrl K</span></button>
  </header>
</template>

<style scoped>
.header {
  height: 44px;
  flex: none;
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 0 16px;
  border-bottom: 1px solid var(--line);
}
.home {
  display: flex;
  align-items: center;
  height: 32px;
  border-radius: 4px;
  margin-right: 4px;
}
.on-air {
  background: var(--plate);
  color: var(--ground);
  border-radius: 3px;
  padding: 0 8px;
  font-weight: 650;
  text-decoration: none;
  white-space: nowrap;
}
.name {
  max-width: 240px;
}
.plan {
  max-width: 140px;
  margin-left: 4px;
  text-decoration: none;
}
.plan:hover {
  color: var(--text);
}
.steps {
  display: flex;
  align-items: stretch;
  gap: 8px;
  margin-left: 32px;
  height: 100%;
}
.step {
  display: flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
  padding: 2px 10px 0;
  text-decoration: none;
  color: var(--quiet);
  border-bottom: 2px solid transparent;
}
.step:hover {
  color: var(--text);
}
.step.here {
  color: var(--text);
  font-weight: 650;
  border-bottom-color: var(--light);
}
.figure {
  font-family: var(--figures);
  font-weight: 400;
}
.saving {
  margin-left: auto;
  margin-right: 4px;
  white-space: nowrap;
}
@media (max-width: 1100px) {
  .plan,
  .header .key {
    display: none;
  }
  .steps {
    gap: 0;
    margin-left: 8px;
  }
  .name {
    max-width: 150px;
  }
}
@media (max-width: 900px) {
  .name {
    max-width: 112px;
  }
  .step {
    padding: 2px 6px 0;
  }
  .header {
    gap: 4px;
    padding: 0 12px;
  }
  .header .btn {
    padding: 0 6px;
  }
  .saving {
    max-width: 64px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
</style>
