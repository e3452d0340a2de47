<script setup lang="ts">
import { computed } from 'vue'
import type { Now, Stage } from '#core/features/rehearsal'
import LiveCanvas from './LiveCanvas.vue'

/** The sources as pictures: a click says what is next, a number beside one is pressed at its switcher by hand. */
const props = defineProps<{
  stage: Stage
  now: Now
  next: string | undefined
  register: (key: string) => (canvas: unknown) => void
}>()
const emit = defineEmits<{ choose: [source: string]; take: []; press: [device: string, port: string] }>()

interface Chip {
  readonly device: string
  readonly port: string
  readonly words: string
  readonly name: string
}

/** The inputs by which a source comes to the last switcher: "Side 2", "Main 7". */
const ways = computed(() => {
  const found = new Map<string, Chip[]>()
  for (const { device } of props.stage.sources) {
    const chips: Chip[] = []
    let from = device
    for (let hop = 0; hop < 5; hop++) {
      const at = props.stage.switchers.flatMap(one =>
        one.inputs.filter(input => input.from === from).map(input => ({ one, input })),
      )
      // Straight to the last one where it is.
      const way = at.find(({ one }) => one.last) ?? at[0]
      if (!way || chips.some(chip => chip.device === way.one.device)) break
      chips.push({ device: way.one.device, port: way.input.port, words: way.input.number, name: way.one.name })
      if (way.one.last) break
      from = way.one.device
    }
    found.set(device, chips)
  }
  return found
})
const onProgram = (device: string, port: string): boolean => props.now.switchers[device]?.program === port
/** Its light gets to the last switcher: each input on the way is on program. */
const runs = (source: string): boolean => {
  const chips = ways.value.get(source) ?? []
  return (
    !props.now.sources[source]?.lost && chips.length > 0 && chips.every(({ device, port }) => onProgram(device, port))
  )
}
const state = (source: string): { words: string; on: boolean } | undefined => {
  const one = props.now.sources[source]
  if (one?.lost) return { words: 'no picture', on: false }
  if (one?.onAir) return { words: one.over ? 'over the picture' : one.moving ? 'moves on air' : 'on air', on: true }
  if (props.next === source) return { words: 'next', on: false }
  if (one?.moving) return { words: 'moves', on: false }
  return one?.next ? { words: 'on preview', on: false } : undefined
}
</script>

<template>
  <section class="sources" aria-label="Sources">
    <div v-for="source in stage.sources" :key="source.device" class="source">
      <button
        type="button"
        class="picture"
        :class="{ next: next === source.device, air: now.sources[source.device]?.onAir }"
        :aria-pressed="next === source.device"
        :aria-label="`${source.name}${state(source.device) ? `, ${state(source.device)!.words}` : ''}`"
        @click="emit('choose', source.device)"
        @dblclick="emit('take')"
      >
        <LiveCanvas :ref="register(`source-${source.device}`)" :width="112" :label="source.name" />
      </button>
      <span class="who">
        <span class="cut" :class="{ strong: now.sources[source.device]?.onAir }"
          ><span class="figures quiet">{{ source.call }}</span> {{ source.name }}</span
        >
        <span v-if="state(source.device)" class="plate" :class="{ on: state(source.device)!.on }">{{
          state(source.device)!.words
        }}</span>
      </span>
      <span class="way">
        <template v-for="(chip, c) in ways.get(source.device) ?? []" :key="chip.device">
          <span
            class="light"
            :class="{
              lit:
                !now.sources[source.device]?.lost &&
                (c === 0 ? onProgram(chip.device, chip.port) : runs(source.device)),
            }"
            aria-hidden="true"
          />
          <button
            type="button"
            class="chip figures"
            :class="{ lit: onProgram(chip.device, chip.port) }"
            :title="`Press ${chip.words} on ${chip.name}, by hand`"
            @click="emit('press', chip.device, chip.port)"
          >
            <span class="small">{{ chip.name }}</span> {{ chip.words }}
          </button>
        </template>
      </span>
    </div>
  </section>
</template>

<style scoped>
.sources {
  overflow: auto;
  min-height: 0;
  flex: 1;
  padding: 6px 0 12px 12px;
}
.source {
  display: grid;
  grid-template-columns: 120px 150px minmax(0, 1fr);
  align-items: center;
  min-height: 70px;
}
.picture {
  border: 2px solid transparent;
  border-radius: 5px;
  padding: 1px;
  width: 118px;
  opacity: 0.72;
}
.picture.air {
  border-color: var(--plate);
  opacity: 1;
}
.picture.next {
  border-color: var(--chosen);
  opacity: 1;
}
.who {
  padding: 0 8px;
  min-width: 0;
}
.who .cut {
  display: block;
}
.plate {
  display: inline-block;
  border: 1px solid var(--plate);
  border-radius: 3px;
  padding: 0 6px;
  font-size: 13px;
  font-weight: 650;
}
.plate.on {
  background: var(--plate);
  color: var(--ground);
}
.way {
  display: flex;
  align-items: center;
}
.light {
  flex: 1;
  min-width: 14px;
  height: 3px;
  background: var(--line);
}
.light.lit {
  height: 10px;
  background: var(--band);
}
:root[data-theme='day'] .light.lit {
  border-block: 1px solid var(--edge);
}
.chip {
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 0 6px;
  min-height: 34px;
  white-space: nowrap;
  background: var(--surface);
  font-weight: 650;
  font-size: 15px;
}
.chip .small {
  font-weight: 400;
  color: var(--quiet);
}
.chip.lit {
  border-color: var(--light);
}
@media (max-width: 1100px) {
  .sources {
    padding-right: 12px;
    overflow: visible;
  }
}
@media (pointer: coarse) {
  .chip {
    min-height: 44px;
  }
}
</style>
