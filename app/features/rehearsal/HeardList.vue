<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { onBeforeUnmount, shallowRef, watch } from 'vue'
import SidePanel from './SidePanel.vue'
import { useRehearsal } from './store'
import { Voices } from './voices'

/** What the chosen audience hears, as levels; on wish aloud, each source with a voice of its own. */
const props = defineProps<{ sink: number; name: string; on: boolean }>()
const emit = defineEmits<{ turn: [] }>()
const live = useRehearsal()
/** Levels are asked anew this often, ms: more seldom than pictures, oftener than a ramp of a mix lasts. */
const BEAT_MS = 60
type Heard = NonNullable<Awaited<ReturnType<typeof live.heard>>>
const heard = shallowRef<Heard>([])
/** Below full, dB: 20 log10 of the level. */
const decibels = (level: number): string => `${(20 * Math.log10(level)).toFixed(0)} dB`
let voices: Voices | undefined
let asking = false
async function ask(): Promise<void> {
  if (asking) return
  asking = true
  try {
    heard.value = (await live.heard(props.sink)) ?? []
  } finally {
    asking = false
  }
  voices?.play(live.running ? heard.value : [])
}
useIntervalFn(() => void ask(), BEAT_MS, { immediateCallback: true })
watch(
  () => props.on,
  on => {
    if (on) voices ??= new Voices()
    else {
      voices?.close()
      voices = undefined
    }
  },
)
onBeforeUnmount(() => voices?.close())
</script>

<template>
  <SidePanel :title="`Heard at ${name}`">
    <p class="lead">
      <b>{{ name }}</b> hears {{ heard.length ? 'this' : 'nothing' }}.
    </p>
    <button
      type="button"
      class="btn small"
      :aria-pressed="on"
      :title="on ? 'Be silent' : 'Play tones in place of the sounds'"
      @click="emit('turn')"
    >
      {{ on ? 'Heard aloud' : 'Hear it' }}
    </button>
    <ul>
      <li v-for="one in heard" :key="one.device">
        <span class="cut">{{ one.name }}</span>
        <span class="figures small">{{ one.level >= 0.995 ? 'open' : decibels(one.level) }}</span>
        <span class="level" aria-hidden="true"><span :style="{ width: `${Math.round(one.level * 100)}%` }" /></span>
      </li>
    </ul>
    <p class="quiet small">
      What follows the picture opens with it; a mix brings it at equal power. Another audience:
      <span class="key">V</span>.
    </p>
  </SidePanel>
</template>

<style scoped>
.lead {
  margin: 0 0 8px;
}
p {
  margin: 12px 0 0;
}
ul {
  list-style: none;
  margin: 10px 0 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  border-bottom: 1px solid var(--line);
  padding: 4px 0;
}
.level {
  grid-column: 1 / -1;
  height: 5px;
  background: var(--line);
  border-radius: 2px;
  margin: 2px 0 4px;
}
.level span {
  display: block;
  height: 100%;
  background: var(--light);
  border-radius: 2px;
}
</style>
