<script setup lang="ts">
// What the checks leave out, and who answered for it.
import type { Held } from '@/api/client'

defineProps<{ beside: Held['beside'] }>()
</script>

<template>
  <ul class="beside" aria-label="Beside the verdict">
    <li v-for="b in beside" :key="b.key" :data-beside="b.key" :class="{ decides: b.decides && b.verdict === 'cannot say' }">
      <strong
        >{{ b.name }}<template v-if="b.key !== 'joint'">: {{ b.verdict }}</template
        >.</strong
      >
      {{ b.answer ? b.answer : b.why }}
      <span v-if="b.decides && b.verdict === 'cannot say'" class="nowrap">It keeps the verdict from saying holds.</span>
    </li>
  </ul>
</template>

<style scoped>
.beside {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
}
.beside li {
  border-left: 4px solid var(--rule-strong);
  padding: 2px 10px;
  font-size: 0.92rem;
}
.beside .decides {
  border-color: var(--mind);
  background: var(--mind-wash);
}
</style>
