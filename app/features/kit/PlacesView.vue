<script setup lang="ts">
import { computed } from 'vue'
import { ROLES, ROLE_WORDS } from '#core/catalog'
import { type Edit, WITHIN_PLACE_M, completePlan, freshId, setEdit, slug } from '#core/document'
import { placesOf } from '#core/features/continuity'
import { lengthText } from '#core/words'
import CrossingsPart from './CrossingsPart.vue'
import NetworkPart from './NetworkPart.vue'

import { toMetres, toTyped, useUnits } from '~/shell/look'
import { usePlanStore } from '~/plan/store'
import { decimal, distanceSchema, placeSchema } from '~/ui/typed'

/** Where everything stands, and how far a cable goes between the places: what a patch is worked out from. */
const props = defineProps<{ filter: string }>()
const store = usePlanStore()
const units = useUnits()
const plan = computed(() => completePlan(store.plan!))
const places = computed(() =>
  [
    ...new Set([...placesOf(plan.value), ...Object.values(plan.value.distances).flatMap(({ between }) => between)]),
  ].sort(),
)
const groups = computed(() =>
  ROLES.map(role => ({
    role,
    devices: Object.entries(plan.value.devices)
      .filter(
        ([, { model, name, place }]) =>
          plan.value.models[model]!.role === role &&
          `${name} ${place ?? ''}`.toLowerCase().includes(props.filter.toLowerCase()),
      )
      .sort(([a, x], [b, y]) => x.order - y.order || (a < b ? -1 : 1)),
  })).filter(({ devices }) => devices.length),
)
const open = computed(
  () =>
    Object.values(plan.value.devices).filter(
      ({ model, place }) =>
        place === undefined && ['source', 'switcher', 'sink'].includes(plan.value.models[model]!.role),
    ).length,
)
const unmeasured = computed(
  () => places.value.flatMap((a, i) => places.value.slice(i + 1).filter(b => entry(a, b) === undefined)).length,
)

const entry = (a: string, b: string) =>
  Object.entries(plan.value.distances).find(
    ([
      ,
      {
        between: [x, y],
      },
    ]) => (x === a && y === b) || (x === b && y === a),
  )
const typedValue = (a: string, b: string): string => {
  const found = entry(a, b)
  return found ? toTyped(found[1].m, units.value) : ''
}
async function measure(text: string, a: string, b: string): Promise<void> {
  const found = entry(a, b)
  const title = a === b ? `Within ${a}` : `From ${a} to ${b}`
  if (text === '') {
    if (found) await store.commit(`${title}: not measured`, [{ do: 'remove', collection: 'distances', id: found[0] }])
    return
  }
  const m = toMetres(decimal(text), units.value)
  const edit: Edit = found
    ? { do: 'set', at: ['distances', found[0], 'm'], value: m }
    : {
        do: 'add',
        collection: 'distances',
        id: freshId(slug(`${a} ${b}`), plan.value.distances, Math.random),
        value: { between: [a, b], m },
      }
  await store.commit(`${title}: ${lengthText(m, units.value)}`, [edit])
}
async function stand(text: string, id: string): Promise<void> {
  await store.commit(`Place of ${plan.value.devices[id]!.name}: ${text || 'not said'}`, [
    setEdit(['devices', id, 'place'], text || undefined),
  ])
}
function down(event: KeyboardEvent): void {
  const fields = [...document.querySelectorAll<HTMLInputElement>('.places input.where')]
  const next = fields[fields.indexOf(event.target as HTMLInputElement) + (event.key === 'ArrowUp' ? -1 : 1)]
  if (!next) return
  event.preventDefault()
  next.focus()
  next.select()
}
</script>

