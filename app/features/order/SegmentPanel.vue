<script setup lang="ts">
import { computed, ref } from 'vue'
import { string } from 'yup'
import { type Cue, type Edit, type Plan, type Segment, freshId, setEdit } from '#core/document'
import { clockSeconds, figure, listWords } from '#core/words'
import { useAnswer } from '~/plan/answer'
import { decimal, secondsSchema } from '~/ui/typed'

/** One segment: when it begins and in which look, its cues in their order, who works what, and who comes. */
const props = defineProps<{ plan: Plan; segment: { readonly id: string } & Segment }>()
const emit = defineEmits<{ change: [words: string, edits: readonly Edit[]] }>()

const byOrder = <T extends { readonly order: number }>(map: Readonly<Record<string, T>>): [string, T][] =>
  Object.entries(map).sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1))
const looks = computed(() => byOrder(props.plan.looks))
const clips = computed(() => byOrder(props.plan.clips))
const macros = computed(() => byOrder(props.plan.macros))
const people = computed(() => byOrder(props.plan.people))
const cues = computed(() => byOrder(props.plan.cues).filter(([, cue]) => cue.segment === props.segment.id))
const players = computed(() =>
  Object.entries(props.plan.devices).filter(([, { model }]) => props.plan.models[model]!.kind === 'player'),
)
const paces = useAnswer('pace', () => [] as const)
/** What the cues of the segment ask of hands. */
const pace = computed(() => paces.value?.find(({ segment }) => segment === props.segment.id))
/** What is wiped before drawn overlays come on, by cue or by the segment that opens with them. */
const wiped = useAnswer('wiped', () => [] as const)
const firstOf = (id: string): string => {
  const all = wiped.value?.[id]
  return all?.length ? `first ${listWords(all)}` : ''
}
const chosen = ref<string>()
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const optional = (text: string): string | undefined => (text === '' ? undefined : text)
const title = computed(() => props.segment.title)

const set = (at: readonly string[], value: unknown, words: string): void =>
  emit('change', words.slice(0, 120), [setEdit(at as never, value as never)])
const ofSegment = (field: 'at' | 'opens' | 'guest', value: string, words: string): void =>
  set(['segments', props.segment.id, field], optional(value), words)
const ofCue = (id: string, field: keyof Cue, value: string | number | undefined, words: string): void =>
  set(['cues', id, field], value === '' ? undefined : value, words)

const timeSchema = string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time of day such as 19:30')
const nameSchema = string().trim().max(120, 'at most 120 characters')

function addCue(): void {
  const words = 'New cue'
  const id = freshId(words, props.plan.cues, Math.random)
  const order = 1 + Math.max(0, ...cues.value.map(([, cue]) => cue.order))
  chosen.value = id
  emit('change', `Add a cue to ${title.value}`.slice(0, 120), [
    { do: 'add', collection: 'cues', id, value: { segment: props.segment.id, title: words, order } },
  ])
}
/** The steps that take back what the cues before them did, the last one first: sound off, cut back. */
const reversible = computed(() =>
  cues.value.filter(([id, { look, back }]) => look && !back && !cues.value.some(([, other]) => other.back === id)),
)
function addBack(): void {
  const edits = reversible.value.toReversed().map(([back, cue], i): Edit => {
    const words = `${cue.title}, taken back`.slice(0, 120)
    const id = freshId(words, props.plan.cues, Math.random)
    const order = 1 + i + Math.max(0, ...cues.value.map(([, one]) => one.order))
    return { do: 'add', collection: 'cues', id, value: { segment: props.segment.id, title: words, order, back } }
  })
  if (edits.length) emit('change', `Add the steps back in ${title.value}`.slice(0, 120), edits)
}
function shift(id: string, by: -1 | 1): void {
  const at = cues.value.findIndex(([other]) => other === id)
  const [one, other] = [cues.value[at], cues.value[at + by]]
  if (!one || !other) return
  const [a, b] = one[1].order === other[1].order ? [one[1].order + by, one[1].order] : [other[1].order, one[1].order]
  emit('change', `${one[1].title} ${by < 0 ? 'before' : 'behind'} ${other[1].title}`.slice(0, 120), [
    setEdit(['cues', id, 'order'], a),
    setEdit(['cues', other[0], 'order'], b),
  ])
}
function addClip(cue: string): void {
  const [player] = players.value
  if (!player) return
  const id = freshId('clip', props.plan.clips, Math.random)
  const order = 1 + Math.max(0, ...Object.values(props.plan.clips).map(clip => clip.order))
  emit('change', 'Add a clip', [
    {
      do: 'add',
      collection: 'clips',
      id,
      value: { title: 'New clip', order, player: player[0], lengthS: 60, end: 'hold' },
    },
    setEdit(['cues', cue, 'clip'], id),
  ])
}
const END_WORDS = {
  hold: 'stands on its last picture',
  black: 'is black',
  loop: 'begins again',
  back: 'gives way to what was before',
} as const

