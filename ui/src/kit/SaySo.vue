<script setup lang="ts">
// Findings as a list: the word, then the reason.
import type { Finding } from '@/api/client'
import WhyButton from './WhyButton.vue'

defineProps<{ list: Finding[]; label: string }>()
</script>

<template>
  <ul v-if="list.length" class="says" :aria-label="label">
    <li v-for="f in list" :key="f.code + f.reason" :class="f.severity">
      <strong>{{ f.severity }}</strong> {{ f.name ? `${f.name}: ` : '' }}{{ f.reason }}
      <WhyButton v-if="f.working" :name="f.cause" :working="f.working" />
    </li>
  </ul>
</template>

<style scoped>
.says {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
li {
  border-left: 4px solid var(--rule-strong);
  padding: 4px 10px;
}
.mind {
  border-color: var(--mind);
  background: var(--mind-wash);
}
.stop {
  border-color: var(--stop);
  background: var(--stop-wash);
}
</style>
