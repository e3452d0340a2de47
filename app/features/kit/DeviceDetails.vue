<script setup lang="ts">
import { computed } from 'vue'
import { number, string } from 'yup'
import { CATALOGUE_CURRENCY, bodyOf, carriesPicture, isCamera, makesOf, portsOf } from '#core/catalog'
import { choicesAt, pointEdits, pointedAt, pointedWords } from '#core/chain'
import { EVERYWHERE, type Edit, type ValueAt, completePlan, setEdit } from '#core/document'
import { placesOf } from '#core/features/continuity'
import { formatLabel, listFormats, parseFormatLabel } from '#core/signal'
import { WHAT_IS_RIGHT, moneyText } from '#core/words'

import { usePlanStore } from '~/plan/store'
import AddressPart from './AddressPart.vue'
import AimPart from './AimPart.vue'
import ViewedPart from './ViewedPart.vue'
import { decimal, distanceSchema, labelSchema, nameSchema, placeSchema, sectionSchema, voltsSchema } from '~/ui/typed'

/** All that can be set on one device of the plan. */
const props = defineProps<{ deviceId: string; used: ReadonlySet<string> }>()
const emit = defineEmits<{ copy: []; remove: [] }>()
const store = usePlanStore()
const plan = computed(() => completePlan(store.plan!))
const device = computed(() => plan.value.devices[props.deviceId]!)
const model = computed(() => plan.value.models[device.value.model]!)
const RIGHT: Readonly<Record<string, string>> = {
  radio: WHAT_IS_RIGHT.radio,
  decoder: WHAT_IS_RIGHT.decoder,
  network: WHAT_IS_RIGHT.network,
}
const right = computed(() => RIGHT[model.value.kind ?? ''])
const money = (minor: number) => moneyText(minor, plan.value.brief.currency ?? CATALOGUE_CURRENCY)

async function set<const F extends readonly string[]>(
  field: F,
  value: ValueAt<readonly ['devices', string, ...F]> | string | undefined,
  words: string,
): Promise<void> {
  const at = ['devices', props.deviceId, ...field] as const
  await store.commit(words, [setEdit(at, value === '' ? undefined : (value as never))])
}
const formatsOf = (port: string) => listFormats(makesOf(model.value, port, device.value.mode)).map(formatLabel)
const formatNow = (port: string): string => {
  const format = device.value.ports?.[port]?.format
  return format ? formatLabel(format) : (formatsOf(port)[0] ?? '')
}
async function point(port: string, pointed: string): Promise<void> {
  const words = `${device.value.name} ${model.value.ports[port]!.title} carries ${pointedWords({ model: model.value }, pointed)}`
  await store.commit(words.slice(0, 120), pointEdits({ id: props.deviceId, device: device.value }, port, pointed))
}
async function setMode(mode: string): Promise<void> {
  // What the new mode cannot make is left to it.
  const edits: Edit[] = [{ do: 'set', at: ['devices', props.deviceId, 'mode'], value: mode }]
  for (const [port, setting] of Object.entries(device.value.ports ?? {})) {
    const makes = listFormats(makesOf(model.value, port, mode)).map(formatLabel)
    if (setting.format && makes.length && !makes.includes(formatLabel(setting.format)))
      edits.push({ do: 'set', at: ['devices', props.deviceId, 'ports', port, 'format'] })
  }
  await store.commit(`${device.value.name}: ${model.value.modes![mode]!.title}`, edits)
}

