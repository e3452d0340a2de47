<script setup lang="ts">
import { useIdleKeys } from '~/ui/keys'
import { computed, nextTick, ref, watch } from 'vue'
import { number, string } from 'yup'
import {
  CATALOGUE_CURRENCY,
  type Model,
  carriesPicture,
  isCamera,
  makesOf,
  portsOf,
  ROLES,
  ROLE_WORDS,
} from '#core/catalog'
import { type KitLine, kitLines, kitMinor } from '#core/chain'
import {
  type Device,
  type Edit,
  type KitItem,
  type ValueAt,
  completePlan,
  emptyPlan,
  freshId,
  setEdit,
  slug,
} from '#core/document'
import { placesOf } from '#core/features/continuity'
import { removalEdits } from '#core/propose'
import { formatLabel, listFormats, parseFormatLabel } from '#core/signal'
import { lengthText, moneyText } from '#core/words'

import { useBoardStore } from '~/board/selection'
import { toMetres, toTyped, useUnits } from '~/shell/look'
import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'

const store = usePlanStore()
const notices = useNotices()
const selection = useBoardStore()
const units = useUnits()
const VIEWS = { devices: 'Devices', places: 'Places', counts: 'Counts', models: 'Models' } as const
const view = ref<keyof typeof VIEWS>('devices')
const chosen = ref<string>()
const adding = ref(false)
const housing = ref(false)
const filter = ref('')
const list = ref<HTMLElement>()

const plan = computed(() => completePlan(store.plan ?? emptyPlan('')))
const currency = computed(() => plan.value.brief.currency ?? CATALOGUE_CURRENCY)
const money = (minor: number) => moneyText(minor, currency.value)

const used = computed(() => {
  const ports = new Map<string, Set<string>>()
  for (const { from, to } of Object.values(plan.value.links))
    for (const end of [from, to])
      if (end) (ports.get(end.device) ?? ports.set(end.device, new Set()).get(end.device)!).add(end.port)
  return ports
})
const NONE: ReadonlySet<string> = new Set()
const matches = (...texts: string[]) =>
  filter.value
    .toLowerCase()
    .split(/\s+/)
    .every(word => texts.join(' ').toLowerCase().includes(word))
const groups = computed(() =>
  ROLES.map(role => ({
    role,
    title: ROLE_WORDS[role].many,
    devices: Object.entries(plan.value.devices)
      .filter(
        ([, device]) =>
          plan.value.models[device.model]!.role === role &&
          matches(device.name, plan.value.models[device.model]!.title),
      )
      .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1)),
  })).filter(({ devices }) => devices.length),
)
// Something is always chosen, so that the keys of the list work at once.
watch(
  [groups, view] as const,
  ([all, now]) => {
    if (now === 'devices' && !all.some(({ devices }) => devices.some(([id]) => id === chosen.value)))
      chosen.value = all[0]?.devices[0]?.[0]
  },
  { immediate: true },
)
function opened(): void {
  void nextTick(() => list.value?.focus({ preventScroll: true }))
}

const order = computed(() => groups.value.flatMap(({ devices }) => devices.map(([id]) => id)))
const device = computed<Device | undefined>(() =>
  chosen.value === undefined ? undefined : plan.value.devices[chosen.value],
)
const model = computed<Model | undefined>(() => (device.value ? plan.value.models[device.value.model] : undefined))

function choose(id: string): void {
  chosen.value = id
  void nextTick(() => document.getElementById(`device-${id}`)?.scrollIntoView({ block: 'nearest' }))
}
function listKeys(event: KeyboardEvent): void {
  const i = order.value.indexOf(chosen.value ?? '')
  if (event.key === 'ArrowDown') choose(order.value[Math.min(order.value.length - 1, i + 1)] ?? '')
  else if (event.key === 'ArrowUp') choose(order.value[Math.max(0, i - 1)] ?? '')
  else if (event.key === 'Enter') document.querySelector<HTMLElement>('.details .pick, .details button')?.focus()
  else if (event.key === 'Delete') void remove()
  else return
  event.preventDefault()
  event.stopPropagation()
}

