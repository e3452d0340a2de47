<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Opening } from '#core/document'
import type { Now, Stage } from '#core/features/rehearsal'
import type { Command } from '#core/run'
import { usePlanStore } from '~/plan/store'
import SidePanel from './SidePanel.vue'
import { useRehearsal } from './store'

/** One switcher worked on its own surface, as on the day: its keys, its lever, by whom and from where. */
const props = defineProps<{ stage: Stage; now: Now }>()
const live = useRehearsal()
const store = usePlanStore()
const at = ref(props.stage.switchers.find(({ last }) => last)?.device ?? props.stage.switchers[0]?.device ?? '')
const one = computed(() => props.stage.switchers.find(({ device }) => device === at.value))
const state = computed(() => props.now.switchers[at.value])
const frames = ref(25)
const style = ref<'mix' | 'dip' | 'wipe'>('mix')
const share = ref(0)
/** How wide the edge of a wipe is, a share of the width. */
const EDGES = [0, 0.05, 0.1, 0.25, 0.5] as const
const soft = ref<(typeof EDGES)[number]>(0)
const run = (): void =>
  press({
    do: 'auto',
    style: style.value,
    frames: frames.value,
    ...(style.value === 'wipe' && soft.value ? { soft: soft.value } : {}),
  })
watch(at, () => (share.value = 0))
watch(
  () => state.value?.share,
  to => {
    // A lever that has come to its end stands where the next movement begins.
    if (to === undefined) share.value = 0
  },
)
const people = computed(() =>
  Object.entries(store.plan?.people ?? {})
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id, { name }]) => ({ id, name })),
)
const press = (command: Command): void => void live.press(at.value, command)
function lever(to: number): void {
  share.value = to
  press({ do: 'lever', share: to })
}
const lit = (keyer: string): string | undefined => state.value?.keys[keyer]
const title = (overlay: string): string => props.stage.overlays.find(({ id }) => id === overlay)?.title ?? overlay
const OPENED = { shut: 'shut', fixed: 'open', follows: 'follows' } as const
const surfaceWords = { panel: 'its panel', computer: 'a computer', tablet: 'a tablet', pad: 'a pad of keys' } as const
function setHand(field: 'person' | 'surface', value: string): void {
  const { [field]: _, ...rest } = live.hand
  live.hand = value ? { ...rest, [field]: value } : rest
}
</script>