/** What somebody can be at: cameras, switchers, computers, players, desks and sticks. */
const posts = computed(() =>
  Object.entries(props.plan.devices)
    .filter(([, { model }]) => {
      const { kind, role } = props.plan.models[model]!
      return role === 'switcher' || role === 'source' || kind === 'desk' || kind === 'controller'
    })
    .sort(([, a], [, b]) => a.order - b.order)
    .map(([id, { name }]) => ({ id, name })),
)
const worksAt = (person: string): readonly string[] => props.segment.work?.[person] ?? []
const nameOf = (device: string): string => props.plan.devices[device]?.name ?? device
function work(person: string, device: string): void {
  const now = worksAt(person)
  const next = now.includes(device) ? now.filter(other => other !== device) : [...now, device]
  const who = props.plan.people[person]?.name ?? person
  set(
    ['segments', props.segment.id, 'work', person],
    next.length ? next : undefined,
    `${who} ${now.includes(device) ? 'leaves' : 'works'} ${nameOf(device)} in ${title.value}`,
  )
}
/** As in the segment before: who works what seldom changes. */
const before = computed(() => {
  const all = byOrder(props.plan.segments)
  return all[all.findIndex(([id]) => id === props.segment.id) - 1]?.[1]
})
function addPerson(name: string): void {
  if (!name) return
  const id = freshId(name, props.plan.people, Math.random)
  const order = 1 + Math.max(0, ...Object.values(props.plan.people).map(person => person.order))
  emit('change', `${name} joins`.slice(0, 120), [{ do: 'add', collection: 'people', id, value: { name, order } }])
}
const removePerson = (id: string): void =>
  emit('change', `${props.plan.people[id]!.name} goes`.slice(0, 120), [
    ...Object.entries(props.plan.segments).flatMap(([segment, { work: all }]): Edit[] =>
      all?.[id] ? [setEdit(['segments', segment, 'work', id])] : [],
    ),
    { do: 'remove', collection: 'people', id },
  ])
defineExpose({ addCue })
</script>