/** Switchers that could light its lamp. */
const lamps = computed(() =>
  Object.entries(plan.value.devices).flatMap(([id, { name, model: key }]) =>
    plan.value.models[key]?.role === 'switcher' ? [{ id, name }] : [],
  ),
)
const outputs = computed(() => portsOf(model.value, 'out'))
const inputs = computed(() => portsOf(model.value, 'in'))
/** Receivers: the link whose other end it is. */
const radio = computed(
  () =>
    Object.values(plan.value.devices).find(({ ports = {} }) =>
      Object.values(ports).some(({ receiver }) => receiver === props.deviceId),
    )?.name,
)
const low = computed(() => bodyOf(model.value).dc)
/** A supply by its voltage; without one the device has its own again. A new one comes with two metres of 1 mm². */
function setLow(part: 'volts' | 'm' | 'mm2', text: string): void {
  const now = device.value.dc ?? { volts: 12, m: 2, mm2: 1 }
  void set(
    ['dc'],
    text === '' ? (part === 'volts' ? undefined : now) : { ...now, [part]: decimal(text) },
    `Low-voltage supply of ${device.value.name}`,
  )
}
/** Computers that a capture may hang on: not itself, and nothing that it houses. */
const hosts = computed(() =>
  Object.entries(plan.value.devices).filter(
    ([other, one]) =>
      other !== props.deviceId &&
      one.in !== props.deviceId &&
      (plan.value.models[one.model]!.kind === 'computer' || plan.value.models[one.model]!.kind === 'controller'),
  ),
)
const LIMIT_WORDS = {
  'power-off': 'switches itself off',
  'sleep': 'goes to sleep',
  'recording': 'stops recording',
} as const
/** Has a socket of the network, for control or for its picture; or sends over a line of the house. */
const networked = computed(
  () =>
    Object.values(model.value.ports).some(
      ({ carries, connector }) => connector === '8p8c' && (carries === 'control' || carries === 'network'),
    ) || Object.values(plan.value.uplinks).some(({ encoders = {} }) => Object.hasOwn(encoders, props.deviceId)),
)
const noteSchema = string().max(400, 'at most 400 characters')
const delaySchema = number().typeError('milliseconds').min(0, 'not below 0').max(2000, 'at most 2000 ms')
const figure = (lowest: number, highest: number, whole = true) => {
  const one = number()
    .transform((value: number, given: unknown) => (given === '' ? undefined : value))
    .typeError('a figure')
    .min(lowest, `at least ${lowest}`)
    .max(highest, `at most ${highest}`)
  return whole ? one.integer('a whole number') : one
}
/** What is set alike at all cameras; the paper that matches them has it. */
const MATCHED = [
  { field: 'whiteK', title: 'White point', unit: 'K', schema: figure(1500, 20_000) },
  { field: 'aperture', title: 'Aperture', unit: 'n of f/n', schema: figure(0.7, 64, false) },
  { field: 'iso', title: 'Sensitivity', unit: 'ISO', schema: figure(25, 500_000) },
] as const
const chosenIn = (event: Event): string => (event.target as HTMLSelectElement).value
const ticked = (event: Event): true | undefined => (event.target as HTMLInputElement).checked || undefined
</script>

