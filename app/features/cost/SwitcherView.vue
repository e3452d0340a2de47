<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { emptyPlan } from '#core/document'
import type { Asked, Way } from '#core/features/cost'
import { formatLabel } from '#core/signal'
import { moneyText } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import { isTyped } from '~/ui/keys'

/** Which switcher would do: what is asked, and each way to have it with what it can, cannot and costs in whole. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const currency = computed(() => plan.value.brief.currency ?? CATALOGUE_CURRENCY)
/** What somebody asks otherwise than the plan does; nothing of it is kept. */
const wanted = shallowRef<Asked>()
const known = useAnswer('switcherWays', () => [wanted.value] as const)
const asked = computed(() => wanted.value ?? known.value?.counted)
const ways = computed(() => known.value?.ways ?? [])
const at = ref(0)
watch(ways, list => (at.value = Math.min(at.value, Math.max(0, list.length - 1))))
const one = computed(() => ways.value[at.value])
const HOW: Readonly<Record<Way['how'], string>> = {
  smallest: 'The smallest that fits',
  larger: 'The next larger',
  two: 'Two, a small one before the other',
  computer: 'A computer alone',
  used: 'The smallest, second-hand',
}
const money = (minor: number): string => moneyText(minor, currency.value)
const sentence = computed(() => {
  const first = ways.value[0]
  if (!first) return ''
  if (first.cannot.length)
    return `Nothing of the catalogue has all that is asked; nearest is ${first.title}: ${first.cannot.join('; ')}.`
  const there = first.there ? 'is in the plan already' : `costs ${money(first.minor)} in whole`
  return `${first.title} is enough, and ${there}; ${first.free} of its ${first.inputs} inputs stay free.`
})
const COUNTS = [
  ['hdmi', 'pictures by HDMI'],
  ['sdi', 'pictures by SDI'],
  ['odd', 'of these in another format'],
  ['spare', 'inputs for late guests'],
  ['keys', 'keys at once'],
  ['sound', 'sockets for sound'],
] as const
const FEEDS = [
  ['program', 'outputs of program'],
  ['clean', 'without keys'],
  ['multiview', 'multiviews'],
] as const
const SAID = [
  ['records', 'recorded inside'],
  ['isolated', 'each picture by itself'],
  ['panel', 'worked by a panel'],
] as const

const within = (value: number): number => Math.max(0, Math.min(99, value))
function ask(change: (now: Asked) => Partial<Asked>): void {
  if (asked.value) wanted.value = { ...asked.value, ...change(asked.value) }
}
const step = (key: (typeof COUNTS)[number][0], by: number): void => ask(now => ({ [key]: within(now[key] + by) }))
const stepOut = (feed: (typeof FEEDS)[number][0], by: number): void =>
  ask(({ outputs }) => ({ outputs: { ...outputs, [feed]: within(outputs[feed] + by) } }))
const turn = (key: (typeof SAID)[number][0]): void => ask(now => ({ [key]: !now[key] }))

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  at.value = Math.max(0, Math.min(ways.value.length - 1, at.value + by))
})
</script>

