<script setup lang="ts">
/** Rows of printed values under fixed headings; headings that lead somewhere are buttons. */
export interface RowsColumn {
  label: string
  numeric: boolean
  /** What choosing its heading does; none where it does nothing. */
  hint?: string
}

defineProps<{ columns: RowsColumn[]; rows: string[][]; offset: number; label: string }>()
const emit = defineEmits<{ column: [index: number] }>()
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="label">
    <table>
      <thead>
        <tr>
          <th v-for="(column, i) in columns" :key="i" scope="col" :class="{ number: column.numeric }">
            <button v-if="column.hint" type="button" :title="column.hint" @click="emit('column', i)">
              {{ column.label }}
            </button>
            <template v-else>{{ column.label }}</template>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="offset + i">
          <td v-for="(value, j) in row" :key="j" :class="{ number: columns[j]?.numeric }" :title="value">
            {{ value }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow: auto;
}
table {
  border-collapse: collapse;
  white-space: nowrap;
}
th {
  position: sticky;
  top: 0;
  background: var(--panel);
  text-align: left;
}
th button {
  border: 0;
  background: none;
  font: inherit;
  color: inherit;
  cursor: pointer;
  padding: 0.1rem 0;
}
th,
td {
  padding: 0.2rem 0.6rem;
  border-bottom: 1px solid var(--line);
}
td {
  max-width: 20rem;
  overflow: hidden;
  text-overflow: ellipsis;
}
.number {
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