<template>
  <section class="details" :aria-label="`Settings of ${device.name}`">
    <TypedField
      class="title"
      :value="device.name"
      :schema="nameSchema"
      needs="a name"
      aria-label="Name"
      @done="value => set(['name'], value, `Rename to ${value}`)"
    />
    <p class="quiet">{{ model.title }}. {{ model.watts }}&nbsp;W, {{ money(model.priceMinor) }}.</p>
    <p v-if="right" class="small quiet">{{ right }}</p>
    <dl>
      <template v-if="model.standards?.length">
        <dt>Operating standard</dt>
        <dd>
          <select
            class="pick"
            aria-label="Operating standard"
            :value="device.standard ? formatLabel(device.standard) : formatLabel(listFormats(model.standards)[0]!)"
            @change="
              event => set(['standard'], parseFormatLabel(chosenIn(event)), `${device.name} to ${chosenIn(event)}`)
            "
          >
            <option v-for="label in listFormats(model.standards).map(formatLabel)" :key="label">
              {{ label }}
            </option>
          </select>
        </dd>
      </template>
      <template v-if="model.modes">
        <dt>Mode</dt>
        <dd>
          <select
            class="pick"
            aria-label="Mode"
            :value="device.mode ?? Object.keys(model.modes)[0]"
            @change="event => setMode(chosenIn(event))"
          >
            <option v-for="(mode, id) in model.modes" :key="id" :value="id">{{ mode.title }}</option>
          </select>
        </dd>
      </template>
      <template v-for="[id, port] in outputs" :key="id">
        <dt>{{ port.title }}<span v-if="!used.has(id)" class="small quiet free">free</span></dt>
        <dd>
          <select
            v-if="formatsOf(id).length"
            class="pick"
            :aria-label="`Format of ${port.title}`"
            :value="formatNow(id)"
            @change="
              event =>
                set(['ports', id, 'format'], parseFormatLabel(chosenIn(event)), `${device.name} to ${chosenIn(event)}`)
            "
          >
            <option v-for="label in formatsOf(id)" :key="label">{{ label }}</option>
            <option v-if="!formatsOf(id).includes(formatNow(id))" disabled>{{ formatNow(id) }}</option>
          </select>
          <select
            v-if="port.feeds && port.feeds.length > 1"
            class="pick"
            :aria-label="`${port.title} carries`"
            :value="pointedAt({ device, model }, id)"
            @change="event => point(id, chosenIn(event))"
          >
            <option v-for="one in choicesAt({ model }, id)" :key="one" :value="one">
              {{ pointedWords({ model }, one) }}
            </option>
          </select>
          <span v-else-if="port.feeds" class="figures">{{ port.feeds[0] }}</span>
          <PortTraits
            :id="id"
            :port="port"
            :device="device"
            :model="model"
            @set="(field, value, words) => set(['ports', id, field], value, words)"
          >
            <span v-if="!formatsOf(id).length && !port.feeds" class="quiet small">{{
              port.carries === 'sound' || port.carries === 'control' ? port.carries : 'passes what comes'
            }}</span>
          </PortTraits>
        </dd>
      </template>
      <template v-for="[id, port] in inputs" :key="id">
        <dt>{{ port.title }}<span v-if="!used.has(id)" class="small quiet free">free</span></dt>
        <dd>
          <template v-if="model.role === 'switcher'">
            <TypedField
              v-if="carriesPicture(port)"
              class="label"
              :value="device.ports?.[id]?.label ?? ''"
              :schema="labelSchema"
              placeholder="label"
              :aria-label="`Label of ${port.title}`"
              @done="value => set(['ports', id, 'label'], value, `Label ${value}`)"
            />
            <select
              v-if="port.sound"
              class="pick"
              :aria-label="`Sound of ${port.title}`"
              :value="device.ports?.[id]?.sound ?? (port.carries === 'sound' ? 'fixed' : 'shut')"
              @change="event => set(['ports', id, 'sound'], chosenIn(event), `Sound of ${port.title}`)"
            >
              <option value="shut">sound shut</option>
              <option value="fixed">sound open</option>
              <option value="follows">sound follows the picture</option>
            </select>
            <span v-if="port.sound && port.carries === 'sound'" class="held"
              ><TypedField
                class="ms"
                inputmode="numeric"
                :value="device.ports?.[id]?.soundDelayMs ?? 0"
                :schema="delaySchema"
                :aria-label="`Delay of ${port.title}, milliseconds`"
                @done="
                  value => set(['ports', id, 'soundDelayMs'], Number(value) || undefined, `Hold ${port.title} back`)
                "
              />
              ms</span
            >
          </template>
          <PortTraits
            :id="id"
            :port="port"
            :device="device"
            :model="model"
            @set="(field, value, words) => set(['ports', id, field], value, words)"
          />
          <span v-if="model.role !== 'switcher'" class="quiet small">{{
            port.carries === 'control'
              ? 'control'
              : port.takes === 'standard'
                ? 'the standard alone'
                : Array.isArray(port.takes)
                  ? `${listFormats(port.takes).length} formats`
                  : 'what its class carries'
          }}</span>
        </dd>
      </template>
      <template v-if="Object.values(model.ports).some(({ poe }) => poe && 'takes' in poe)">
        <dt>Fed</dt>
        <dd>
          <select
            class="pick"
            aria-label="Fed"
            :value="device.fed ?? ''"
            @change="event => set(['fed'], chosenIn(event), `How ${device.name} is fed`)"
          >
            <option value="">as its network lead allows</option>
            <option value="poe">over its network lead</option>
            <option value="supply">by a supply of its own</option>
          </select>
        </dd>
      </template>
      <template v-if="isCamera(model)">
        <dt>Shutter</dt>
        <dd class="quiet small">
          {{ device.shutter ? `1/${device.shutter} s` : 'its own' }}, {{ device.shot ?? 'no shot said' }},
          {{ device.manned ? 'manned' : 'unmanned' }}: on Brief
        </dd>
        <template v-for="one in MATCHED" :key="one.field">
          <dt>{{ one.title }}</dt>
          <dd class="small">
            <TypedField
              class="ms"
              inputmode="decimal"
              :value="device[one.field] ?? ''"
              :schema="one.schema"
              placeholder="as it is"
              :aria-label="`${one.title}, ${one.unit}`"
              @done="
                value =>
                  set(
                    [one.field],
                    value === '' ? undefined : (decimal(value) as never),
                    `${one.title} of ${device.name}`,
                  )
              "
            />
            {{ one.unit }}
          </dd>
        </template>
      </template>
      <template v-if="model.role === 'source' && (lamps.length || device.tally)">
        <dt>Lamp lit</dt>
        <dd>
          <select
            class="pick"
            aria-label="What lights its lamp"
            :value="device.tally ?? ''"
            @change="event => set(['tally'], chosenIn(event), `Lamp of ${device.name}`)"
          >
            <option value="">none, or nobody said</option>
            <option :value="EVERYWHERE">by every switcher on the way</option>
            <option v-for="lamp in lamps" :key="lamp.id" :value="lamp.id">by {{ lamp.name }} alone</option>
            <option
              v-if="device.tally && device.tally !== EVERYWHERE && !plan.devices[device.tally]"
              :value="device.tally"
            >
              {{ device.tally }}, gone
            </option>
          </select>
        </dd>
      </template>
      <template v-if="model.limits?.length">
        <dt>By itself</dt>
        <dd>
          <span class="small">{{
            model.limits.map(({ what, minutes }) => `${LIMIT_WORDS[what]} after ${minutes} min`).join(', ')
          }}</span><label v-if="model.limits.some(({ settable }) => settable)" class="small check"
            ><input
              type="checkbox"
              :checked="device.limitsOff === true"
              @change="set(['limitsOff'], ticked($event), `What ends ${device.name} by itself`)"
            />
            switched off</label
          >
        </dd>
      </template>
      <AimPart v-if="isCamera(model)" :device :model @set="(aim, words) => set(['aim'], aim as never, words)" />
      <ViewedPart
        v-if="model.kind === 'screen'"
        :device
        @set="(viewed, words) => set(['viewed'], viewed as never, words)"
      />
      <AddressPart
        v-if="networked"
        :device
        :model
        @set="(field, value, words) => set([field], value as never, words)"
      />
      <RadioPart v-if="model.kind === 'radio'" :device-id="deviceId" :device :model />
      <template v-if="model.kind === 'receiver'">
        <dt>Receives</dt>
        <dd class="small">{{ radio ? `the picture of ${radio}` : 'nothing: no radio link names it' }}</dd>
      </template>
      <template v-if="model.usb">
        <dt>In</dt>
        <dd>
          <select
            class="pick"
            aria-label="Computer that it hangs on"
            :value="device.in ?? ''"
            @change="event => set(['in'], chosenIn(event), `${device.name} hangs on a computer`)"
          >
            <option value="">a USB controller of its own</option>
            <option v-for="[id, one] in hosts" :key="id" :value="id">the USB of {{ one.name }}</option>
          </select>
        </dd>
      </template>
      <template v-if="low || device.dc">
        <dt>Supply</dt>
        <dd class="low">
          <label
            ><TypedField
              class="figures"
              inputmode="decimal"
              :value="device.dc?.volts ?? ''"
              :schema="voltsSchema"
              placeholder="its own"
              aria-label="Low-voltage supply, V"
              @done="text => setLow('volts', text)"
            />
            V</label
          >
          <template v-if="device.dc">
            <label
              >over
              <TypedField
                class="figures"
                inputmode="decimal"
                :value="device.dc.m"
                :schema="distanceSchema"
                aria-label="Lead of the supply, m"
                @done="text => setLow('m', text)"
              />
              m of</label
            >
            <label
              ><TypedField
                class="figures"
                inputmode="decimal"
                :value="device.dc.mm2"
                :schema="sectionSchema"
                aria-label="Cross-section of the lead, mm²"
                @done="text => setLow('mm2', text)"
              />
              mm²</label
            >
          </template>
          <span v-if="low" class="small quiet">takes {{ low.minV }} to {{ low.maxV }}&nbsp;V</span>
        </dd>
      </template>
      <dt>Place</dt>
      <dd>
        <TypedField
          list="places"
          :value="device.place ?? ''"
          :schema="placeSchema"
          placeholder="where it stands"
          aria-label="Place"
          @done="value => set(['place'], value, `Place of ${device.name}`)"
        /><datalist id="places"><option v-for="place in placesOf(plan)" :key="place" :value="place" /></datalist>
      </dd>
      <dt>Note</dt>
      <dd>
        <TypedField
          class="note"
          :lines="2"
          :value="device.note ?? ''"
          :schema="noteSchema"
          aria-label="Note"
          @done="value => set(['note'], value, `Note on ${device.name}`)"
        />
      </dd>
    </dl>
    <div class="hands">
      <button class="btn small" type="button" @click="emit('copy')">Copy it</button
      ><button class="btn small" type="button" @click="emit('remove')">Remove <span class="key">Del</span></button>
    </div>
  </section>
</template>

<style scoped>
.low {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
}
.low label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.low :deep(input) {
  width: 88px;
}
.details {
  overflow-y: auto;
  min-height: 0;
  padding: 16px 24px 32px;
}
.title {
  font-size: 20px;
  font-weight: 650;
  width: 100%;
  border-color: transparent;
  margin-left: -9px;
}
.title:hover,
.title:focus {
  border-color: var(--border);
}
.details p {
  margin: 2px 0 12px;
}
dl {
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 6px 16px;
  margin: 0;
  align-items: center;
}
dt {
  line-height: 1.25;
}
.free {
  margin-left: 6px;
}
dd {
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.label {
  width: 12ch;
}
.check {
  display: flex;
  gap: 6px;
  align-items: center;
}
.ms {
  width: 7ch;
  text-align: right;
}
.note {
  width: 100%;
  resize: vertical;
  line-height: 1.35;
}
.hands {
  display: flex;
  gap: 8px;
  margin-top: 16px;
}
</style>