<template>
  <h2>{{ segment.title }}</h2>
  <div class="fields">
    <label
      ><span>Begins at</span>
      <TypedField
        :value="segment.at ?? ''"
        :schema="timeSchema"
        placeholder="when the one before is over"
        :aria-label="`${segment.title} begins at`"
        @done="text => ofSegment('at', text, text ? `${title} begins at ${text}` : `${title} begins when it does`)"
    /></label>
    <label
      ><span>Opens in</span>
      <select
        class="pick"
        :value="segment.opens ?? ''"
        @change="
          event =>
            ofSegment(
              'opens',
              valueIn(event),
              `${title} opens in ${plan.looks[valueIn(event)]?.title ?? 'what was before'}`,
            )
        "
      >
        <option value="">what was before</option>
        <option v-for="[id, one] in looks" :key="id" :value="id">{{ one.title }}</option>
        <option v-if="segment.opens && !plan.looks[segment.opens]" :value="segment.opens">
          {{ segment.opens }}, gone
        </option>
      </select></label
    >
    <label
      ><span>Guest</span>
      <TypedField
        :value="segment.guest ?? ''"
        :schema="nameSchema"
        placeholder="nobody brings a picture"
        :aria-label="`Guest in ${segment.title}`"
        @done="text => ofSegment('guest', text, text ? `${text} comes in ${title}` : `Nobody comes in ${title}`)"
    /></label>
  </div>
  <p v-if="firstOf(segment.id)" class="small">Before it opens, {{ firstOf(segment.id).replace(/^first /, '') }}.</p>
  <h3>Cues</h3>
  <ol v-if="cues.length" class="cues">
    <li v-for="([id, cue], i) in cues" :key="id" :class="{ on: id === chosen }">
      <button type="button" class="cue" :aria-expanded="id === chosen" @click="chosen = id === chosen ? undefined : id">
        <span class="figures quiet">{{ i + 1 }}</span>
        <span class="cut strong">{{ cue.title }}</span>
        <span class="small quiet cut">{{
          [
            firstOf(id),
            cue.look ? (plan.looks[cue.look]?.title ?? `${cue.look}, gone`) : '',
            cue.back ? `takes back ${plan.cues[cue.back]?.title ?? cue.back}` : '',
            cue.clip ? `plays ${plan.clips[cue.clip]?.title ?? cue.clip}` : '',
            cue.macro ? `fires ${plan.macros[cue.macro]?.title ?? `${cue.macro}, gone`}` : '',
            cue.says ? `“${cue.says}”` : '',
          ]
            .filter(Boolean)
            .join(', ')
        }}</span>
      </button>
      <div v-if="id === chosen" class="fields inner">
        <label
          ><span>Called</span>
          <TypedField
            :value="cue.title"
            :schema="nameSchema"
            needs="a name"
            aria-label="Name of the cue"
            @done="text => ofCue(id, 'title', text, `Call it ${text}`)"
        /></label>
        <label
          ><span>Said</span>
          <TypedField
            :value="cue.says ?? ''"
            :schema="nameSchema"
            placeholder="nothing"
            aria-label="What is said"
            @done="text => ofCue(id, 'says', text, text ? `Say ${text}` : 'Say nothing')"
        /></label>
        <label v-if="people.length"
          ><span>By</span>
          <select
            class="pick"
            :value="cue.by ?? ''"
            @change="
              event => ofCue(id, 'by', valueIn(event), `${plan.people[valueIn(event)]?.name ?? 'Anybody'} says it`)
            "
          >
            <option value="">anybody</option>
            <option v-for="[person, one] in people" :key="person" :value="person">{{ one.name }}</option>
          </select></label
        >
        <label
          ><span>Look</span>
          <select
            class="pick"
            aria-label="Look of the cue"
            :value="cue.look ?? ''"
            @change="
              event => ofCue(id, 'look', valueIn(event), `Take ${plan.looks[valueIn(event)]?.title ?? 'no look'}`)
            "
          >
            <option value="">none</option>
            <option v-for="[look, one] in looks" :key="look" :value="look">{{ one.title }}</option>
            <option v-if="cue.look && !plan.looks[cue.look]" :value="cue.look">{{ cue.look }}, gone</option>
          </select></label
        >
        <label v-if="clips.length"
          ><span>Clip</span>
          <select
            class="pick"
            :value="cue.clip ?? ''"
            @change="
              event => ofCue(id, 'clip', valueIn(event), `Play ${plan.clips[valueIn(event)]?.title ?? 'nothing'}`)
            "
          >
            <option value="">none</option>
            <option v-for="[clip, one] in clips" :key="clip" :value="clip">
              {{ one.title }}, {{ clockSeconds(one.lengthS) }}
            </option>
          </select></label
        >
        <template v-if="cue.clip && plan.clips[cue.clip]">
          <label
            ><span>Its name</span>
            <TypedField
              :value="plan.clips[cue.clip]!.title"
              :schema="nameSchema"
              needs="a name"
              aria-label="Name of the clip"
              @done="text => set(['clips', cue.clip!, 'title'], text, `Call it ${text}`)"
          /></label>
          <label
            ><span>Its length, s</span>
            <TypedField
              inputmode="decimal"
              :value="plan.clips[cue.clip]!.lengthS"
              :schema="secondsSchema"
              needs="seconds"
              aria-label="Length of the clip, seconds"
              @done="text => set(['clips', cue.clip!, 'lengthS'], decimal(text), `The clip lasts ${text} s`)"
          /></label>
          <label
            ><span>At its end</span>
            <select
              class="pick"
              :value="plan.clips[cue.clip]!.end"
              @change="
                event =>
                  set(
                    ['clips', cue.clip!, 'end'],
                    valueIn(event),
                    `The clip ${END_WORDS[valueIn(event) as keyof typeof END_WORDS]}`,
                  )
              "
            >
              <option v-for="(words, end) in END_WORDS" :key="end" :value="end">it {{ words }}</option>
            </select></label
          >
        </template>
        <label v-if="macros.length || cue.macro"
          ><span>Macro</span>
          <select
            class="pick"
            aria-label="Macro of the cue"
            :value="cue.macro ?? ''"
            @change="
              event => ofCue(id, 'macro', valueIn(event), `Fire ${plan.macros[valueIn(event)]?.title ?? 'no macro'}`)
            "
          >
            <option value="">none</option>
            <option v-for="[macro, one] in macros" :key="macro" :value="macro">{{ one.title }}</option>
            <option v-if="cue.macro && !plan.macros[cue.macro]" :value="cue.macro">{{ cue.macro }}, gone</option>
          </select></label
        >
        <label v-if="cue.clip || cue.macro"
          ><span>Wanted for, s</span>
          <TypedField
            inputmode="decimal"
            :value="cue.lastsS ?? ''"
            :schema="secondsSchema"
            placeholder="as long as it is"
            aria-label="Wanted for, seconds"
            @done="text => ofCue(id, 'lastsS', text ? decimal(text) : undefined, `Wanted for ${text || 'its length'}`)"
        /></label>

        <p class="row">
          <button type="button" class="btn small" :disabled="i === 0" @click="shift(id, -1)">Earlier</button>
          <button type="button" class="btn small" :disabled="i === cues.length - 1" @click="shift(id, 1)">Later</button>
          <button v-if="!cue.clip && players.length" type="button" class="btn small" @click="addClip(id)">
            Play a clip
          </button>
          <button
            type="button"
            class="btn small"
            @click="emit('change', `Take out ${cue.title}`.slice(0, 120), [{ do: 'remove', collection: 'cues', id }])"
          >
            Take out
          </button>
        </p>
      </div>
    </li>
  </ol>
  <p v-else class="quiet small">None: it stays as it opens.</p>
  <p class="row">
    <button type="button" class="btn small" @click="addCue">Add a cue <span class="key">C</span></button>
    <button v-if="reversible.length" type="button" class="btn small" @click="addBack">Add the steps back</button>
  </p>
  <p v-if="pace && pace.changes > 0" class="small quiet">
    {{ pace.changes }} {{ pace.changes === 1 ? 'change' : 'changes' }} with {{ pace.presses }}
    {{ pace.presses === 1 ? 'press' : 'presses' }}, at most {{ pace.most }} for {{ pace.mostAt
    }}<template v-if="pace.meanMinutes !== undefined"
      >; on average {{ figure(pace.meanMinutes) }}&nbsp;min on one picture</template
    ><template v-if="pace.people.length"
      >; {{ listWords(pace.people.map(({ person, presses }) => `${person} ${presses}`)) }}</template
    >.
  </p>
  <h3>Who works what</h3>
  <ul v-if="people.length" class="people">
    <li v-for="[id, person] in people" :key="id">
      <p class="row person">
        <span class="strong cut">{{ person.name }}</span>
        <label class="small hears"
          ><input
            type="checkbox"
            :checked="person.hears ?? false"
            @change="
              set(
                ['people', id, 'hears'],
                person.hears ? undefined : true,
                `${person.name} ${person.hears ? 'has no' : 'has an'} intercom`,
              )
            "
          />
          hears whoever switches</label
        >
        <button type="button" class="btn plain small" :aria-label="`Remove ${person.name}`" @click="removePerson(id)">
          Remove
        </button>
      </p>
      <p class="row posts">
        <button
          v-for="device in worksAt(id)"
          :key="device"
          type="button"
          class="post"
          :title="`${person.name} leaves ${nameOf(device)}`"
          @click="work(id, device)"
        >
          {{ nameOf(device) }} <span aria-hidden="true">×</span>
        </button>
        <select
          class="pick small"
          :aria-label="`${person.name} works`"
          value=""
          @change="event => work(id, valueIn(event))"
        >
          <option value="">{{ worksAt(id).length ? 'and …' : 'works …' }}</option>
          <option v-for="post in posts.filter(one => !worksAt(id).includes(one.id))" :key="post.id" :value="post.id">
            {{ post.name }}
          </option>
        </select>
      </p>
    </li>
  </ul>
  <p v-else class="quiet small">Nobody is named yet: who hears whom and who has too much in hand is not judged.</p>
  <p class="row">
    <TypedField
      class="newcomer"
      value=""
      :schema="nameSchema"
      placeholder="Add somebody: name"
      aria-label="Add somebody"
      @done="addPerson"
    />
    <button
      v-if="before?.work && !segment.work"
      type="button"
      class="btn small"
      @click="set(['segments', segment.id, 'work'], before!.work, `${title}: the same people as before`)"
    >
      As in {{ before.title }}
    </button>
  </p>
  <p v-if="segment.work && Object.keys(segment.work).some(id => !plan.people[id])" class="small quiet">
    Named and gone: {{ listWords(Object.keys(segment.work).filter(id => !plan.people[id])) }}.
  </p>
