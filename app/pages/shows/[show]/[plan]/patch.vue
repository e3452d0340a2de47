<script setup lang="ts">
import { computed, ref } from 'vue'
import { SCREEN_KEYS } from '~/stores/screens'
import { usePatchStore } from '~/stores/patch'
import { useBoardStore } from '~/stores/board'

/** Whole plans that are proposed, ways to grow, and the versions of the plan. */
const patch = usePatchStore()
const selection = useBoardStore()
const route = useRoute()
const router = useRouter()
const VIEWS = { plans: 'Plans', grow: 'More inputs', versions: 'Versions' } as const
type View = keyof typeof VIEWS
const view = computed<View>({
  get: () => (typeof route.query.view === 'string' && Object.hasOwn(VIEWS, route.query.view) ? route.query.view as View : 'plans'),
  set: (to) => { void router.replace({ query: to === 'plans' ? {} : { view: to } }) },
})
const asking = ref(false)
const KEYS: Record<View, readonly (readonly [string, string])[]> = {
  plans: [['L', 'look for plans'], ['\u2190\u2192', 'choose a plan'], ['Enter', 'make it'], ['V', 'keep as a version'], [SCREEN_KEYS, 'screens'], ['Ctrl Z', 'undo']],
  grow: [['\u2191\u2193', 'choose'], ['Enter', 'make it'], [SCREEN_KEYS, 'screens'], ['Ctrl Z', 'undo']],
  versions: [['\u2191\u2193', 'choose'], ['Enter', 'open it'], [SCREEN_KEYS, 'screens']],
}
</script>

<template>
  <PlanFrame
    screen="patch" :foot-name="view === 'plans' ? patch.offer && patch.name : undefined" :keys="KEYS[view]" :busy="asking"
    :commands="[{ title: 'Look for plans', detail: 'L', run: () => { view = 'plans'; void patch.look() } }, { title: 'More inputs: feeder or larger switcher', detail: '', run: () => { view = 'grow' } }, { title: 'Versions of this plan', detail: '', run: () => { view = 'versions' } }]"
  >
    <div class="patch">
      <div class="bar no-print">
        <h2>The patch</h2>
        <span class="mode" role="group" aria-label="What is shown">
          <button v-for="(title, id) in VIEWS" :key="id" type="button" class="btn small" :class="{ on: view === id }" :aria-pressed="view === id" @click="view = id">{{ title }}</button>
        </span>
      </div>
      <PatchPlans v-if="view === 'plans'" :quiet="selection.dialog !== undefined" @asking="value => { asking = value }" @kept="view = 'versions'" />
      <PatchGrow v-else-if="view === 'grow'" />
      <PatchVersions v-else @asking="value => { asking = value }" />
    </div>
  </PlanFrame>
</template>

<style scoped>
.patch { flex: 1; min-height: 0; display: flex; flex-direction: column; }
.bar { display: flex; align-items: center; gap: 8px 20px; padding: 8px 16px; min-height: 48px; flex: none; flex-wrap: wrap; border-bottom: 1px solid var(--line); }
.bar h2 { font: 650 20px/1 var(--words); margin: 0; }
.mode { display: flex; gap: 4px; }
@media print { .patch { display: block; } }
</style>
