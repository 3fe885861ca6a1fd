<script setup lang="ts">
// How a number was worked out.
import type { Working } from '@/api/client'
import TableFrame from './TableFrame.vue'

defineProps<{ working: Working }>()
const say = (q: { text?: string; value: number; unit: string }) => q.text || `${+q.value.toPrecision(6)} ${q.unit}`.trim()
</script>

<template>
  <div class="card">
    <p class="result">
      <span class="soft">{{ working.result.name }}</span> <span class="num">{{ say(working.result) }}</span>
    </p>
    <p class="formula">{{ working.formula }}</p>
    <TableFrame name="Inputs">
      <tbody>
        <tr v-for="(q, i) in working.inputs" :key="'i' + i">
          <th scope="row">{{ q.symbol }}</th>
          <td>{{ q.name }}</td>
          <td class="num">{{ say(q) }}</td>
        </tr>
        <tr v-for="(q, i) in working.steps ?? []" :key="'s' + i" class="step">
          <th scope="row">{{ q.symbol }}</th>
          <td>{{ q.name }}</td>
          <td class="num">{{ say(q) }}</td>
        </tr>
      </tbody>
    </TableFrame>
    <p class="small">
      <strong>{{ working.method }}.</strong> {{ working.source }}
    </p>
    <ul v-if="working.assumptions?.length" class="small">
      <li v-for="a in working.assumptions" :key="a">{{ a }}</li>
    </ul>
  </div>
</template>

<style scoped>
.card {
  display: grid;
  gap: 12px;
}
.result {
  font-size: 1.15rem;
}
.formula {
  padding: 10px 12px;
  background: var(--sunk);
  border-left: 3px solid var(--rule-strong);
  overflow-wrap: anywhere;
}
td,
th {
  padding: 4px 8px 4px 0;
}
td.num {
  text-align: right;
  padding-right: 0;
}
.step td,
.step th {
  background: color-mix(in srgb, var(--sunk) 60%, transparent);
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
