<script setup lang="ts">
// Every check that has a number: its share, its case, its working.
import type { Check } from '@/api/client'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import { demandText } from './writeDemand'

defineProps<{ checks: Check[] }>()
</script>

<template>
  <div v-for="c in checks" :key="c.key" class="check" :data-check="c.key">
    <p>
      {{ c.name }} <span class="soft small">{{ c.where }}</span>
      <WhyButton v-if="c.working" :name="c.name" :working="c.working" />
    </p>
    <VerdictLine :utilisation="c.utilisation" :verdict="c.verdict" :label="c.name" />
    <p class="soft small">
      {{ demandText(c.demand, c.unit) }}{{ c.unit ? ` of ${demandText(c.capacity, c.unit)}` : '' }} · {{ c.case }}
      <em v-if="c.why">{{ c.why }}</em>
    </p>
  </div>
</template>

<style scoped>
.check {
  border-bottom: 1px solid var(--rule);
  padding: 6px 0;
}
</style>