async function set<const F extends readonly string[]>(
  field: F,
  value: ValueAt<readonly ['devices', string, ...F]> | string | undefined,
  words: string,
): Promise<void> {
  if (chosen.value === undefined) return
  const at = ['devices', chosen.value, ...field] as const
  await store.commit(words, [setEdit(at, value === '' ? undefined : (value as never))])
}
const formatsOf = (port: string) => listFormats(makesOf(model.value!, port, device.value?.mode)).map(formatLabel)
const formatNow = (port: string): string => {
  const format = device.value?.ports?.[port]?.format
  return format ? formatLabel(format) : (formatsOf(port)[0] ?? '')
}
async function setMode(mode: string): Promise<void> {
  if (chosen.value === undefined || !model.value) return
  // What the new mode cannot make is left to it.
  const edits: Edit[] = [{ do: 'set', at: ['devices', chosen.value, 'mode'], value: mode }]
  for (const [port, setting] of Object.entries(device.value?.ports ?? {})) {
    const makes = listFormats(makesOf(model.value, port, mode)).map(formatLabel)
    if (setting.format && makes.length && !makes.includes(formatLabel(setting.format)))
      edits.push({ do: 'set', at: ['devices', chosen.value, 'ports', port, 'format'] })
  }
  await store.commit(`${device.value!.name}: ${model.value.modes![mode]!.title}`, edits)
}

const outputs = computed(() => (model.value ? portsOf(model.value, 'out') : []))
const inputs = computed(() => (model.value ? portsOf(model.value, 'in') : []))
const labelSchema = string().max(24, 'at most 24 characters')
const airSchema = number()
  .transform((value, original) => (typeof original === 'string' ? Number(original.replace(',', '.')) : value))
  .typeError('a distance')
  .min(0, 'not below 0')
  .max(20_000, 'at most 20 000')
function setAir(text: string): void {
  void set(
    ['air'],
    text === '' ? undefined : { ...device.value?.air, m: toMetres(Number(text.replace(',', '.')), units.value) },
    `Way of ${device.value!.name} through the air`,
  )
}
/** Computers that a capture may hang on: not itself, and nothing that it houses. */
const hostsFor = (id: string) =>
  Object.entries(plan.value.devices).filter(
    ([other, one]) =>
      other !== id &&
      one.in !== id &&
      (plan.value.models[one.model]!.kind === 'computer' || plan.value.models[one.model]!.kind === 'controller'),
  )
const placeSchema = string().max(120, 'at most 120 characters')
const LIMIT_WORDS = {
  'power-off': 'switches itself off',
  'sleep': 'goes to sleep',
  'recording': 'stops recording',
} as const
const noteSchema = string().max(400, 'at most 400 characters')
const nameSchema = string().required('a name').max(120, 'at most 120 characters')
const delaySchema = number().typeError('milliseconds').min(0, 'not below 0').max(2000, 'at most 2000 ms')
function typed(
  event: Event,
  schema: { validateSync: (value: string) => unknown },
  take: (value: string) => void,
  was: string,
): void {
  const field = event.target as HTMLInputElement
  const value = field.value.trim()
  if (value === was) return
  try {
    if (value) schema.validateSync(value)
    else if (schema === nameSchema) throw new Error('a name')
    take(value)
  } catch (error) {
    notices.tell(`Not taken: ${(error as Error).message}`, 'wrong')
    field.value = was
  }
}

