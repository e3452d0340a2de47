<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useBoardStore } from '~/board/selection'
import { isTyped } from '~/ui/keys'
import ViewTabs from '~/ui/ViewTabs.vue'
import MoneyView from './MoneyView.vue'
import ProfilesView from './ProfilesView.vue'
import SwitcherView from './SwitcherView.vue'
import WeightView from './WeightView.vue'
import WorkView from './WorkView.vue'

/** What the show costs: in money, weight and work, and what the switcher is worth. */
const VIEWS = {
  money: 'Money',
  weight: 'Weight',
  work: 'Work',
  profiles: 'Recorded or live',
  which: 'Which switcher',
} as const
type View = keyof typeof VIEWS
const selection = useBoardStore()
const at = useRoute().query.at
const view = ref<View>(typeof at === 'string' && at.startsWith('P08') ? 'weight' : 'money')

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (
    event.key.toLowerCase() !== 'b' ||
    selection.dialog ||
    event.ctrlKey ||
    event.metaKey ||
    event.altKey ||
    isTyped(event)
  )
    return
  const all = Object.keys(VIEWS) as View[]
  event.preventDefault()
  view.value = all[(all.indexOf(view.value) + 1) % all.length]!
})
</script>

<template>
  <PlanFrame screen="cost" :view="view" :foot-name="VIEWS[view]">
    <template #controls>
      <ViewTabs v-model="view" :views="VIEWS" />
    </template>
    <MoneyView v-if="view === 'money'" />
    <WeightView v-else-if="view === 'weight'" />
    <WorkView v-else-if="view === 'work'" />
    <ProfilesView v-else-if="view === 'profiles'" />
    <SwitcherView v-else />
  </PlanFrame>
</template>
