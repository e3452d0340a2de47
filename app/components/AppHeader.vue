<script setup lang="ts">
import { usePlanStore } from '~/stores/plan'

defineProps<{ show: string, plan: string }>()
const emit = defineEmits<{ palette: [] }>()
const store = usePlanStore()
</script>

<template>
  <header class="header">
    <NuxtLink to="/" class="home" aria-label="All shows"><InterMark /></NuxtLink>
    <span class="strong cut name">{{ show }}</span>
    <span class="small quiet cut">{{ plan }}</span>
    <nav class="steps" aria-label="Steps">
      <span class="step on">Wire</span>
      <span class="screens small"><span class="on" aria-current="page">Runs</span></span>
    </nav>
    <span class="small quiet saving" role="status">{{ store.saving === 'saved' ? 'saved' : store.saving === 'saving' ? 'saving …' : 'no server, kept in this browser' }}</span>
    <button class="btn plain small" type="button" :disabled="!store.canUndo" @click="store.undo()">Undo</button>
    <button class="btn plain small" type="button" :disabled="!store.canRedo" @click="store.redo()">Redo</button>
    <button class="btn plain small" type="button" @click="emit('palette')">Find <span class="key">Ctrl K</span></button>
  </header>
</template>

<style scoped>
.header { height: 44px; flex: none; display: flex; align-items: center; gap: 12px; padding: 0 16px; border-bottom: 1px solid var(--line); }
.home { display: flex; align-items: center; height: 32px; border-radius: 4px; }
.name { max-width: 300px; }
.steps { display: flex; align-items: center; gap: 16px; margin-left: 24px; height: 100%; }
.step { height: 100%; display: flex; align-items: center; border-bottom: 2px solid var(--light); padding-top: 2px; }
.screens { border-left: 1px solid var(--line); padding-left: 16px; }
.screens .on { font-weight: 650; }
.saving { margin-left: auto; margin-right: 8px; white-space: nowrap; }
</style>