<template>
  <div v-if="!known || !asked" class="screen quiet" role="status">Going through the switchers …</div>
  <div v-else class="which">
    <section class="asked" aria-label="What is asked">
      <h3>What is asked</h3>
      <p class="quiet small">
        Counted in the plan<template v-if="asked.standard">, in {{ formatLabel(asked.standard) }}</template
        >; change it here to see what follows. Nothing of it is kept.
      </p>
      <div v-for="[key, words] in COUNTS" :key="key" class="count">
        <span>{{ words }}</span>
        <button type="button" class="btn small" :aria-label="`Fewer ${words}`" @click="step(key, -1)">−</button>
        <b class="figures" :aria-label="words">{{ asked[key] }}</b>
        <button type="button" class="btn small" :aria-label="`More ${words}`" @click="step(key, 1)">+</button>
      </div>
      <div v-for="[feed, words] in FEEDS" :key="feed" class="count">
        <span>{{ words }}</span>
        <button type="button" class="btn small" :aria-label="`Fewer ${words}`" @click="stepOut(feed, -1)">−</button>
        <b class="figures" :aria-label="words">{{ asked.outputs[feed] }}</b>
        <button type="button" class="btn small" :aria-label="`More ${words}`" @click="stepOut(feed, 1)">+</button>
      </div>
      <label v-for="[key, words] in SAID" :key="key" class="check"
        ><input type="checkbox" :checked="asked[key]" @change="turn(key)" /> {{ words }}</label
      >
      <button v-if="wanted" type="button" class="btn small" @click="wanted = undefined">As the plan asks</button>
    </section>
    <section class="ways" tabindex="0" aria-label="Ways to have it">
      <h2>{{ sentence }}</h2>
      <div role="listbox" aria-label="Ways to have a switcher" tabindex="0" class="list">
        <div
          v-for="(way, i) in ways"
          :key="way.how"
          role="option"
          class="way"
          :class="{ on: i === at }"
          :aria-selected="i === at"
          @click="at = i"
        >
          <span class="how small quiet"
            >{{ HOW[way.how] }}<template v-if="way.there">, in the plan already</template></span
          >
          <b class="title">{{ way.title }}</b>
          <span class="inputs" role="img" :aria-label="`${way.inputs} inputs, ${way.free} free`"
            ><i v-for="n in Math.min(24, way.inputs)" :key="n" :class="{ taken: n <= way.inputs - way.free }"
          /></span>
          <span class="price figures">{{ money(way.minor) }}</span>
          <span class="small can"
            ><template v-if="way.cannot.length"><b>Cannot:</b> {{ way.cannot.join('; ') }}.</template>
            <template v-if="way.can.length"> Can: {{ way.can.join('; ') }}.</template></span
          >
        </div>
      </div>
      <div v-if="one" class="sum">
        <h4>{{ HOW[one.how] }}, in whole</h4>
        <table>
          <tbody>
            <tr v-if="one.creditMinor > 0">
              <td>owned already, so not paid</td>
              <td class="figures quiet">{{ money(one.creditMinor) }}</td>
            </tr>
            <tr v-if="one.minor - one.extras.reduce((sum, extra) => sum + extra.minor, 0) > 0">
              <td>
                {{ one.models.length > 1 ? 'the two' : 'itself' }}{{ one.how === 'used' ? ', at six tenths' : '' }}
              </td>
              <td class="figures">{{ money(one.minor - one.extras.reduce((sum, extra) => sum + extra.minor, 0)) }}</td>
            </tr>
            <tr v-for="extra in one.extras" :key="extra.title">
              <td>{{ extra.count > 1 ? `${extra.count} \u00D7 ` : '' }}{{ extra.title }}</td>
              <td class="figures">{{ money(extra.minor) }}</td>
            </tr>
            <tr class="all">
              <td>together</td>
              <td class="figures">{{ money(one.minor) }}</td>
            </tr>
          </tbody>
        </table>
        <p class="small quiet">
          Typical prices. To grow from what is there, with every lead and setting proven, go to
          <NuxtLink :to="`/shows/${String(route.params.show)}/${String(route.params.plan)}/patch`">Patch</NuxtLink>.
        </p>
      </div>
    </section>
  </div>
</template>

<style scoped>
.which {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
}
.asked {
  padding: 16px 20px 24px 24px;
  border-right: 1px solid var(--border);
  background: var(--surface);
  overflow-y: auto;
}
h2,
h3 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
  max-width: 72ch;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 0 0 4px;
}
.count {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 34px 28px 34px;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}
.count .figures {
  text-align: center;
}
.count .btn {
  padding: 0;
  justify-content: center;
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.ways {
  padding: 16px 24px 24px;
  overflow-y: auto;
}
.list {
  border-top: 1px solid var(--line);
}
.way {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto 110px;
  gap: 0 18px;
  align-items: baseline;
  padding: 8px 10px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
  cursor: pointer;
}
.way.on {
  background: var(--raised);
  border-left-color: var(--chosen);
}
.how,
.can {
  grid-column: 1 / -1;
}
.price {
  text-align: right;
}
.inputs {
  display: inline-flex;
  gap: 3px;
}
.inputs i {
  width: 7px;
  height: 12px;
  border: 1px solid var(--dark);
}
.inputs i.taken {
  background: var(--light);
  border-color: var(--light);
}
.sum {
  margin-top: 16px;
  max-width: 640px;
}
table {
  border-collapse: collapse;
  width: 100%;
}
td {
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}
td.figures {
  text-align: right;
  white-space: nowrap;
}
.all td {
  font-weight: 650;
  border-bottom: 0;
}
@media (max-width: 1000px) {
  .which {
    grid-template-columns: minmax(0, 1fr);
    overflow-y: auto;
  }
  .asked,
  .ways {
    overflow: visible;
  }
  .asked {
    border-right: 0;
    border-bottom: 1px solid var(--border);
  }
}
</style>
