<script setup lang="ts">
import type { Measure } from '#core/features/keys'

/** What is measured of a key: now, and good. */
defineProps<{ measures: readonly Measure[] }>()
</script>

<template>
  <table>
    <thead>
      <tr>
        <th scope="col">On its pixels</th>
        <th scope="col">now</th>
        <th scope="col">good</th>
      </tr>
    </thead>
    <tbody v-for="measure in measures" :key="measure.name">
      <tr>
        <th scope="row">{{ measure.name }}</th>
        <td class="figures" :class="{ bad: measure.bad, quiet: measure.now === 'unjudged' }">{{ measure.now }}</td>
        <td class="figures quiet">{{ measure.good }}</td>
      </tr>
      <tr v-if="measure.why">
        <td colspan="3" class="small quiet why">{{ measure.why }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  max-width: 460px;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-size: 14px;
  font-weight: 400;
  padding: 3px 6px 3px 0;
}
thead th {
  color: var(--quiet);
}
tbody th {
  width: 100%;
}
tbody {
  border-top: 1px solid var(--line);
}
td {
  padding: 3px 6px 3px 0;
  font-size: 13px;
  line-height: 20px;
  white-space: nowrap;
  vertical-align: top;
}
.bad {
  color: var(--quality);
  font-weight: 650;
}
.why {
  padding-top: 0;
  white-space: normal;
}
</style>
