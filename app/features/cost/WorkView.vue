<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { number } from 'yup'
import { emptyPlan, minutesOfDay, setEdit } from '#core/document'
import { WHEN, minutesText } from '#core/features/cost'
import { listWords } from '#core/words'
import { useBoardStore } from '~/board/selection'
import { useAnswer } from '~/plan/answer'
import { usePlanStore } from '~/plan/store'
import BudgetPage from '~/ui/BudgetPage.vue'
import BudgetRows from '~/ui/BudgetRows.vue'
import { isTyped } from '~/ui/keys'
import { nameSchema } from '~/ui/typed'
import { useEntries } from './entries'
import { workChart } from './workChart'

/** The work before and after the show: its longest path, and who does what. */
const store = usePlanStore()
const selection = useBoardStore()
const route = useRoute()
const plan = computed(() => store.plan ?? emptyPlan(''))
const { add, set, remove, turn } = useEntries(() => plan.value)
const work = useAnswer('work', () => [] as const)
const jobs = computed(() => [...(work.value?.build.jobs ?? []), ...(work.value?.strike.jobs ?? [])])
const chosen = ref<string>()
watch(
  jobs,
  list => {
    if (!list.some(({ id }) => id === chosen.value))
      chosen.value = list.find(({ longest }) => longest)?.id ?? list[0]?.id
  },
  { immediate: true },
)
const one = computed(() => jobs.value.find(({ id }) => id === chosen.value))
const people = computed(() => Object.entries(plan.value.people).sort(([, a], [, b]) => a.order - b.order))
const nameOf = (person: string): string => plan.value.people[person]?.name ?? person
const titleOf = (id: string): string => plan.value.jobs[id]?.title ?? id
const access = computed(() => plan.value.brief.access)

const sentence = computed(() => {
  if (!work.value) return ''
  const { build, strike, thereMinutes } = work.value
  const torn = build.torn[0] ?? strike.torn[0]
  const twice = torn
    ? ` ${nameOf(torn.person)} would do ${listWords(torn.jobs.map(titleOf))} at once.`
    : build.loose.length
      ? ` ${build.loose.length === 1 ? `${titleOf(build.loose[0]!)} is` : `${build.loose.length} jobs are`} nobody\u2019s.`
      : ''
  const strikes = strike.minutes ? ` Striking takes ${minutesText(strike.minutes)}.` : ''
  if (thereMinutes === undefined)
    return `Building takes ${minutesText(build.minutes)}; say below when it may begin, to hold it against the clock.${strikes}${twice}`
  return build.minutes > thereMinutes
    ? `Building takes ${minutesText(build.minutes)}, ${minutesText(build.minutes - thereMinutes)} more than there is.${strikes}${twice}`
    : `Building takes ${minutesText(build.minutes)} of the ${minutesText(thereMinutes)} that there are.${strikes}${twice}`
})

const make = (colour: (name: string) => string) =>
  workChart({
    jobs: drawn.value,
    chosen: chosen.value,
    since: builds.value && access.value !== undefined ? minutesOfDay(access.value) : undefined,
    there: builds.value ? work.value?.thereMinutes : undefined,
    colour,
  })
const builds = computed(() => one.value?.job.when !== 'strike')
const drawn = computed(() => jobs.value.filter(({ job }) => job.when === (one.value?.job.when ?? 'build')))
const rows = computed(() =>
  jobs.value.map(({ id, job, from, latest, longest, rings }) => ({
    id,
    title: job.title,
    words: [
      job.when === 'build' ? 'before the show' : 'after it',
      listWords(
        Object.keys(job.people ?? {})
          .filter(person => plan.value.people[person])
          .map(nameOf),
      ) || 'nobody yet',
    ].join(', '),
    figures: [
      rings ? 'waits for itself' : longest ? 'on the longest path' : `can wait ${minutesText(latest - from)}`,
      minutesText(job.minutes),
    ],
    grave: rings || longest,
  })),
)

const minutesSchema = number()
  .typeError('whole minutes, e.g. 30')
  .integer('whole minutes')
  .min(1, 'at least 1')
  .max(10_000, 'at most 10 000')
const valueIn = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value
async function addJob(): Promise<void> {
  const when = one.value?.job.when ?? 'build'
  const id = await add('jobs', {
    title: `Job ${Object.keys(plan.value.jobs).length + 1}`,
    when,
    minutes: 30,
    ...(one.value ? { after: { [one.value.id]: true as const } } : {}),
  })
  if (id !== undefined) chosen.value = id
}
/** The usual order, to begin with. */
async function addUsual(): Promise<void> {
  const usual = [
    ['Carry in', 30, []],
    ['Power and circuits', 20, [0]],
    ['Stands and cameras', 40, [0]],
    ['Lay and label leads', 45, [0]],
    ['Desk and switchers', 30, [1]],
    ['Light every picture', 30, [2, 3, 4]],
    ['Sound and delay', 20, [5]],
    ['Record and stream, tried out', 15, [5]],
  ] as const
  const ids: string[] = []
  const edits = usual.map(([title, minutes, after], i) => {
    const id = `usual-${i + 1}`
    ids.push(id)
    const value = {
      title,
      order: i + 1,
      when: 'build' as const,
      minutes,
      ...(after.length ? { after: Object.fromEntries(after.map(at => [ids[at]!, true as const])) } : {}),
    }
    return { do: 'add' as const, collection: 'jobs' as const, id, value }
  })
  await store.commit('Begin with the usual order of building', [
    ...edits,
    {
      do: 'add',
      collection: 'jobs',
      id: 'usual-9',
      value: { title: 'Strike and load', order: 9, when: 'strike', minutes: 60 },
    },
  ])
}
async function saySince(time: string): Promise<void> {
  await store.commit('Say when building may begin', [setEdit(['brief', 'access'], time || undefined)])
}

useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (selection.dialog || event.ctrlKey || event.metaKey || event.altKey || store.state !== 'ready' || isTyped(event))
    return
  const at = jobs.value.findIndex(({ id }) => id === chosen.value)
  const acts: Record<string, (() => void) | undefined> = {
    ArrowDown: () => (chosen.value = jobs.value[Math.min(jobs.value.length - 1, at + 1)]?.id),
    ArrowUp: () => (chosen.value = jobs.value[Math.max(0, at - 1)]?.id),
    a: () => void addJob(),
    Delete: () => void (chosen.value !== undefined && remove('jobs', chosen.value)),
  }
  const act = acts[event.key.length === 1 ? event.key.toLowerCase() : event.key]
  if (!act) return
  event.preventDefault()
  act()
})
</script>

<template>
  <div v-if="!work" class="screen quiet" role="status">Putting the work in order …</div>
  <div v-else-if="jobs.length === 0" class="screen">
    <h2>No work yet</h2>
    <p>
      Add what is done before and after the show, how long it takes and what it waits for: this then shows how long
      building takes at the least, and on what that hangs.
    </p>
    <p class="begin">
      <button type="button" class="btn primary" @click="addUsual">Begin with the usual order</button>
      <button type="button" class="btn" @click="addJob">Add a job <span class="key">A</span></button>
    </p>
  </div>
  <BudgetPage
    v-else
    :sentence="sentence"
    label="The work in its order, the longest path lit"
    :about="[work, chosen, access]"
    :make="make"
    :height="Math.max(150, 70 + drawn.length * 34)"
    :aside="one?.job.title"
    @chosen="i => (chosen = drawn[drawn.length - 1 - i]?.id ?? chosen)"
  >
    <BudgetRows v-model="chosen" label="Jobs" :rows="rows" />
    <p class="begin">
      <label
        >Building may begin at
        <input
          class="pick"
          type="time"
          aria-label="Building may begin at"
          :value="access ?? ''"
          @change="event => saySince(valueIn(event))"
      /></label>
      <button type="button" class="btn small" @click="addJob">Add a job <span class="key">A</span></button>
    </p>
    <template v-if="one" #aside>
      <h3>{{ one.job.title }}</h3>
      <p v-if="one.rings">It waits for itself: take out one of the jobs that it comes after.</p>
      <label class="pair"
        >Name
        <TypedField
          :key="one.id"
          :value="one.job.title"
          :schema="nameSchema"
          needs="a name"
          aria-label="Name of the job"
          @done="text => set('jobs', one!.id, 'title', text, text)"
      /></label>
      <label class="pair"
        >Takes, min
        <TypedField
          :key="`${one.id} minutes`"
          class="figures"
          inputmode="numeric"
          :value="one.job.minutes"
          :schema="minutesSchema"
          needs="minutes"
          aria-label="Minutes that it takes"
          @done="text => set('jobs', one!.id, 'minutes', Number(text), `${text} min`)"
      /></label>
      <label class="pair"
        >Is done
        <select
          class="pick"
          :value="one.job.when"
          @change="event => set('jobs', one!.id, 'when', valueIn(event), valueIn(event))"
        >
          <option v-for="when in WHEN" :key="when" :value="when">
            {{ when === 'build' ? 'before the show' : 'after the show' }}
          </option>
        </select></label
      >
      <h4>Who does it</h4>
      <p v-if="Object.keys(plan.people).length === 0" class="quiet small">
        People are named in the
        <NuxtLink :to="`/shows/${String(route.params.show)}/${String(route.params.plan)}/order`">running order</NuxtLink
        >.
      </p>
      <label v-for="[id, person] in people" :key="id" class="check"
        ><input
          type="checkbox"
          :checked="one.job.people?.[id] === true"
          @change="turn(one!.id, 'people', id, `done by ${person.name}`)"
        />
        {{ person.name }}</label
      >
      <h4>Comes after</h4>
      <label
        v-for="other in jobs.filter(({ id, job }) => id !== one!.id && job.when === one!.job.when)"
        :key="other.id"
        class="check"
        ><input
          type="checkbox"
          :checked="one.job.after?.[other.id] === true"
          @change="turn(one!.id, 'after', other.id, `after ${other.job.title}`)"
        />
        {{ other.job.title }}</label
      >
      <button type="button" class="btn plain small" @click="remove('jobs', one.id)">
        Take out <span class="key">Del</span>
      </button>
    </template>
  </BudgetPage>
</template>

<style scoped>
.begin {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: center;
  margin-top: 12px;
}
.begin label {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  color: var(--quiet);
}
.pair {
  display: grid;
  grid-template-columns: 100px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 40px;
  color: var(--quiet);
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 32px;
}
</style>
