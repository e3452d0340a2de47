<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Broken, Now, Stage } from '#core/features/rehearsal'
import SidePanel from './SidePanel.vue'
import { useRehearsal } from './store'

/** Something goes wrong: a plug is drawn, a unit loses its power, a camera moves, a page is turned. */
const props = defineProps<{ stage: Stage; now: Now }>()
const emit = defineEmits<{ safe: [] }>()
const live = useRehearsal()
const query = ref('')
const shown = computed(() => {
  const words = query.value.trim().toLowerCase()
  return props.stage.breakable.filter(({ name }) => name.toLowerCase().includes(words))
})
const isOff = (device: string): boolean => props.now.broken.some(one => one.device === device && one.port === undefined)
const isOut = (device: string, port: string): boolean =>
  props.now.broken.some(one => one.device === device && one.port === port)
const mend = ({ device, port }: Broken): void =>
  void live.event(device, port === undefined ? { power: 'on' } : { signal: 'back', port })
const PAGES = ['full', 'caption', 'blank', 'countdown', 'operator'] as const
const left = computed(() => props.now.arrive)
</script>

<template>
  <SidePanel title="Break something">
    <p aria-live="polite">
      <template v-if="left[0] === left[1]">Everybody sees a picture.</template>
      <template v-else
        ><b>{{ left[1] - left[0] }} of {{ left[1] }}</b> see no live picture.</template
      >
      <button type="button" class="btn small safe" @click="emit('safe')">
        Safe picture <span class="key">S</span>
      </button>
    </p>
    <ul v-if="now.broken.length" class="broken">
      <li v-for="one in now.broken" :key="`${one.device}/${one.port}`">
        {{ one.words }}
        <button type="button" class="btn small" @click="mend(one)">Mend it</button>
      </li>
    </ul>
    <button
      type="button"
      class="btn small"
      :aria-pressed="now.losing"
      :class="{ primary: now.losing }"
      @click="live.lose(!now.losing)"
    >
      {{ now.losing ? 'The next press will be lost: let it come' : 'Lose the next press' }}
    </button>
    <label class="small find"
      >Find <input v-model="query" class="pick small" type="search" aria-label="Find a device"
    /></label>
    <p v-if="shown.length === 0" class="quiet">No device of this name carries a picture.</p>
    <ul class="list">
      <li v-for="one in shown" :key="one.device">
        <span class="name cut">{{ one.name }}</span>
        <button
          type="button"
          class="tag"
          :class="{ out: isOff(one.device) }"
          :aria-pressed="isOff(one.device)"
          :aria-label="`Power of ${one.name}`"
          @click="live.event(one.device, { power: isOff(one.device) ? 'on' : 'off' })"
        >
          power
        </button>
        <button
          v-for="port in one.ports"
          :key="port.port"
          type="button"
          class="tag"
          :class="{ out: isOut(one.device, port.port) }"
          :aria-pressed="isOut(one.device, port.port)"
          :aria-label="`Plug at ${one.name}, ${port.title}`"
          @click="live.event(one.device, { signal: isOut(one.device, port.port) ? 'back' : 'lost', port: port.port })"
        >
          {{ port.title }}
        </button>
      </li>
    </ul>
    <h3>What sources show</h3>
    <ul class="list">
      <li
        v-for="source in stage.sources.filter(one => one.camera || one.pages || one.clips.length)"
        :key="source.device"
      >
        <span class="name cut">{{ source.name }}</span>
        <button
          v-if="source.camera"
          type="button"
          class="tag"
          :aria-pressed="now.sources[source.device]?.moving"
          @click="live.event(source.device, { camera: now.sources[source.device]?.moving ? 'settled' : 'moves' })"
        >
          {{ now.sources[source.device]?.moving ? 'moves: let it stand' : 'move it' }}
        </button>
        <template v-if="source.pages">
          <button
            v-for="page in PAGES"
            :key="page"
            type="button"
            class="tag"
            :class="{ on: now.sources[source.device]?.content === page }"
            :aria-pressed="now.sources[source.device]?.content === page"
            @click="live.event(source.device, { content: page })"
          >
            {{ page }}
          </button>
        </template>
        <button
          v-for="clip in source.clips"
          :key="clip.id"
          type="button"
          class="tag"
          @click="live.event(source.device, { clip: clip.id })"
        >
          play {{ clip.title }}
        </button>
      </li>
    </ul>
  </SidePanel>
</template>

<style scoped>
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 14px 0 4px;
}
p {
  margin: 0 0 8px;
}
.safe {
  margin-left: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.broken li {
  display: flex;
  gap: 8px;
  align-items: center;
  justify-content: space-between;
  border-left: 3px solid var(--dark);
  padding: 2px 0 2px 8px;
  margin-bottom: 4px;
}
.find {
  display: block;
  margin: 10px 0 6px;
}
.list li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.name {
  width: 150px;
  flex: none;
}
.tag {
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 2px 8px;
  min-height: 28px;
  font-size: 14px;
}
.tag.out {
  border-style: dashed;
  border-color: var(--dark);
  text-decoration: line-through;
}
.tag.on {
  border-color: var(--plate);
  font-weight: 650;
}
@media (pointer: coarse) {
  .tag {
    min-height: 44px;
  }
}
</style>
