<script setup lang="ts">
import { computed, ref } from 'vue'
import { usePatchStore } from '~/features/patch/store'
import { useBoardStore } from '~/board/selection'

/** Whole plans that are proposed, ways to grow, and the versions of the plan. */
const patch = usePatchStore()
const selection = useBoardStore()
const route = useRoute()
const router = useRouter()
const VIEWS = { plans: 'Plans', grow: 'More inputs', versions: 'Versions' } as const
type View = keyof typeof VIEWS
const view = computed<View>({
  get: () =>
    typeof route.query.view === 'string' && Object.hasOwn(VIEWS, route.query.view)
      ? (route.query.view as View)
      : 'plans',
  set: to => {
    void router.replace({ query: to === 'plans' ? {} : { view: to } })
  },
})
const asking = ref(false)
const KEYS: Record<View, readonly (readonly [string, string])[]> = {
  plans: [
    ['L', 'look for plans'],
    ['\u2190\u2192', 'choose a plan'],
    ['Enter', 'make it'],
    ['V', 'keep as a version'],
    ['[ ]', 'screens'],
    ['Ctrl Z', 'undo'],
  ],
  grow: [
    ['\u2191\u2193', 'choose'],
    ['Enter', 'make it'],
    ['[ ]', 'screens'],
    ['Ctrl Z', 'undo'],
  ],
  versions: [
    ['\u2191\u2193', 'choose'],
    ['Enter', 'open it'],
    ['[ ]', 'screens'],
  ],
}
</script>

<template>
  <PlanFrame
    screen="patch"
    :foot-name="view === 'plans' ? patch.offer && patch.name : undefined"
    :keys="KEYS[view]"
    :busy="asking"
    :commands="[
      {
        title: 'Look for plans',
        detail: 'L',
        run: () => {
          view = 'plans'
          void patch.look()
        },
      },
      {
        title: 'More inputs: feeder or larger switcher',
        detail: '',
        run: () => {
          view = 'grow'
        },
      },
      {
        title: 'Versions of this plan',
        detail: '',
        run: () => {
          view = 'versions'
        },
      },
    ]"
  >
    <template #controls>
      <span class="mode" role="group" aria-label="What is shown">
        <button
          v-for="(title, id) in VIEWS"
          :key="id"
          type="button"
          class="btn small"
          :class="{ on: view === id }"
          :aria-pressed="view === id"
          @click="view = id"
        >
          {{ title }}
        </button>
      </span>
    </template>
    <div class="patch">
      <h2 class="unseen">The patch</h2>
      <PatchPlans
        v-if="view === 'plans'"
        :quiet="selection.dialog !== undefined"
        @asking="
          value => {
            asking = value
          }
        "
        @kept="view = 'versions'"
      />
      <PatchGrow v-else-if="view === 'grow'" />
      <PatchVersions
        v-else
        @asking="
          value => {
            asking = value
          }
        "
      />
    </div>
  </PlanFrame>
</template>

<style scoped>
.patch {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.mode {
  display: flex;
  gap: 4px;
}
@media print {
  .patch {
    display: block;
  }
}
</style>
