<script setup lang="ts">
import { STEPS, type ScreenId } from '~/stores/screens'
import { useLook } from '~/stores/look'
import { usePlanStore } from '~/stores/plan'

defineProps<{ show: string, plan: string, screen: ScreenId, base: string }>()
const emit = defineEmits<{ palette: [] }>()
const store = usePlanStore()
const look = useLook()
</script>

<template>
  <header class="header no-print">
    <NuxtLink to="/" class="home" aria-label="All shows"><InterMark /></NuxtLink>
    <span class="strong cut name">{{ show }}</span>
    <NuxtLink class="small quiet cut plan" :to="`${base}/patch?view=versions`" title="The versions of this plan">{{ plan }}</NuxtLink>
    <nav class="steps" aria-label="Steps">
      <div v-for="step in STEPS" :key="step.title" class="step" :class="{ on: step.screens.some(({ id }) => id === screen) }">
        <span v-if="step.screens.length > 1 || step.screens[0].title !== step.title" class="small quiet of">{{ step.title }}</span>
        <NuxtLink v-for="one in step.screens" :key="one.id" :to="`${base}/${one.id}`" class="to" :class="{ here: one.id === screen }" :aria-current="one.id === screen ? 'page' : undefined">{{ one.title }}</NuxtLink>
      </div>
    </nav>
    <span class="small quiet saving" role="status">{{ store.saving === 'saved' ? 'saved' : store.saving === 'saving' ? 'saving …' : 'no server, kept in this browser' }}</span>
    <button class="btn plain small" type="button" :disabled="!store.canUndo" @click="store.undo()">Undo</button>
    <button class="btn plain small" type="button" :disabled="!store.canRedo" @click="store.redo()">Redo</button>
    <button class="btn plain small" type="button" :aria-label="`Turn to the ${look.theme === 'night' ? 'day' : 'night'} theme`" @click="look.turn()">{{ look.theme === 'night' ? 'Day' : 'Night' }}</button>
    <button class="btn plain small" type="button" @click="emit('palette')">Find <span class="key">Ctrl K</span></button>
  </header>
</template>

<style scoped>
.header { height: 44px; flex: none; display: flex; align-items: center; gap: 8px; padding: 0 16px; border-bottom: 1px solid var(--line); }
.home { display: flex; align-items: center; height: 32px; border-radius: 4px; margin-right: 4px; }
.name { max-width: 232px; }
.plan { max-width: 84px; margin-left: 4px; text-decoration: none; }
.plan:hover { color: var(--text); }
.steps { display: flex; align-items: stretch; gap: 14px; margin-left: 12px; height: 100%; }
.step { display: flex; align-items: stretch; gap: 2px; }
.of { align-self: center; margin-right: 4px; white-space: nowrap; }
.to { display: flex; align-items: center; white-space: nowrap; padding: 2px 8px 0; text-decoration: none; color: var(--quiet); border-bottom: 2px solid transparent; }
.to:hover { color: var(--text); }
.to.here { color: var(--text); font-weight: 650; border-bottom-color: var(--light); }
.saving { margin-left: auto; margin-right: 4px; white-space: nowrap; }
@media (max-width: 1100px) {
  .plan, .of, .header .key { display: none; }
  .steps { gap: 4px; margin-left: 4px; }
  .name { max-width: 150px; }
}
@media (max-width: 900px) { .name { max-width: 112px; } .steps { gap: 0; } .to { padding: 2px 6px 0; } .header { gap: 4px; padding: 0 12px; } .header .btn { padding: 0 6px; } .saving { max-width: 64px; overflow: hidden; text-overflow: ellipsis; } }
</style>