</template>

<style scoped>
h2 {
  font: 650 20px/1.3 var(--words);
  margin: 0 0 8px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 16px 0 6px;
}
p {
  margin: 0 0 8px;
}
.fields label {
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 36px;
}
.fields label > span {
  color: var(--quiet);
}
.fields .pick {
  width: 100%;
}
.inner {
  padding: 4px 0 8px 26px;
}
.cues,
.people {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
.cues li {
  border-top: 1px solid var(--line);
}
.cues li.on {
  background: var(--raised);
}
.cue {
  display: grid;
  grid-template-columns: 22px minmax(0, 1fr);
  width: 100%;
  padding: 5px 4px;
  min-height: 36px;
  align-items: baseline;
}
.cue .small {
  grid-column: 2;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
}
.people li {
  border-top: 1px solid var(--line);
  padding: 4px 0;
}
.person .cut {
  flex: 1;
}
.person,
.posts {
  margin: 0;
}
.hears {
  display: inline-flex;
  gap: 4px;
  align-items: center;
}
.post {
  border: 1px solid var(--border);
  border-radius: 4px;
  padding: 2px 8px;
  min-height: 30px;
  font-size: 13px;
}
.newcomer {
  width: 190px;
}
@media (pointer: coarse) {
  .post {
    min-height: 44px;
  }
}
</style>
