<script setup lang="ts">
import { computed } from 'vue'
import { number } from 'yup'
import { emptyPlan, setEdit } from '#core/document'
import { type CircuitLoad, SOCKETS, type Strip } from '#core/features/power'
import { figure } from '#core/words'
import { usePlanStore } from '~/plan/store'
import { useNotices } from '~/shell/notices'
import { decimal, distanceSchema, nameSchema, sectionSchema, voltsSchema, wattsSchema } from '~/ui/typed'

/** One strip of a circuit: what it is plugged into, its plug, lead, reel and switch, and what keeps it on. */
const props = defineProps<{ circuit: CircuitLoad; strip: CircuitLoad['strips'][number] }>()
const store = usePlanStore()
const { tell } = useNotices()
const plan = computed(() => store.plan ?? emptyPlan(''))
const entry = computed((): Strip => plan.value.strips[props.strip.id] ?? { title: props.strip.title, order: 0 })
const PLUGS: Readonly<Record<(typeof SOCKETS)[number], string>> = {
  'household': 'household plug',
  'round-16': 'round plug, 16\u00A0A',
  'round-32': 'round plug, 32\u00A0A',
  'round-63': 'round plug, 63\u00A0A',
}

const say = (field: keyof Strip, value: unknown, words: string): void =>
  void store.commit(`${entry.value.title}: ${words}`.slice(0, 120), [
    setEdit(['strips', props.strip.id, field], value as never),
  ])
const rename = (title: string): void =>
  void store.commit(`Call it ${title}`.slice(0, 120), [setEdit(['strips', props.strip.id, 'title'], title)])

/** Into the wall, or into another strip. */
const plugInto = (into: string): void =>
  void store.commit(
    `Plug ${entry.value.title} into ${into ? plan.value.strips[into]!.title : props.circuit.title}`.slice(0, 120),
    [
      setEdit(['strips', props.strip.id, 'strip'], into || undefined),
      setEdit(['strips', props.strip.id, 'circuit'], into ? undefined : props.circuit.id),
    ],
  )
const remove = (): void =>
  void store.commit(`Take out ${entry.value.title}`.slice(0, 120), [
    { do: 'remove', collection: 'strips', id: props.strip.id },
  ])

/** A usual one of its kind, until somebody says what it has. */
const USUAL = {
  lead: { m: 10, mm2: 1.5 },
  reel: { woundW: 1000, unwoundW: 3500, wound: true },
  keeps: { wh: 400, mostW: 600 },
} as const
const turn = (field: keyof typeof USUAL, words: readonly [on: string, off: string]): void =>
  say(field, entry.value[field] ? undefined : USUAL[field], words[entry.value[field] ? 1 : 0])
const part = <F extends keyof typeof USUAL>(field: F, name: string, text: string, unit: string): void =>
  say(field, { ...entry.value[field], [name]: decimal(text) }, `${text}\u00A0${unit}`)
const keepSchema = number().typeError('a figure').min(1, '1 or more').max(100_000, 'at most 100 000')

const tableText = computed(() => (entry.value.keeps?.table ?? []).map(({ w, min }) => `${w} ${min}`).join(', '))
/** Pairs of watts and minutes as they stand in a data sheet; nothing takes the table away. */
function takeTable(text: string): void {
  const { table: _, ...rest } = entry.value.keeps!
  const pairs = text.split(/[,;]\s*/).map(pair => pair.trim().split(/\s+/).map(decimal))
  if (text !== '' && !pairs.every(pair => pair.length === 2 && pair.every(value => value > 0)))
    return tell(`Not taken: pairs of watts and minutes, as 200 25, 400 8`, 'wrong')
  const table = pairs.map(([w, min]) => ({ w: w!, min: min! }))
  say('keeps', text === '' ? rest : { ...rest, table }, text === '' ? 'by what it holds' : 'minutes by its data sheet')
}

const kept = computed(() => {
  const minutes = props.strip.keptMinutes
  if (minutes === undefined) return ''
  if (minutes === 0) return ': too weak for what hangs on it'
  return minutes > 600 ? ', for many hours' : `, for about ${Math.floor(minutes)}\u00A0min`
})
const loads = computed(() =>
  props.circuit.loads
    .filter(load => load.strip === props.strip.id)
    .map(({ name }) => name)
    .join(', '),
)
/** What is said of it, in short: it stands where its details are folded in. */
const said = computed(() => {
  const { plug, lead, reel, switched, givesV, keeps } = entry.value
  return [
    plug === undefined ? '' : PLUGS[plug],
    lead ? `${figure(lead.m)}\u00A0m of ${figure(lead.mm2, 2)}\u00A0mm\u00B2` : '',
    reel ? (reel.wound ? 'reel, wound' : 'reel, unwound') : '',
    givesV === undefined ? '' : `transformer to ${figure(givesV)}\u00A0V`,
    switched === undefined ? '' : switched === 'at-once' ? 'one switch' : 'switches in turn',
    keeps ? `goes on without mains${kept.value}` : '',
  ].filter(Boolean)
})
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
</script>

