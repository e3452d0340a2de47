<script setup lang="ts">
import { useIdleKeys } from '~/ui/keys'
import { computed, nextTick, ref, watch } from 'vue'
import { CATALOGUE_CURRENCY } from '#core/catalog'
import { type LossEffect, pointsOf } from '#core/features/continuity'
import { listWords, moneyText } from '#core/words'

import { usePlanStore } from '~/plan/store'
import { useAnswer } from '~/plan/answer'

/** What goes dark when one thing fails, the gravest first, and what can still be done. */
const store = usePlanStore()
const route = useRoute()
const router = useRouter()
const effects = useAnswer('losses', () => [] as const)
const chosen = ref<string>()
const all = ref(false)
const filter = ref('')
const list = ref<HTMLElement>()
const keyOf = ({ loss }: LossEffect) => `${loss.of}-${loss.id}`

interface Group {
  readonly key: string
  readonly title: string
  readonly count: number
  readonly things: readonly LossEffect[]
}
/** The worst that it does, in two words. */
const loses = ({ sinks, silent, uncontrolled }: LossEffect): string => {
  if (sinks.length) return `${sinks.length} dark`
  if (silent.length) return `${silent.length} silent`
  return uncontrolled.length ? 'no control' : '\u2013'
}
const isTogether = ({ of }: LossEffect['loss']): boolean => of !== 'device' && of !== 'link'
const matches = ({ name, kind }: LossEffect) =>
  filter.value
    .toLowerCase()
    .split(/\s+/)
    .every(word => `${name} ${kind}`.toLowerCase().includes(word))
const groups = computed<readonly Group[]>(() => {
  const known = effects.value ?? []
  const places: Group = {
    key: 'places',
    title: 'Whole places, circuits, the mains, all radio',
    count: 0,
    things: known.filter(({ loss }) => isTogether(loss)),
  }
  const made: Group[] = all.value
    ? [
        { key: 'devices', title: 'Devices', count: 0, things: known.filter(({ loss }) => loss.of === 'device') },
        { key: 'cables', title: 'Cables', count: 0, things: known.filter(({ loss }) => loss.of === 'link') },
        places,
      ]
    : [
        ...pointsOf(known.filter(({ loss }) => loss.of === 'device' || loss.of === 'link')).map(
          ({ sinks, things }) => ({
            key: sinks.map(({ device, port }) => `${device}/${port}`).join(' '),
            title: listWords(sinks.map(({ name }) => name)),
            count: sinks.length,
            things,
          }),
        ),
        {
          key: 'silent',
          title: 'Lit, and without sound or control',
          count: 0,
          things: known.filter(
            ({ loss, sinks, silent, uncontrolled }) =>
              !isTogether(loss) && sinks.length === 0 && silent.length + uncontrolled.length > 0,
          ),
        },
        places,
      ]
  return made.map(group => ({ ...group, things: group.things.filter(matches) })).filter(({ things }) => things.length)
})
const flat = computed(() => groups.value.flatMap(({ things }) => things))
watch(
  flat,
  now => {
    if (!now.some(thing => keyOf(thing) === chosen.value)) chosen.value = now[0] && keyOf(now[0])
  },
  { immediate: true },
)
const told = computed(() => flat.value.find(thing => keyOf(thing) === chosen.value))

const hits = useAnswer('lossMoments', () => (told.value ? ([{ ...told.value.loss }] as const) : undefined))
/** By segment, the moments that miss something, and what. */
const moments = computed(() => {
  const found = new Map<string, { title: string; words: string }[]>()
  for (const { segment, title, sinks: hit } of hits.value?.hit ?? []) {
    const byWords = new Map<string, string[]>()
    for (const { name, dark, without, silent } of hit) {
      const misses = [
        dark ? 'dark' : without.length ? `without ${listWords(without)}` : '',
        silent ? 'silent' : '',
      ].filter(Boolean)
      byWords.set(misses.join(' and '), [...(byWords.get(misses.join(' and ')) ?? []), name])
    }
    const words = [...byWords].map(([misses, names]) => `${listWords(names)}: ${misses}`)
    // Moments of a segment that miss the same stand together.
    const list = found.get(segment) ?? []
    const last = list.at(-1)
    if (last?.words === words.join('; ')) last.title += `, ${title}`
    else list.push({ title, words: words.join('; ') })
    found.set(segment, list)
  }
  return [...found]
})

const lanes = computed(() =>
  (store.report?.board.lanes ?? []).filter(({ to, lit, beside }) => to?.role === 'sink' && to.device && lit && !beside),
)
/** Every sink that is lit now, and whether it stays so. */
const sinks = computed(() => {
  const gone = new Set(told.value?.sinks.map(({ device, port }) => `${device}/${port}`))
  return lanes.value
    .filter(({ to }) => !(told.value?.loss.of === 'device' && told.value.loss.id === to!.device))
    .map(({ id, to, feed }) => ({
      id,
      name:
        lanes.value.filter(other => other.to!.device === to!.device).length > 1
          ? `${to!.name} ${to!.socket}`
          : to!.name,
      feed,
      dark: gone.has(`${to!.device}/${to!.port}`),
    }))
    .sort((a, b) => Number(b.dark) - Number(a.dark))
})
const spare = computed(() => {
  if (!told.value) return ''
  const { inKit, spareMinor, loss } = told.value
  if (isTogether(loss)) return ''
  const one = loss.of === 'device' ? 'One more of it' : 'Another such cable'
  return inKit
    ? `${one} is in the kit and not used.`
    : spareMinor
      ? `${one} costs ${moneyText(spareMinor, store.plan?.brief.currency ?? CATALOGUE_CURRENCY)}.`
      : ''
})

