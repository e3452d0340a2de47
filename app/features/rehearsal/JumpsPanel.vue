<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Jump, Pressed } from '#core/run'
import { listWords } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'

/** From every source to every other: how many presses it takes at most, and where no way is clean. */
const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const all = useAnswer('jumps', () => [] as const)
const name = (id: string): string => store.plan?.devices[id]?.name ?? id
const chosen = ref<{ from: string; to: string; jump: Jump }>()
/** What it would be if it were pressed by hand, without waiting. */
const pressed = shallowRef<readonly Pressed[]>([])
async function choose(last: string, from: string, to: string, jump: Jump): Promise<void> {
  chosen.value = { from, to, jump }
  pressed.value = []
  const found = (jump.kind === 'clean' && (await store.ask('pressed', last, from, to))) || []
  if (chosen.value.from === from && chosen.value.to === to) pressed.value = found
}
const frames = ({ least, most }: Pressed): string =>
  most === 0 ? 'none' : least === most ? `${most}` : `${least} to ${most}`
const told = computed(() =>
  (all.value ?? []).map(({ last, rows, held }) => {
    const each = rows.flat().flatMap(jump => jump ?? [])
    const count = (kind: Jump['kind']) => each.filter(jump => jump.kind === kind).length
    const most = Math.max(0, ...each.map(({ presses }) => presses))
    const rest = [
      ...(count('detour') ? [`${count('detour')} by a picture between`] : []),
      ...(count('impossible') ? [`${count('impossible')} impossible`] : []),
    ]
    const clean =
      count('clean') === each.length
        ? `all ${each.length} jumps are clean`
        : `${count('clean')} of ${each.length} jumps are clean, ${listWords(rest)}`
    const keeps = held.length
      ? ` ${listWords(held.map(name))} meanwhile ${held.length === 1 ? 'keeps' : 'keep'} what is seen there.`
      : ''
    return `${name(last)}: ${clean}, with at most ${most} ${most === 1 ? 'press' : 'presses'}.${keeps}`
  }),
)
const words = ({ kind, presses, shared }: Jump): string =>
  kind === 'impossible'
    ? `impossible, for ${shared === undefined ? 'a feeder' : name(shared)} would have to show two pictures at once; a lead of its own would do`
    : `${presses} ${presses === 1 ? 'press' : 'presses'}${kind === 'detour' ? ', by a picture between' : ''} at most, wherever the feeders stand`
</script>

<template>
  <section class="jumps" aria-label="Jumps">
    <header>
      <h2>Jumps</h2>
      <button type="button" class="btn small" @click="emit('close')">Close <span class="key">J</span></button>
    </header>
    <p v-if="!all" class="quiet" role="status">Counting the jumps …</p>
    <p v-else-if="all.length === 0" class="quiet">
      There is nothing to jump between: one source, or none, comes to the last switcher.
    </p>
    <div class="beside">
      <div>
        <template v-for="(one, n) in all ?? []" :key="one.last">
          <p>{{ told[n] }}</p>
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  <th scope="col" class="small quiet">from \ to</th>
                  <th v-for="to in one.sources" :key="to" scope="col" class="small">
                    <span>{{ name(to) }}</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="(row, i) in one.rows" :key="one.sources[i]">
                  <th scope="row" class="small">{{ name(one.sources[i]!) }}</th>
                  <td v-for="(jump, j) in row" :key="one.sources[j]">
                    <button
                      v-if="jump"
                      type="button"
                      class="figures"
                      :class="[
                        `p${Math.min(3, jump.presses)}`,
                        { detour: jump.kind === 'detour', never: jump.kind === 'impossible' },
                      ]"
                      :aria-label="`From ${name(one.sources[i]!)} to ${name(one.sources[j]!)}: ${words(jump)}`"
                      @click="choose(one.last, one.sources[i]!, one.sources[j]!, jump)"
                    >
                      {{ jump.kind === 'impossible' ? '–' : jump.presses }}
                    </button>
                  </td>
                </tr>
              </tbody>
            </table>
          </div>
        </template>
      </div>
      <div class="opened">
        <p v-if="chosen" aria-live="polite">
          From <b>{{ name(chosen.from) }}</b> to <b>{{ name(chosen.to) }}</b>: {{ words(chosen.jump) }}.
        </p>
        <table v-if="chosen && pressed.length" class="pressed">
          <caption>
            Pressed without waiting, from the worst that the feeders can stand: wrong frames
          </caption>
          <thead>
            <tr>
              <th scope="col">First</th>
              <th scope="col">Then</th>
              <th scope="col">Apart</th>
              <th scope="col">Wrong frames</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in pressed" :key="`${one.order.join()}/${one.gapMs}`">
              <td>{{ name(one.order[0]!) }}</td>
              <td>{{ listWords(one.order.slice(1).map(name)) }}</td>
              <td class="figures">{{ one.gapMs === 0 ? 'at once' : `${one.gapMs} ms, one hand` }}</td>
              <td class="figures">{{ frames(one) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
  </section>
</template>

<style scoped>
.jumps {
  position: absolute;
  inset: 0;
  background: var(--ground);
  padding: 12px 16px 24px;
  overflow: auto;
  z-index: 2;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0;
}
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 16px 48px;
}
.beside > div {
  min-width: 0;
}
.opened {
  max-width: 560px;
}
.scroll {
  overflow: auto;
}
table {
  border-collapse: collapse;
}
thead th span {
  display: inline-block;
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 120px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
th {
  font-weight: 400;
  text-align: left;
  padding: 2px 6px;
  white-space: nowrap;
  vertical-align: bottom;
}
td {
  padding: 1px;
}
td button {
  width: 28px;
  height: 26px;
  text-align: center;
  border-radius: 3px;
  border: 1px solid var(--line);
}
.pressed td,
.pressed th {
  padding: 4px 16px 4px 0;
  border-bottom: 1px solid var(--line);
}
.pressed caption {
  text-align: left;
  color: var(--quiet);
  font-size: 14px;
}
.p1 {
  background: var(--band);
  color: var(--ticks);
}
.p2 {
  border-color: var(--light);
  border-width: 2px;
}
.p3 {
  border-color: var(--dark);
  border-style: dashed;
}
.never {
  border: 2px dashed var(--dark);
}
.detour {
  background: repeating-linear-gradient(45deg, transparent 0 4px, var(--dark) 4px 6px);
}
</style>
