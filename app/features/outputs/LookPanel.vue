<script setup lang="ts">
import { computed } from 'vue'
import { string } from 'yup'
import { BLACK, CONTENTS, OFF, type Plan } from '#core/document'
import type { Audience, Instant, WhoSees } from '#core/features/outputs'

/** What makes a picture, switcher by switcher: what the look of the moment changes, and what stays as it was. */
const props = defineProps<{
  plan: Plan
  seen: WhoSees
  audience: Audience
  instant: Instant
}>()
const emit = defineEmits<{ set: [at: readonly string[], value: unknown, words: string] }>()

const look = computed(() => (props.instant.look === undefined ? undefined : props.plan.looks[props.instant.look]))
const mixers = computed(() =>
  props.audience.through.flatMap(id => props.seen.mixers.find(({ device }) => device === id) ?? []),
)
const valueIn = (event: Event): string => (event.target as HTMLSelectElement).value
const titleIn = (event: Event): string => (event.target as HTMLSelectElement).selectedOptions[0]?.text ?? ''
const overlay = (id: string | undefined): string => (id === undefined ? 'off' : (props.plan.overlays[id]?.title ?? id))
const inputName = (device: string, port: string | undefined): string =>
  port === BLACK
    ? 'black'
    : (props.seen.mixers.find(one => one.device === device)?.inputs.find(one => one.port === port)?.name ??
      port ??
      'nothing')
/** The outputs of the last switcher, which a look may point elsewhere. */
const outputs = computed(() => mixers.value[0]?.outputs ?? [])
const positionSchema = string().trim().max(120, 'at most 120 characters')
const CONTENT_WORDS = {
  full: 'full page',
  caption: 'caption on black',
  blank: 'blank',
  countdown: 'countdown',
  operator: 'operator\u2019s view',
} as const
/** A computer as a whole, and each of its outputs where it has several. */
const pages = computed(() =>
  props.seen.computers.flatMap(({ device, name, outputs: outs }) => [
    { key: device, name, at: ['contents', device], named: look.value?.contents?.[device] },
    ...(outs.length > 1
      ? outs.map(({ port, name: out }) => ({
          key: `${device}/${port}`,
          name: `${name}, ${out}`,
          at: ['layouts', device, port],
          named: look.value?.layouts?.[device]?.[port],
        }))
      : []),
  ]),
)
const stays = (key: string): string => {
  const content = props.instant.contents[key]
  return content ? `stays ${CONTENT_WORDS[content]}` : key.includes('/') ? 'as the computer' : 'stays open'
}

const set = (at: readonly string[], value: string | boolean | undefined, words: string): void =>
  emit('set', at, value === '' ? undefined : value, words)
</script>