function toRuns(): void {
  const loss = told.value?.loss
  const lane = store.report?.board.lanes.find(({ from, to, hops }) =>
    loss?.of === 'link'
      ? hops.some(hop => hop.is === 'cable' && hop.link === loss.id)
      : from?.device === loss?.id ||
        to?.device === loss?.id ||
        hops.some(hop => hop.is === 'device' && hop.device === loss?.id),
  )
  void router.push({
    path: `/shows/${String(route.params.show)}/${String(route.params.plan)}/runs`,
    query: lane ? { at: lane.id } : {},
  })
}

function keys(event: KeyboardEvent): void {
  const i = flat.value.findIndex(thing => keyOf(thing) === chosen.value)
  const to =
    event.key === 'ArrowDown'
      ? flat.value[Math.min(flat.value.length - 1, i + 1)]
      : event.key === 'ArrowUp'
        ? flat.value[Math.max(0, i - 1)]
        : undefined
  if (to) chosen.value = keyOf(to)
  else if (event.key === 'Enter' && told.value) toRuns()
  else return
  event.preventDefault()
  void nextTick(() => document.getElementById(`loss-${chosen.value}`)?.scrollIntoView({ block: 'nearest' }))
}

useIdleKeys(event => keys(event))
</script>

<template>
  <PlanFrame screen="whatif" :foot-name="told?.name">
    <template #controls
      ><template v-if="effects?.length">
        <span class="mode" role="group" aria-label="What is listed">
          <button type="button" class="btn small" :class="{ on: !all }" :aria-pressed="!all" @click="all = false">
            What darkens a screen
          </button>
          <button type="button" class="btn small" :class="{ on: all }" :aria-pressed="all" @click="all = true">
            Everything
          </button>
        </span>
        <input v-model="filter" class="pick" type="search" placeholder="Filter" aria-label="Filter" /> </template
    ></template>
    <div v-if="!effects" class="screen quiet" role="status">Taking each thing away, one after the other …</div>
    <div v-else-if="effects.length === 0" class="screen">
      <h2>Nothing that could fail yet</h2>
      <p>
        Once pictures arrive on Runs, every device and cable is taken away here in turn: what goes dark then, and what
        can still be done.
      </p>
    </div>
    <div v-else class="whatif">
      <h2 class="unseen">What if it fails?</h2>
      <div class="two">
        <div
          ref="list"
          class="list"
          role="listbox"
          tabindex="0"
          aria-label="What may fail"
          :aria-activedescendant="chosen ? `loss-${chosen}` : undefined"
          @keydown="keys"
        >
          <template v-for="group in groups" :key="group.key">
            <div class="group small" role="presentation">
              <svg
                v-if="group.count"
                class="gone"
                :width="Math.min(group.count, 8) * 14"
                height="10"
                aria-hidden="true"
              >
                <rect
                  v-for="n in Math.min(group.count, 8)"
                  :key="n"
                  :x="(n - 1) * 14 + 0.5"
                  y="0.5"
                  width="11"
                  height="8"
                  rx="2"
                  fill="url(#hatch)"
                  stroke="var(--dark)"
                />
              </svg>
              <span class="quiet">{{
                group.count ? `dark then: ${group.title}` : `${group.title}, ${group.things.length}`
              }}</span>
            </div>
            <div
              v-for="thing in group.things"
              :id="`loss-${keyOf(thing)}`"
              :key="keyOf(thing)"
              role="option"
              class="row"
              :aria-selected="keyOf(thing) === chosen"
              :class="{ on: keyOf(thing) === chosen }"
              @click="chosen = keyOf(thing)"
            >
              <span class="names"
                ><b class="cut">{{ thing.name[0]!.toUpperCase() + thing.name.slice(1) }}</b
                ><span class="small quiet cut">{{ thing.kind }}</span></span
              >
              <span v-if="all || isTogether(thing.loss)" class="figures quiet">{{ loses(thing) }}</span>
            </div>
          </template>
          <p v-if="groups.length === 0" class="quiet none">
            {{ filter ? 'Nothing is called that.' : 'No single failure darkens a screen, recorder or capture.' }}
          </p>
        </div>
        <section v-if="told" :key="chosen" class="details" :aria-label="`Without ${told.name}`">
          <h3>Without {{ told.loss.of === 'link' ? `the ${told.name}` : told.name }}</h3>
          <p class="quiet">
            {{ told.sinks.length ? `${told.sinks.length} of ${sinks.length} sinks go dark` : 'No sink goes dark'
            }}{{
              told.sources.length
                ? `, and ${listWords(told.sources)} ${told.sources.length === 1 ? 'is' : 'are'} lost`
                : ''
            }}.
          </p>
          <p v-for="one in told.kept" :key="one.name">
            <b>{{ one.name }}</b> keeps {{ listWords(one.devices) }} going for
            {{ one.minutes > 600 ? 'many hours' : `about ${Math.floor(one.minutes)}\u00A0min` }}.
          </p>
          <p v-if="told.silent.length">
            <b>{{ listWords(told.silent) }}</b>
            {{ told.silent.length === 1 ? 'falls' : 'fall' }} silent: the picture stays, and no sound gets there.
          </p>
          <p v-if="told.uncontrolled.length">
            Nobody can set up or move <b>{{ listWords(told.uncontrolled) }}</b> any more:
            {{ told.uncontrolled.length === 1 ? 'it stays' : 'they stay' }} as left.
          </p>
          <ul class="sinks" aria-label="Sinks">
            <li v-for="sink in sinks" :key="sink.id">
              <svg width="120" height="12" aria-hidden="true">
                <rect
                  v-if="sink.dark"
                  x="0.5"
                  y="1.5"
                  width="119"
                  height="9"
                  rx="2"
                  fill="url(#hatch)"
                  stroke="var(--dark)"
                />
                <path v-else d="M0 6H120" stroke="var(--band)" stroke-width="9" />
                <path v-if="!sink.dark" d="M0.5 1.5H119.5V10.5H0.5Z" fill="none" stroke="var(--edge)" />
              </svg>
              <span :class="{ strong: sink.dark, quiet: !sink.dark }">{{ sink.name }}</span><span class="small quiet"
                >{{ sink.dark ? 'dark' : 'stays lit' }}{{ sink.feed ? `, ${sink.feed}` : '' }}</span
              >
            </li>
          </ul>
          <template v-if="hits?.of">
            <h4>In the running order</h4>
            <p v-if="hits.hit.length === 0">No moment of it misses a picture.</p>
            <p v-else>
              {{ hits.hit.length }} of {{ hits.of }} moments miss something, if nobody does anything about it.
            </p>
            <dl v-if="moments.length" class="moments">
              <template v-for="[segment, each] in moments" :key="segment">
                <dt>{{ segment }}</dt>
                <dd v-for="(one, i) in each" :key="i">
                  <b>{{ one.title }}</b> <span class="quiet">{{ one.words }}</span>
                </dd>
              </template>
            </dl>
          </template>
          <h4>What is left</h4>
          <p v-if="told.still.length === 0">No switcher has a lit screen any more.</p>
          <p v-for="still in told.still" :key="still.switcher">
            <b>{{ still.name }}</b>
            {{
              still.sources.length > 1
                ? `still cuts between ${listWords(still.sources)}`
                : `has only ${still.sources[0] ?? 'its own pictures'} left`
            }}, for {{ listWords(still.sinks) }}.
          </p>
          <template v-if="spare"
            ><h4>Against it</h4>
            <p>{{ spare }}</p></template
          >
          <button type="button" class="btn small" @click="toRuns">Show on Runs <span class="key">Enter</span></button>
        </section>
        <section v-else class="details quiet"><p>Choose what fails.</p></section>
      </div>
    </div>
  </PlanFrame>
