<script setup lang="ts">
import ViewTabs from '~/ui/ViewTabs.vue'
import { useIdleKeys } from '~/ui/keys'
import { computed, nextTick, ref, watch } from 'vue'
import { CATALOGUE_CURRENCY, type Model, ROLES, ROLE_WORDS } from '#core/catalog'
import { kitMinor } from '#core/chain'
import { type Device, type Edit, completePlan, emptyPlan, copiedDevice, freshId, slug } from '#core/document'
import { moneyText } from '#core/words'

import type CountsView from './CountsView.vue'
import { useBoardStore } from '~/board/selection'

import { useNotices } from '~/shell/notices'
import { usePlanStore } from '~/plan/store'
import { matches } from '~/ui/typed'

const store = usePlanStore()
const notices = useNotices()
const selection = useBoardStore()
const VIEWS = { devices: 'Devices', places: 'Places', counts: 'Counts', models: 'Models' } as const
const view = ref<keyof typeof VIEWS>('devices')
const chosen = ref<string>()
const adding = ref(false)
const housing = ref(false)
const filter = ref('')
const list = ref<HTMLElement>()
const counts = ref<InstanceType<typeof CountsView>>()

const plan = computed(() => completePlan(store.plan ?? emptyPlan('')))
const currency = computed(() => plan.value.brief.currency ?? CATALOGUE_CURRENCY)
const sums = computed(() => kitMinor(plan.value))
const money = (minor: number) => moneyText(minor, currency.value)

const used = computed(() => {
  const ports = new Map<string, Set<string>>()
  for (const { from, to } of Object.values(plan.value.links))
    for (const end of [from, to])
      if (end) (ports.get(end.device) ?? ports.set(end.device, new Set()).get(end.device)!).add(end.port)
  return ports
})
const NONE: ReadonlySet<string> = new Set()
const groups = computed(() =>
  ROLES.map(role => ({
    role,
    title: ROLE_WORDS[role].many,
    devices: Object.entries(plan.value.devices)
      .filter(
        ([, device]) =>
          plan.value.models[device.model]!.role === role &&
          matches(filter.value, device.name, plan.value.models[device.model]!.title),
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

async function copy(): Promise<void> {
  if (!device.value || chosen.value === undefined) return
  const { name, model: modelId, order: place } = device.value
  const same = Object.values(plan.value.devices).filter(other => other.model === modelId).length
  const taken: Record<string, unknown> = { ...plan.value.devices }
  const idFor = (words: string): string => {
    const id = freshId(slug(words), taken, Math.random)
    taken[id] = true
    return id
  }
  const title = `${name.replace(/ \d+$/, '')} ${same + 1}`.slice(0, 120)
  const id = idFor(name)
  const copied = copiedDevice(plan.value, device.value, title, idFor)
  const { in: _in, ports, ...rest } = copied.device
  const kept = Object.fromEntries(
    Object.entries(ports ?? {})
      .map(([port, { label: _label, ...setting }]) => [port, setting])
      .filter(([, setting]) => Object.keys(setting as object).length),
  )
  const value: Device = {
    ...rest,
    ...(rest.shot === 'safe' ? { shot: 'wide' } : {}),
    order: place + 0.5,
    ...(Object.keys(kept).length ? { ports: kept } : {}),
  }
  const added = [...copied.receivers, [id, value] as const]
  if (
    await store.commit(
      `Copy ${name}`,
      added.map(([one, device]): Edit => ({ do: 'add', collection: 'devices', id: one, value: device })),
    )
  )
    choose(id)
}
async function remove(): Promise<void> {
  if (chosen.value === undefined || !device.value) return
  const { name } = device.value
  const i = order.value.indexOf(chosen.value)
  const gone = chosen.value
  chosen.value = order.value[i + 1] ?? order.value[i - 1]
  const edits = await store.ask('removal', gone)
  if (edits?.length && (await store.commit(`Remove ${name}`, edits)))
    notices.tell(`Remove ${name}`, 'info', { label: 'Undo', run: () => void store.undo() })
}

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
        <ViewTabs v-model="view" :views="VIEWS" />
        <input v-model="filter" class="pick" type="search" placeholder="Filter" aria-label="Filter" />
        <span class="quiet small sums"
          >{{ money(sums.hire) }} hire, {{ money(sums.buy) }} to buy<template v-if="sums.missing"
            >, {{ money(sums.missing) }} for what is missing</template
          ></span
        >
        <template v-if="view === 'counts'">
          <button v-if="counts?.uncounted" type="button" class="btn small" @click="counts.ownAll()">
            Count {{ counts.uncounted }} more as owned
          </button>
          <button type="button" class="btn small" @click="housing = true">A cable of the house</button>
          <button type="button" class="btn small" @click="counts?.copyTable()">Copy as text</button>
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
              <PortStrip
                v-if="Object.keys(plan.models[one.model]!.ports).length"
                :model="plan.models[one.model]!"
                :used="used.get(id) ?? NONE"
              />
            </div>
          </template>
          <p v-if="groups.length === 0" class="quiet none">Nothing is called that.</p>
        </div>
        <DeviceDetails
          v-if="device && model && chosen"
          :device-id="chosen"
          :key="chosen"
          :used="used.get(chosen) ?? NONE"
          @copy="copy"
          @remove="remove"
        />
        <section v-else class="details quiet"><p>Choose a device to see what can be set on it.</p></section>
      </div>
      <CountsView v-else ref="counts" :filter="filter" />
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