<template>
  <section v-for="mixer in mixers" :key="mixer.device" class="mixer" :aria-label="mixer.name">
    <h3>{{ mixer.name }}</h3>
    <label>
      <span>On air</span>
      <select
        class="pick"
        :class="{ named: look?.program?.[mixer.device] !== undefined }"
        :aria-label="`On air at ${mixer.name}`"
        :value="look?.program?.[mixer.device] ?? ''"
        @change="
          event =>
            set(
              ['program', mixer.device],
              valueIn(event),
              `${mixer.name} shows ${inputName(mixer.device, valueIn(event))}`,
            )
        "
      >
        <option value="">
          {{
            look?.program?.[mixer.device] === undefined
              ? `stays ${inputName(mixer.device, instant.mixers[mixer.device]?.program)}`
              : 'as before'
          }}
        </option>
        <option v-for="input in mixer.inputs" :key="input.port" :value="input.port">
          {{ input.name }}{{ input.lit ? '' : ', dark' }}
        </option>
        <option :value="BLACK">black</option>
      </select>
    </label>
    <label v-for="keyer in mixer.keyers" :key="keyer.number">
      <span class="cut">{{ keyer.title }}</span>
      <select
        class="pick"
        :class="{ named: look?.keys?.[mixer.device]?.[keyer.number] !== undefined }"
        :aria-label="`${keyer.title} of ${mixer.name}`"
        :value="look?.keys?.[mixer.device]?.[keyer.number] ?? ''"
        @change="
          event =>
            set(
              ['keys', mixer.device, keyer.number],
              valueIn(event),
              valueIn(event) === OFF || !valueIn(event)
                ? `${keyer.title} of ${mixer.name} ${valueIn(event) ? 'off' : 'as before'}`
                : `${overlay(valueIn(event))} in ${keyer.title} of ${mixer.name}`,
            )
        "
      >
        <option value="">
          {{
            look?.keys?.[mixer.device]?.[keyer.number] === undefined
              ? `stays ${overlay(instant.mixers[mixer.device]?.keys[keyer.number])}`
              : 'as before'
          }}
        </option>
        <option v-for="id in keyer.overlays" :key="id" :value="id">{{ overlay(id) }}</option>
        <option :value="OFF">off</option>
      </select>
    </label>
    <label v-if="mixer.fades">
      <span>Faded</span>
      <select
        class="pick"
        :class="{ named: look?.faded?.[mixer.device] !== undefined }"
        :aria-label="`${mixer.name} faded`"
        :value="look?.faded?.[mixer.device] === undefined ? '' : String(look.faded[mixer.device])"
        @change="
          event =>
            emit(
              'set',
              ['faded', mixer.device],
              valueIn(event) === '' ? undefined : valueIn(event) === 'true',
              valueIn(event) === 'true' ? `${mixer.name} to black` : `${mixer.name} not faded`,
            )
        "
      >
        <option value="">
          {{
            look?.faded?.[mixer.device] === undefined
              ? `stays ${instant.mixers[mixer.device]?.faded ? 'black' : 'shown'}`
              : 'as before'
          }}
        </option>
        <option value="true">to black</option>
        <option value="false">shown</option>
      </select>
    </label>
    <template v-if="mixer.device === mixers[0]?.device">
      <label v-for="out in outputs" :key="out.port">
        <span class="cut">{{ out.name }}</span>
        <select
          class="pick"
          :class="{ named: look?.outputs?.[mixer.device]?.[out.port] !== undefined }"
          :aria-label="`${mixer.name} ${out.name}`"
          :value="look?.outputs?.[mixer.device]?.[out.port] ?? ''"
          @change="
            event => set(['outputs', mixer.device, out.port], valueIn(event), `${out.name} carries ${titleIn(event)}`)
          "
        >
          <option value="">
            {{
              look?.outputs?.[mixer.device]?.[out.port] === undefined
                ? `stays ${out.feeds.find(({ value }) => value === instant.outputs[mixer.device]?.[out.port])?.title ?? out.feed}`
                : 'as before'
            }}
          </option>
          <option v-for="feed in out.feeds" :key="feed.value" :value="feed.value">{{ feed.title }}</option>
        </select>
      </label>
    </template>
  </section>
  <section v-if="seen.computers.length || seen.movers.length" class="mixer" aria-label="Sources">
    <h3>Sources</h3>
    <label v-for="one in pages" :key="one.key">
      <span class="cut">{{ one.name }}</span>
      <select
        class="pick"
        :class="{ named: one.named !== undefined }"
        :aria-label="`What ${one.name} shows`"
        :value="one.named ?? ''"
        @change="event => set(one.at, valueIn(event), `${one.name} shows ${titleIn(event)}`)"
      >
        <option value="">{{ one.named === undefined ? stays(one.key) : 'as before' }}</option>
        <option v-for="content in CONTENTS" :key="content" :value="content">{{ CONTENT_WORDS[content] }}</option>
      </select>
    </label>
    <label v-for="one in seen.movers" :key="one.device">
      <span class="cut">{{ one.name }}</span>
      <TypedField
        :class="{ named: look?.presets?.[one.device] !== undefined }"
        :value="look?.presets?.[one.device] ?? ''"
        :schema="positionSchema"
        :placeholder="`stays ${instant.presets[one.device] ?? 'where it is'}`"
        :aria-label="`Position of ${one.name}`"
        @done="text => set(['presets', one.device], text, `${one.name} to ${text || 'where it was'}`)"
      />
    </label>
  </section>
</template>

<style scoped>
.mixer {
  margin-top: 12px;
}
h3 {
  font: 650 15px/1.3 var(--words);
  margin: 0 0 4px;
}
label {
  display: grid;
  grid-template-columns: 112px minmax(0, 1fr);
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
label > span {
  color: var(--quiet);
}
.pick {
  width: 100%;
  min-width: 0;
  color: var(--quiet);
}
.pick.named {
  color: var(--text);
  font-weight: 650;
  border-color: var(--chosen);
}
</style>