async function copy(): Promise<void> {
  if (!device.value || chosen.value === undefined) return
  const { name, model: modelId, order: place } = device.value
  const same = Object.values(plan.value.devices).filter(other => other.model === modelId).length
  const { in: _in, ports, ...rest } = device.value
  const id = freshId(slug(name), plan.value.devices, Math.random)
  const kept = Object.fromEntries(
    Object.entries(ports ?? {})
      .map(([port, { label: _label, ...setting }]) => [port, setting])
      .filter(([, setting]) => Object.keys(setting as object).length),
  )
  const value: Device = {
    ...rest,
    ...(rest.shot === 'safe' ? { shot: 'wide' } : {}),
    name: `${name.replace(/ \d+$/, '')} ${same + 1}`.slice(0, 120),
    order: place + 0.5,
    ...(Object.keys(kept).length ? { ports: kept } : {}),
  }
  if (await store.commit(`Copy ${name}`, [{ do: 'add', collection: 'devices', id, value }])) choose(id)
}
async function remove(): Promise<void> {
  if (chosen.value === undefined || !device.value) return
  const { name } = device.value
  const i = order.value.indexOf(chosen.value)
  const edits = removalEdits(store.plan!, chosen.value)
  chosen.value = order.value[i + 1] ?? order.value[i - 1]
  if (await store.commit(`Remove ${name}`, edits))
    notices.tell(`Remove ${name}`, 'info', { label: 'Undo', run: () => void store.undo() })
}

// --- counts ---
const lines = computed(() => kitLines(plan.value))
const sums = computed(() => kitMinor(plan.value))
type SortKey = 'title' | 'needed' | 'missing' | 'minor'
const sort = ref<{ key: SortKey; down: boolean }>({ key: 'title', down: false })
const shownLines = computed(() => {
  const { key, down } = sort.value
  const rows = lines.value.filter(line => matches(line.title))
  return key === 'title' && !down
    ? rows
    : [...rows].sort((a, b) => (a[key] < b[key] ? -1 : a[key] > b[key] ? 1 : 0) * (down ? -1 : 1))
})
function sortBy(key: SortKey): void {
  sort.value = { key, down: sort.value.key === key ? !sort.value.down : key !== 'title' }
}
const nameOf = (line: KitLine) =>
  line.pieceM === undefined ? line.title : `${line.title}, ${lengthText(line.pieceM, units.value)}`

async function count(line: KitLine, field: 'owned' | 'hired' | 'bought', value: number): Promise<void> {
  const whole = Math.max(0, Math.min(9999, Math.round(value)))
  if (!Number.isFinite(value) || whole === line[field]) return
  const words = `${nameOf(line)}: ${whole} ${field === 'bought' ? 'to buy' : field}`
  if (line.item !== undefined) {
    await store.commit(words, [
      setEdit(['kit', line.item, field], whole === 0 && field !== 'owned' ? undefined : whole),
    ])
    return
  }
  const value_: KitItem = {
    kind: line.kind,
    id: line.id,
    ...(line.pieceM === undefined ? {} : { pieceM: line.pieceM }),
    owned: 0,
    ...{ [field]: whole },
  }
  await store.commit(words, [
    { do: 'add', collection: 'kit', id: freshId(line.id, plan.value.kit, Math.random), value: value_ },
  ])
}
async function ownAll(): Promise<void> {
  const edits = lines.value
    .filter(({ item, needed }) => item === undefined && needed > 0)
    .map((line): Edit => ({
      do: 'add',
      collection: 'kit',
      id: freshId(line.id, plan.value.kit, Math.random),
      value: {
        kind: line.kind,
        id: line.id,
        ...(line.pieceM === undefined ? {} : { pieceM: line.pieceM }),
        owned: line.needed,
      },
    }))
  if (edits.length) await store.commit('Count what is used as owned', edits)
}
async function copyTable(): Promise<void> {
  const rows = shownLines.value.map(line =>
    [nameOf(line), line.needed, line.owned, line.hired, line.bought, line.missing, money(line.minor)].join('\t'),
  )
  await navigator.clipboard.writeText(['Item\tNeeded\tOwned\tHired\tTo buy\tMissing\tPrice of one', ...rows].join('\n'))
  notices.tell('The table is in the clipboard.')
}
const uncounted = computed(() => lines.value.filter(({ item, needed }) => item === undefined && needed > 0).length)
function added(id: string): void {
  adding.value = false
  if (id) choose(id)
}
const empty = computed(() => Object.keys(plan.value.devices).length === 0)
const keys = computed<readonly (readonly [string, string])[]>(() =>
  view.value === 'devices'
    ? [
        ['\u2191\u2193', 'choose'],
        ['Enter', 'settings'],
        ['Del', 'remove'],
        ['[ ]', 'screens'],
        ['Ctrl Z', 'undo'],
        ['?', 'keys'],
      ]
    : view.value === 'places'
      ? [
          ['Enter', 'next place'],
          ['Tab', 'next field'],
          ['[ ]', 'screens'],
          ['Ctrl Z', 'undo'],
          ['?', 'keys'],
        ]
      : view.value === 'models'
        ? [
            ['Tab', 'next model'],
            ['Enter', 'choose'],
            ['[ ]', 'screens'],
            ['Ctrl Z', 'undo'],
            ['?', 'keys'],
          ]
        : [
            ['Tab', 'next count'],
            ['\u2191\u2193', 'one more, one less'],
            ['[ ]', 'screens'],
            ['Ctrl Z', 'undo'],
            ['?', 'keys'],
          ],
)