</template>

<style scoped>
.moments {
  margin: 0;
  max-height: 260px;
  overflow: auto;
}
.moments dt {
  margin-top: 8px;
  color: var(--quiet);
}
.moments dd {
  margin: 2px 0 2px 12px;
}
.whatif {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  position: relative;
}
.mode {
  display: flex;
  gap: 4px;
}
.two {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 10fr) minmax(0, 11fr);
}
.list {
  overflow-y: auto;
  min-height: 0;
  padding: 0 0 24px;
  border-right: 1px solid var(--line);
}
.group {
  padding: 16px 16px 6px;
  border-bottom: 1px solid var(--line);
  display: flex;
  align-items: center;
  gap: 8px;
}
.gone {
  flex: none;
}
.row {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 44px;
  padding: 4px 16px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
}
.row:hover {
  background: var(--hover);
}
.row.on {
  background: var(--raised);
  box-shadow: inset 3px 0 var(--chosen);
}
.names {
  display: flex;
  flex-direction: column;
  min-width: 0;
  flex: 1;
  line-height: 1.25;
}
.none {
  padding: 16px;
}
.details {
  overflow-y: auto;
  min-height: 0;
  padding: 20px 24px 32px;
}
h3 {
  font: 650 20px/1.2 var(--words);
  margin: 0 0 4px;
}
h4 {
  font: 650 15px/1.3 var(--words);
  margin: 20px 0 4px;
}
.details p {
  margin: 0 0 8px;
  max-width: 68ch;
}
.sinks {
  list-style: none;
  margin: 12px 0 0;
  padding: 0;
}
.sinks li {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 5px 0;
}
.details .btn {
  margin-top: 12px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(200px, 1fr) fit-content(60%);
  }
  .list {
    border-right: 0;
    border-bottom: 1px solid var(--border);
  }
}
</style>
