<script setup lang="ts">
import { SCREENS } from '~/features'
import { EVERYWHERE, type Screen } from '~/shell/screens'

const props = defineProps<{ open: boolean; screen: Screen }>()
const emit = defineEmits<{ close: [] }>()
const others = SCREENS.filter(({ id }) => id !== props.screen.id)
</script>

<template>
  <v-dialog
    :model-value="open"
    max-width="620"
    aria-label="Keys"
    @update:model-value="
      value => {
        if (!value) emit('close')
      }
    "
  >
    <div class="sheet" role="document">
      <div class="ends top">
        <h2>Keys</h2>
        <button class="btn primary" type="button" autofocus @click="emit('close')">Close</button>
      </div>
      <div class="scroll" tabindex="0">
        <h3>On {{ screen.title }}</h3>
        <dl>
          <template v-for="{ key, words } in screen.actions" :key="key"
            ><dt class="key">{{ key }}</dt>
            <dd>{{ words }}</dd></template
          >
        </dl>
        <h3>Everywhere</h3>
        <dl>
          <template v-for="{ key, words } in EVERYWHERE" :key="key"
            ><dt class="key">{{ key }}</dt>
            <dd>{{ words }}</dd></template
          >
        </dl>
        <template v-for="other in others" :key="other.id">
          <h3>On {{ other.title }}</h3>
          <dl>
            <template v-for="{ key, words } in other.actions" :key="key"
              ><dt class="key">{{ key }}</dt>
              <dd>{{ words }}</dd></template
            >
          </dl>
        </template>
        <h3>How to read the light</h3>
        <p class="legend">
          A band is as tall as its raster; its ticks are frames, or fields, staggered, when interlaced. It thins along a
          cable by the share of reach that is used, and ends where the reach does. Light with gaps is at risk. A hatched
          channel is dark. A bar across the end is an input that refuses.
        </p>
      </div>
    </div>
  </v-dialog>
</template>

<style scoped>
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.scroll {
  max-height: min(560px, 70vh);
  overflow-y: auto;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 4px;
}
h3:first-child {
  margin-top: 0;
}
dl {
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 4px 16px;
  margin: 0;
}
dd {
  margin: 0;
}
.legend {
  margin: 0;
  max-width: 62ch;
}
</style>