<template>
  <div class="strip">
    <TypedField
      :value="strip.title"
      :schema="nameSchema"
      needs="a name"
      class="wide"
      :aria-label="`Name of ${strip.title}`"
      @done="rename"
    />
    <select
      class="pick"
      :value="strip.into ?? ''"
      :aria-label="`What ${strip.title} is plugged into`"
      @change="event => plugInto(valueIn(event))"
    >
      <option value="">in the wall</option>
      <option v-for="other in circuit.strips.filter(one => one.id !== strip.id)" :key="other.id" :value="other.id">
        in {{ other.title }}
      </option>
    </select>
    <button type="button" class="btn plain small" @click="remove">Take out</button>
    <span class="small quiet wide">{{ loads || 'nothing on it yet' }}</span>
    <details class="wide">
      <summary class="small">{{ said.join(', ') || 'Plug, lead, switch' }}</summary>
      <div class="details small">
        <label
          >Plug
          <select
            class="pick"
            :value="entry.plug ?? 'household'"
            :aria-label="`Plug of ${strip.title}`"
            @change="
              event =>
                say(
                  'plug',
                  valueIn(event) === 'household' ? undefined : valueIn(event),
                  PLUGS[valueIn(event) as 'household'],
                )
            "
          >
            <option v-for="one in SOCKETS" :key="one" :value="one">{{ PLUGS[one] }}</option>
          </select>
        </label>
        <label
          >Switch
          <select
            class="pick"
            :value="entry.switched ?? ''"
            :aria-label="`Switch of ${strip.title}`"
            @change="event => say('switched', valueIn(event) || undefined, 'its switch')"
          >
            <option value="">none</option>
            <option value="at-once">all at once</option>
            <option value="in-turn">one after another</option>
          </select>
        </label>
        <label
          >Gives, V
          <TypedField
            inputmode="decimal"
            :value="entry.givesV ?? ''"
            :schema="voltsSchema"
            placeholder="as it gets"
            :aria-label="`What ${strip.title} gives as a transformer, V`"
            @done="text => say('givesV', text === '' ? undefined : decimal(text), text || 'no transformer')"
        /></label>
        <label class="check"
          ><input
            type="checkbox"
            :checked="entry.lead !== undefined"
            @change="turn('lead', ['by a lead', 'lead not said'])"
          />
          by a lead</label
        >
        <span v-if="entry.lead" class="pair">
          <TypedField
            inputmode="decimal"
            :value="entry.lead.m"
            :schema="distanceSchema"
            needs="a length"
            :aria-label="`Lead of ${strip.title}, m`"
            @done="text => part('lead', 'm', text, 'm')"
          />
          m of
          <TypedField
            inputmode="decimal"
            :value="entry.lead.mm2"
            :schema="sectionSchema"
            needs="a section"
            :aria-label="`Section of the lead of ${strip.title}, mm²`"
            @done="text => part('lead', 'mm2', text, 'mm²')"
          />
          mm²</span
        >
        <label class="check"
          ><input
            type="checkbox"
            :checked="entry.reel !== undefined"
            @change="turn('reel', ['on a reel', 'on no reel'])"
          />
          on a reel</label
        >
        <template v-if="entry.reel">
          <span class="pair">
            bears wound
            <TypedField
              inputmode="decimal"
              :value="entry.reel.woundW"
              :schema="wattsSchema"
              needs="watts"
              :aria-label="`What ${strip.title} bears wound, W`"
              @done="text => part('reel', 'woundW', text, 'W')"
            />
            W, unwound
            <TypedField
              inputmode="decimal"
              :value="entry.reel.unwoundW"
              :schema="wattsSchema"
              needs="watts"
              :aria-label="`What ${strip.title} bears unwound, W`"
              @done="text => part('reel', 'unwoundW', text, 'W')"
            />
            W
          </span>
          <label class="check"
            ><input
              type="checkbox"
              :checked="entry.reel.wound === true"
              @change="
                say(
                  'reel',
                  { ...entry.reel, wound: entry.reel.wound ? undefined : true },
                  entry.reel.wound ? 'unwound' : 'wound',
                )
              "
            />
            stays wound</label
          >
        </template>
        <label class="check"
          ><input
            type="checkbox"
            :checked="entry.keeps !== undefined"
            @change="turn('keeps', ['goes on without mains', 'off without mains'])"
          />
          goes on without mains{{ kept }}</label
        >
        <span v-if="entry.keeps" class="pair">
          <TypedField
            inputmode="decimal"
            :value="entry.keeps.wh"
            :schema="keepSchema"
            needs="watt-hours"
            :aria-label="`What ${strip.title} holds, Wh`"
            @done="text => part('keeps', 'wh', text, 'Wh')"
          />
          Wh
          <TypedField
            inputmode="decimal"
            :value="entry.keeps.mostW"
            :schema="keepSchema"
            needs="watts"
            :aria-label="`What ${strip.title} gives at most, W`"
            @done="text => part('keeps', 'mostW', text, 'W')"
          />
          W
        </span>
        <label v-if="entry.keeps"
          >Its table
          <TypedField
            :value="tableText"
            placeholder="W min, as 200 25, 400 8"
            :aria-label="`Minutes of ${strip.title} by its data sheet, as 200 25, 400 8`"
            @done="takeTable"
        /></label>
      </div>
    </details>
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 4px 8px;
  align-items: center;
  padding-bottom: 8px;
  margin-bottom: 8px;
  border-bottom: 1px solid var(--line);
}
.wide {
  grid-column: 1 / -1;
}
summary {
  cursor: pointer;
  min-height: 28px;
  display: list-item;
  line-height: 28px;
}
.details {
  display: grid;
  gap: 4px;
  padding: 4px 0 4px 16px;
}
.details > label:not(.check) {
  display: grid;
  grid-template-columns: 88px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  color: var(--quiet);
}
.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
  padding-left: 24px;
}
.pair :deep(input) {
  width: 72px;
}
</style>