useIdleKeys(event => {
  if (view.value === 'devices' && !adding.value && !housing.value) listKeys(event)
})
</script>

<template>
  <PlanFrame
    screen="kit"
    @opened="opened"
    :keys="keys"
    :foot-name="device?.name"
    :busy="adding || housing || selection.dialog !== undefined"
  >
    <template #controls
      ><template v-if="store.plan">
        <div class="tabs" role="tablist" aria-label="View">
          <button
            v-for="(title, one) in VIEWS"
            :key="one"
            type="button"
            role="tab"
            :aria-selected="view === one"
            :class="{ on: view === one }"
            @click="view = one"
          >
            {{ title }}
          </button>
        </div>
        <input v-model="filter" class="pick" type="search" placeholder="Filter" aria-label="Filter" />
        <span class="quiet small sums"
          >{{ money(sums.hire) }} hire, {{ money(sums.buy) }} to buy<template v-if="sums.missing"
            >, {{ money(sums.missing) }} for what is missing</template
          ></span
        >
        <template v-if="view === 'counts'">
          <button v-if="uncounted" type="button" class="btn small" @click="ownAll">
            Count {{ uncounted }} more as owned
          </button>
          <button type="button" class="btn small" @click="housing = true">A cable of the house</button>
          <button type="button" class="btn small" @click="copyTable">Copy as text</button>
        </template>
        <button type="button" class="btn small" @click="adding = true">Add a device</button>
      </template></template
    >
    <div v-if="store.plan" class="kit">
      <ModelsView v-if="view === 'models'" :filter="filter" />
      <div v-else-if="empty" class="screen">
        <h2>No kit yet</h2>
        <p>Devices come in on Runs or here; cables are counted as they are laid.</p>
        <button class="btn primary" type="button" @click="adding = true">Add a device</button>
      </div>
      <PlacesView v-else-if="view === 'places'" :filter="filter" />
      <div v-else-if="view === 'devices'" class="two">
        <div
          ref="list"
          class="list"
          role="listbox"
          tabindex="0"
          aria-label="Devices"
          :aria-activedescendant="chosen ? `device-${chosen}` : undefined"
          @keydown="listKeys"
        >
          <template v-for="group in groups" :key="group.role">
            <div class="group small quiet" role="presentation">{{ group.title }}, {{ group.devices.length }}</div>
            <div
              v-for="[id, one] in group.devices"
              :id="`device-${id}`"
              :key="id"
              role="option"
              class="row"
              :aria-selected="id === chosen"
              :class="{ on: id === chosen }"
              @click="choose(id)"
            >
              <span class="names"
                ><b class="cut">{{ one.name }}</b
                ><span class="small quiet cut">{{ plan.models[one.model]!.title }}</span></span
              >
              <PortStrip :model="plan.models[one.model]!" :used="used.get(id) ?? NONE" />
            </div>
          </template>
          <p v-if="groups.length === 0" class="quiet none">Nothing is called that.</p>
        </div>
        <section
          v-if="device && model && chosen"
          :key="chosen"
          class="details"
          :aria-label="`Settings of ${device.name}`"
        >
          <input
            class="pick title"
            :value="device.name"
            aria-label="Name"
            @change="
              event => typed(event, nameSchema, value => set(['name'], value, `Rename to ${value}`), device!.name)
            "
          />
          <p class="quiet">{{ model.title }}. {{ model.watts }}&nbsp;W, {{ money(model.priceMinor) }}.</p>
          <dl>
            <template v-if="model.standards?.length">
              <dt>Operating standard</dt>
              <dd>
                <select
                  class="pick"
                  aria-label="Operating standard"
                  :value="
                    device.standard ? formatLabel(device.standard) : formatLabel(listFormats(model.standards)[0]!)
                  "
                  @change="
                    event =>
                      set(
                        ['standard'],
                        parseFormatLabel((event.target as HTMLSelectElement).value),
                        `${device!.name} to ${(event.target as HTMLSelectElement).value}`,
                      )
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
                  @change="event => setMode((event.target as HTMLSelectElement).value)"
                >
                  <option v-for="(mode, id) in model.modes" :key="id" :value="id">{{ mode.title }}</option>
                </select>
              </dd>
            </template>
            <template v-for="[id, port] in outputs" :key="id">
              <dt>{{ port.title }}<span v-if="!used.get(chosen)?.has(id)" class="small quiet free">free</span></dt>
              <dd>
                <select
                  v-if="formatsOf(id).length"
                  class="pick"
                  :aria-label="`Format of ${port.title}`"
                  :value="formatNow(id)"
                  @change="
                    event =>
                      set(
                        ['ports', id, 'format'],
                        parseFormatLabel((event.target as HTMLSelectElement).value),
                        `${device!.name} to ${(event.target as HTMLSelectElement).value}`,
                      )
                  "
                >
                  <option v-for="label in formatsOf(id)" :key="label">{{ label }}</option>
                  <option v-if="!formatsOf(id).includes(formatNow(id))" disabled>{{ formatNow(id) }}</option>
                </select>
                <select
                  v-if="port.feeds && port.feeds.length > 1"
                  class="pick"
                  :aria-label="`${port.title} carries`"
                  :value="device.ports?.[id]?.feed ?? port.feeds[0]"
                  @change="
                    event =>
                      set(
                        ['ports', id, 'feed'],
                        (event.target as HTMLSelectElement).value,
                        `${device!.name} ${port.title} carries ${(event.target as HTMLSelectElement).value}`,
                      )
                  "
                >
                  <option v-for="feed in port.feeds" :key="feed">{{ feed }}</option>
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
              <dt>{{ port.title }}<span v-if="!used.get(chosen)?.has(id)" class="small quiet free">free</span></dt>
              <dd>
                <template v-if="model.role === 'switcher'">
                  <input
                    v-if="carriesPicture(port)"
                    class="pick label"
                    :value="device.ports?.[id]?.label ?? ''"
                    placeholder="label"
                    :aria-label="`Label of ${port.title}`"
                    @change="
                      event =>
                        typed(
                          event,
                          labelSchema,
                          value => set(['ports', id, 'label'], value, `Label ${value}`),
                          device!.ports?.[id]?.label ?? '',
                        )
                    "
                  />
                  <select
                    v-if="port.sound"
                    class="pick"
                    :aria-label="`Sound of ${port.title}`"
                    :value="device.ports?.[id]?.sound ?? (port.carries === 'sound' ? 'fixed' : 'shut')"
                    @change="
                      event =>
                        set(['ports', id, 'sound'], (event.target as HTMLSelectElement).value, `Sound of ${port.title}`)
                    "
                  >
                    <option value="shut">sound shut</option>
                    <option value="fixed">sound open</option>
                    <option value="follows">sound follows the picture</option>
                  </select>
                  <span v-if="port.sound && port.carries === 'sound'" class="held"
                    ><input
                      class="pick ms"
                      inputmode="numeric"
                      :value="device.ports?.[id]?.soundDelayMs ?? 0"
                      :aria-label="`Delay of ${port.title}, milliseconds`"
                      @change="
                        event =>
                          typed(
                            event,
                            delaySchema,
                            value =>
                              set(['ports', id, 'soundDelayMs'], Number(value) || undefined, `Hold ${port.title} back`),
                            String(device!.ports?.[id]?.soundDelayMs ?? 0),
                          )
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
            <template v-if="isCamera(model)">
              <dt>Shutter</dt>
              <dd class="quiet small">
                {{ device.shutter ? `1/${device.shutter} s` : 'its own' }}, {{ device.shot ?? 'no shot said' }},
                {{ device.manned ? 'manned' : 'unmanned' }}: on Brief
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
                    @change="
                      set(
                        ['limitsOff'],
                        (event => (event.target as HTMLInputElement).checked || undefined)($event),
                        `What ends ${device!.name} by itself`,
                      )
                    "
                  />
                  switched off</label
                >
              </dd>
            </template>
            <template v-if="model.radio">
              <dt>Through the air</dt>
              <dd class="small">
                <input
                  class="pick ms"
                  inputmode="decimal"
                  :value="device.air ? toTyped(device.air.m, units) : ''"
                  placeholder="how far"
                  aria-label="Distance through the air"
                  @change="event => typed(event, airSchema, setAir, device!.air ? toTyped(device!.air.m, units) : '')"
                />
                {{ units.length }}
                <template v-if="device.air">
                  <label class="check"
                    ><input
                      type="checkbox"
                      :checked="device.air.crowd === true"
                      @change="
                        event =>
                          set(
                            ['air', 'crowd'],
                            (event.target as HTMLInputElement).checked || undefined,
                            `Crowd before ${device!.name}`,
                          )
                      "
                    />
                    a crowd between</label
                  >
                  <label class="check"
                    ><input
                      type="checkbox"
                      :checked="device.air.wall === true"
                      @change="
                        event =>
                          set(
                            ['air', 'wall'],
                            (event.target as HTMLInputElement).checked || undefined,
                            `Wall before ${device!.name}`,
                          )
                      "
                    />
                    a wall between</label
                  >
                  <select
                    class="pick"
                    aria-label="Channel"
                    :value="device.air.channel ?? ''"
                    @change="
                      event =>
                        set(
                          ['air', 'channel'],
                          Number((event.target as HTMLSelectElement).value) || undefined,
                          `Channel of ${device!.name}`,
                        )
                    "
                  >
                    <option value="">no channel said</option>
                    <option v-for="n in model.radio.channels" :key="n" :value="n">channel {{ n }}</option>
                  </select>
                </template>
              </dd>
            </template>
            <template v-if="model.usb">
              <dt>In</dt>
              <dd>
                <select
                  class="pick"
                  aria-label="Computer that it hangs on"
                  :value="device.in ?? ''"
                  @change="
                    event =>
                      set(['in'], (event.target as HTMLSelectElement).value, `${device!.name} hangs on a computer`)
                  "
                >
                  <option value="">a USB controller of its own</option>
                  <option v-for="[id, one] in hostsFor(chosen)" :key="id" :value="id">the USB of {{ one.name }}</option>
                </select>
              </dd>
            </template>
            <dt>Place</dt>
            <dd>
              <input
                class="pick"
                list="places"
                :value="device.place ?? ''"
                placeholder="where it stands"
                aria-label="Place"
                @change="
                  event =>
                    typed(
                      event,
                      placeSchema,
                      value => set(['place'], value, `Place of ${device!.name}`),
                      device!.place ?? '',
                    )
                "
              /><datalist id="places"><option v-for="place in placesOf(plan)" :key="place" :value="place" /></datalist>
            </dd>
            <dt>Note</dt>
            <dd>
              <textarea
                class="pick note"
                rows="2"
                :value="device.note ?? ''"
                aria-label="Note"
                @change="
                  event =>
                    typed(
                      event,
                      noteSchema,
                      value => set(['note'], value, `Note on ${device!.name}`),
                      device!.note ?? '',
                    )
                "
              />
            </dd>
          </dl>
          <div class="hands">
            <button class="btn small" type="button" @click="copy">Copy it</button
            ><button class="btn small" type="button" @click="remove">Remove <span class="key">Del</span></button>
          </div>
        </section>
        <section v-else class="details quiet"><p>Choose a device to see what can be set on it.</p></section>
      </div>
      <div v-else class="counts">
        <table class="sheet-table">
          <thead>
            <tr>
              <th><button type="button" @click="sortBy('title')">Item</button></th>
              <th class="num"><button type="button" @click="sortBy('needed')">needed</button></th>
              <th class="num">owned</th>
              <th class="num">hired</th>
              <th class="num">to buy</th>
              <th class="num"><button type="button" @click="sortBy('missing')">missing</button></th>
              <th class="num"><button type="button" @click="sortBy('minor')">price of one</button></th>
              <th class="num">hire of one</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="line in shownLines"
              :key="line.key"
              :class="{ short: line.missing > 0 && line.item !== undefined }"
            >
              <td>{{ nameOf(line) }}</td>
              <td class="num">{{ line.needed }}</td>
              <td v-for="field in ['owned', 'hired', 'bought'] as const" :key="field" class="num">
                <input
                  class="pick count"
                  :class="{ nothing: line.item === undefined }"
                  type="number"
                  min="0"
                  max="9999"
                  :value="line.item === undefined ? '' : line[field]"
                  :placeholder="line.item === undefined ? '–' : ''"
                  :aria-label="`${nameOf(line)}: ${field === 'bought' ? 'to buy' : field}`"
                  @change="event => count(line, field, Number((event.target as HTMLInputElement).value))"
                />
              </td>
              <td class="num">
                <b v-if="line.missing > 0 && line.item !== undefined">{{ line.missing }}</b><span
                  v-else
                  class="quiet"
                  >{{ line.item === undefined ? 'not counted' : '0' }}</span
                >
              </td>
              <td class="num">{{ money(line.minor) }}</td>
              <td class="num">{{ money(line.hireMinor) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <LazyHouseCableDialog v-if="housing" @close="housing = false" />
    <LazyAddDialog v-if="adding" open :role="undefined" @close="adding = false" @added="added" />
  </PlanFrame>
</template>

<style scoped>
.kit {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
.tabs {
  display: flex;
  gap: 4px;
}
.tabs button {
  height: 43px;
  padding: 0 10px;
  color: var(--quiet);
  border-bottom: 2px solid transparent;
}
.tabs button.on {
  color: var(--text);
  font-weight: 650;
  border-bottom-color: var(--chosen);
}
.sums {
  margin-left: auto;
}
.two {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 11fr) minmax(0, 10fr);
}
.list {
  overflow-y: auto;
  min-height: 0;
  padding: 0 0 24px;
  border-right: 1px solid var(--line);
}
.group {
  padding: 14px 16px 4px;
  border-bottom: 1px solid var(--line);
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
.names b {
  font-weight: 650;
}
.none {
  padding: 16px;
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
.counts {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 8px 16px 40px;
}
.count {
  width: 8ch;
  text-align: right;
  font-family: var(--figures);
  font-size: 13px;
}
.count.nothing {
  border-style: dashed;
}
.short td {
  color: var(--light);
}
th button {
  color: inherit;
  font-size: inherit;
  text-decoration: underline;
  text-decoration-color: var(--line);
  text-underline-offset: 3px;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: minmax(200px, 1fr) fit-content(56%);
  }
  .list {
    border-right: 0;
    border-bottom: 1px solid var(--border);
  }
}
</style>
