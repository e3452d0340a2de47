<script setup lang="ts">
/** Ways in which one thing can be done, each tried: what each of them costs in figures, and a button that takes it. */
defineProps<{
  title: string
  columns: readonly string[]
  rows: readonly {
    readonly id: string
    readonly title: string
    readonly now: boolean
    readonly why: string | undefined
    readonly says: readonly string[]
    readonly cells: readonly string[]
  }[]
}>()
/** Findings that are told of one way. */
const MOST = 2
const emit = defineEmits<{ take: [id: string] }>()
</script>

<template>
  <table>
    <caption>
      {{
        title
      }}
    </caption>
    <thead>
      <tr>
        <th scope="col">Way</th>
        <th v-for="column in columns" :key="column" scope="col" class="right">{{ column }}</th>
        <th scope="col"><span class="unseen">Use it</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.id" :class="{ now: row.now }">
        <th scope="row">
          {{ row.title }}
          <span v-for="one in row.says.slice(0, MOST)" :key="one" class="small words told">{{ one }}</span>
          <span v-if="row.says.length > MOST" class="small words quiet">and {{ row.says.length - MOST }} more</span>
        </th>
        <td v-if="row.why" :colspan="columns.length + 1" class="quiet">cannot be: {{ row.why }}</td>
        <template v-else>
          <td v-for="(cell, i) in row.cells" :key="i" class="figures">{{ cell }}</td>
          <td>
            <span v-if="row.now" class="strong">as now</span>
            <button v-else type="button" class="btn small" @click="emit('take', row.id)">Use it</button>
          </td>
        </template>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 22px;
}
caption {
  text-align: left;
  font-weight: 650;
  padding-bottom: 2px;
}
th {
  text-align: left;
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
thead th {
  font-weight: 400;
  font-size: 13px;
  color: var(--quiet);
}
tbody th {
  font-weight: 400;
  min-width: 150px;
}
tr.now th {
  font-weight: 650;
}
tbody tr {
  border-top: 1px solid var(--line);
}
.words {
  display: block;
}
td {
  padding: 4px 8px 4px 0;
  vertical-align: top;
}
.right,
td.figures {
  text-align: right;
  white-space: nowrap;
}
</style>
