<script setup lang="ts">
import { SCREENS, type ScreenId } from '~/stores/screens'

defineProps<{ open: boolean, screen: ScreenId }>()
const emit = defineEmits<{ close: [] }>()
const EVERYWHERE = [
  [`1 to ${SCREENS.length}`, SCREENS.map(({ title }) => title).join(', ')], ['N', 'next dark end'], ['Ctrl Z', 'undo'], ['Ctrl Y', 'redo'], ['Ctrl K', 'find a device, a run, a screen or an action'], ['T', 'night or day'], ['Esc', 'close'], ['?', 'this list'],
]
const KEYS = [
  ['Arrows', 'along the light, and from lane to lane'], ['Enter', 'open the lane; again, apply the chosen remedy'], ['C', 'what else this hop could be'], ['W', 'why something is seen there, and how to find out'],
  ['M', 'measure the way of a cable'], ['R', 'rename'], ['L', 'label of a switcher input'], ['G', 'how much reach a cable has left'], ['Shift \u2191 \u2193', 'to the input above or below; or drag the end at the switcher'],
  ['P', 'pin a cable: nothing but a hand changes it'], ['X', 'accept a risk, with the reason'], ['Y', 'lay the same run for other sources'],
  ['Del', 'take out the cable or the device'], ['A', 'add a device'], ['E', 'add by a line of words'], ['F', 'find and filter lanes'], ['B', 'lit lanes as ribbons'],
] as const
const PATCH = [['L', 'look for plans; Esc stops'], ['\u2190 \u2192', 'from plan to plan'], ['Enter', 'make the chosen plan, or its pieces'], ['V', 'keep it as a version']] as const
</script>

<template>
  <v-dialog :model-value="open" max-width="560" aria-label="Keys" @update:model-value="value => { if (!value) emit('close') }">
    <div class="sheet" role="document">
      <h2>Keys</h2>
      <dl>
        <template v-for="[key, what] in EVERYWHERE" :key="key"><dt class="key">{{ key }}</dt><dd>{{ what }}</dd></template>
      </dl>
      <h2 class="second">On the runs board</h2>
      <dl>
        <template v-for="[key, what] in KEYS" :key="key"><dt class="key">{{ key }}</dt><dd>{{ what }}</dd></template>
      </dl>
      <h2>On Patch</h2>
      <dl>
        <template v-for="[key, what] in PATCH" :key="key"><dt class="key">{{ key }}</dt><dd>{{ what }}</dd></template>
      </dl>
      <h2>How to read the light</h2>
      <p class="legend">A band is as tall as its raster; its ticks are frames, or fields, staggered, when interlaced. It thins along a cable by the share of reach that is used, and ends where the reach does. Light with gaps is at risk. A hatched channel is dark. A bar across the end is an input that refuses.</p>
      <div class="ends"><button class="btn primary" type="button" autofocus @click="emit('close')">Close</button></div>
    </div>
  </v-dialog>
</template>

<style scoped>
dl { display: grid; grid-template-columns: 96px 1fr; gap: 4px 16px; margin: 0; }
dd { margin: 0; }
.legend { margin: 0; max-width: 62ch; }
</style>