<template>
  <SidePanel title="By hand">
    <div class="pickers">
      <label v-if="stage.switchers.length > 1" class="small"
        >Switcher
        <select v-model="at" class="pick small">
          <option v-for="unit in stage.switchers" :key="unit.device" :value="unit.device">{{ unit.name }}</option>
        </select></label
      >
      <label v-if="one?.surfaces.length" class="small"
        >From
        <select
          class="pick small"
          :value="live.hand.surface ?? ''"
          @change="event => setHand('surface', (event.target as HTMLSelectElement).value)"
        >
          <option value="">at once</option>
          <option v-for="kind in one.surfaces" :key="kind" :value="kind">{{ surfaceWords[kind] }}</option>
        </select></label
      >
      <label v-if="people.length" class="small"
        >By
        <select
          class="pick small"
          :value="live.hand.person ?? ''"
          @change="event => setHand('person', (event.target as HTMLSelectElement).value)"
        >
          <option value="">anybody</option>
          <option v-for="person in people" :key="person.id" :value="person.id">{{ person.name }}</option>
        </select></label
      >
    </div>
    <p v-if="state?.off" class="strong" role="status">{{ one?.name }} has no power, or still starts.</p>
    <template v-if="one && state">
      <h3 id="on-program">On air</h3>
      <div class="row" role="group" aria-labelledby="on-program">
        <button
          v-for="input in one.inputs"
          :key="input.port"
          type="button"
          class="cap"
          :class="{ on: state.program === input.port, empty: !input.from }"
          :aria-pressed="state.program === input.port"
          :title="input.name"
          @click="press({ do: 'program', input: input.port })"
        >
          <b class="figures">{{ input.number }}</b><span class="small cut">{{ input.name }}</span>
        </button>
        <button
          type="button"
          class="cap"
          :class="{ on: state.program === 'black' }"
          :aria-pressed="state.program === 'black'"
          @click="press({ do: 'program', input: 'black' })"
        >
          <b class="figures">0</b><span class="small">black</span>
        </button>
      </div>
      <h3 id="on-preview">On preview</h3>
      <div class="row" role="group" aria-labelledby="on-preview">
        <button
          v-for="input in one.inputs"
          :key="input.port"
          type="button"
          class="cap"
          :class="{ ready: state.preview === input.port, empty: !input.from }"
          :aria-pressed="state.preview === input.port"
          :title="input.name"
          @click="press({ do: 'preview', input: input.port })"
        >
          <b class="figures">{{ input.number }}</b><span class="small cut">{{ input.name }}</span>
        </button>
      </div>
      <div class="change">
        <button type="button" class="btn" @click="press({ do: 'cut' })">Cut</button>
        <button type="button" class="btn" @click="run">Run</button>
        <label class="small"
          >as
          <select v-model="style" class="pick small" aria-label="Kind of transition">
            <option v-for="kind in one.styles" :key="kind" :value="kind">{{ kind }}</option>
          </select></label
        >
        <label v-if="style === 'wipe'" class="small"
          >edge
          <select v-model.number="soft" class="pick small" aria-label="Width of the edge of the wipe">
            <option v-for="width in EDGES" :key="width" :value="width">
              {{ width ? `${width * 100}\u00A0% of the width` : 'hard' }}
            </option>
          </select></label
        >
        <label class="small"
          >over
          <input
            v-model.number="frames"
            class="pick small figures"
            type="number"
            min="1"
            :max="one.longest"
            aria-label="Frames of the transition"
          />
          frames</label
        >
      </div>
      <label class="lever"
        ><span class="small">Lever</span>
        <input
          type="range"
          min="0"
          max="1"
          step="0.01"
          :value="share"
          @input="event => lever(Number((event.target as HTMLInputElement).value))"
        />
        <span class="figures small">{{ Math.round((state.share ?? 0) * 100) }} %</span></label
      >
      <template v-if="one.keyers.length">
        <h3>Over it</h3>
        <div v-for="keyer in one.keyers" :key="keyer.number" class="keyer">
          <span class="small">{{ keyer.title }}</span>
          <button
            v-for="overlay in keyer.overlays"
            :key="overlay"
            type="button"
            class="cap wide"
            :class="{ on: lit(keyer.number) === overlay }"
            :aria-pressed="lit(keyer.number) === overlay"
            @click="
              press({
                do: 'key',
                keyer: keyer.number,
                overlay: lit(keyer.number) === overlay ? undefined : overlay,
              })
            "
          >
            {{ title(overlay) }}
          </button>
          <span v-if="keyer.overlays.length === 0" class="quiet small">nothing that it can cut</span>
        </div>
      </template>
      <template v-if="one.sounds.length">
        <h3>Sound</h3>
        <div class="stills">
          <label v-for="input in one.sounds" :key="input.port" class="small">
            <span>{{ input.name }}</span>
            <select
              class="pick small"
              :aria-label="`Sound of ${input.name}`"
              :value="state.sound[input.port]"
              @change="
                event =>
                  press({
                    do: 'sound',
                    port: input.port,
                    opening: (event.target as HTMLSelectElement).value as Opening,
                  })
              "
            >
              <option v-for="(words, opening) in OPENED" :key="opening" :value="opening">{{ words }}</option>
            </select>
          </label>
        </div>
      </template>
      <template v-if="one.stills.length && one.stores">
        <h3>Stills</h3>
        <div class="stills">
          <label v-for="n in Math.min(one.stores, one.stills.length)" :key="n" class="small">
            <span class="figures">{{ n }}</span>
            <select
              class="pick small"
              :aria-label="`Store ${n}`"
              :value="state.stores?.[n] ?? ''"
              @change="
                event => press({ do: 'load', store: String(n), overlay: (event.target as HTMLSelectElement).value })
              "
            >
              <option v-for="overlay in one.stills" :key="overlay" :value="overlay">{{ title(overlay) }}</option>
            </select>
            <span v-if="state.loading?.includes(String(n))" class="quiet">loads</span>
          </label>
        </div>
      </template>
      <button
        v-if="one.fades"
        type="button"
        class="btn small"
        :aria-pressed="state.faded"
        @click="press({ do: 'fade', to: !state.faded, frames })"
      >
        {{ state.faded ? 'Back from black' : 'Fade to black' }}
      </button>
    </template>
    <p class="quiet small">
      What is chosen as next is taken for what is meant: frames that show something else count as wrong.
    </p>
  </SidePanel>
</template>

<style scoped>
.pickers,
.change,
.keyer {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  margin-bottom: 6px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 10px 0 4px;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(84px, 1fr));
  gap: 4px;
}
.cap {
  display: flex;
  flex-direction: column;
  align-items: center;
  border: 1px solid var(--border);
  border-radius: 4px;
  min-height: 44px;
  padding: 2px 4px;
  background: var(--surface);
  min-width: 0;
}
.cap .cut {
  max-width: 100%;
}
.cap.wide {
  justify-content: center;
  padding: 2px 10px;
}
.stills {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 4px 16px;
  margin-bottom: 8px;
}
.stills label {
  display: flex;
  gap: 8px;
  align-items: center;
}
.stills label > span:first-child {
  flex: 1;
}
.cap.on {
  background: var(--plate);
  color: var(--ground);
  border-color: var(--plate);
}
.cap.empty:not(.on, .ready) {
  color: var(--quiet);
  background: none;
}
.cap.ready {
  border-color: var(--chosen);
  box-shadow: inset 0 0 0 1px var(--chosen);
}
.change {
  margin-top: 10px;
}
.change input {
  width: 64px;
}
.lever {
  display: grid;
  grid-template-columns: auto 1fr 48px;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
input[type='range'] {
  accent-color: var(--chosen);
}
</style>