<template>
  <div class="places">
    <section class="who" aria-label="Where everything stands">
      <p class="quiet">
        {{
          open
            ? `${open} source${open === 1 ? '' : 's'}, switchers or screens have no place yet.`
            : 'Everything has its place.'
        }}
        Enter goes to the next.
      </p>
      <template v-for="group in groups" :key="group.role">
        <h4 class="small quiet">{{ ROLE_WORDS[group.role].many }}, {{ group.devices.length }}</h4>
        <label v-for="[id, device] in group.devices" :key="id" class="line"
          ><span class="cut">{{ device.name }}</span
          ><TypedField
            class="where"
            list="all-places"
            :value="device.place ?? ''"
            :schema="placeSchema"
            placeholder="where it stands"
            :aria-label="`Place of ${device.name}`"
            @done="text => stand(text, id)"
            @keydown.enter="down"
            @keydown.up="down"
            @keydown.down="down"
        /></label>
      </template>
      <p v-if="groups.length === 0" class="quiet">{{ filter ? 'Nothing is called that.' : 'No devices yet.' }}</p>
      <datalist id="all-places"><option v-for="place in places" :key="place" :value="place" /></datalist>
    </section>
    <section class="far" aria-label="Distances between places">
      <h3>How far the cable goes</h3>
      <p v-if="places.length === 0" class="quiet">
        As soon as devices have places, the distances between them are measured here: along the way that the cable
        takes, rises included.
      </p>
      <template v-else>
        <p class="quiet">
          Along the way that the cable takes, rises included;
          {{ unmeasured ? `${unmeasured} still to be measured` : 'all measured' }}. Within a place,
          {{ lengthText(WITHIN_PLACE_M, units) }} where nothing is said.
        </p>
        <div class="wide">
          <table aria-label="Distances">
            <thead>
              <tr>
                <th />
                <th v-for="place in places.slice().reverse()" :key="place" scope="col">
                  <span>{{ place }}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(a, i) in places" :key="a">
                <th scope="row">{{ a }}</th>
                <td v-for="(b, j) in places.slice().reverse()" :key="b">
                  <TypedField
                    v-if="places.length - 1 - j >= i"
                    class="m"
                    inputmode="decimal"
                    :value="typedValue(a, b)"
                    :schema="distanceSchema"
                    :placeholder="a === b ? toTyped(WITHIN_PLACE_M, units) : '?'"
                    :aria-label="a === b ? `Within ${a}, ${units.length}` : `From ${a} to ${b}, ${units.length}`"
                    @done="text => measure(text, a, b)"
                  />
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="small quiet">In {{ units.length === 'ft' ? 'feet' : 'metres' }}.</p>
        <CrossingsPart :distances="plan.distances" />
      </template>
      <NetworkPart :network="plan.brief.network" />
    </section>
  </div>
</template>

<style scoped>
.places {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 420px minmax(0, 1fr);
}
.who {
  overflow-y: auto;
  border-right: 1px solid var(--line);
  padding: 12px 16px 24px;
}
.who p {
  margin: 0;
}
h4 {
  margin: 16px 0 2px;
  font-weight: 400;
  border-bottom: 1px solid var(--line);
}
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 180px;
  gap: 12px;
  align-items: center;
  padding: 2px 0;
}
.far {
  overflow: auto;
  padding: 16px 24px;
}
h3 {
  font: 650 20px/1.25 var(--words);
  margin: 0 0 8px;
}
.far p {
  max-width: 62ch;
  margin: 0 0 12px;
}
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
}
thead th {
  vertical-align: bottom;
  font-weight: 400;
  padding: 4px;
  height: 96px;
}
thead th span {
  writing-mode: vertical-rl;
  transform: rotate(180deg);
  max-height: 128px;
  overflow: hidden;
  text-overflow: ellipsis;
}
tbody th {
  text-align: right;
  font-weight: 400;
  padding: 2px 10px 2px 0;
  white-space: nowrap;
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
}
td {
  padding: 2px;
}
.m {
  width: 68px;
  text-align: right;
  font-family: var(--figures);
  font-size: 13px;
}
@media (max-width: 1000px) {
  .places {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto;
    overflow-y: auto;
  }
  .who,
  .far {
    overflow: visible;
    border-right: 0;
  }
}
</style>
