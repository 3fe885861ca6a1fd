<script setup lang="ts">
// Everything that must be answered, hardest first: what is over, what cannot be
// said and what would answer it, what has a number. What asks nothing is folded,
// each with why.
import { computed } from 'vue'
import type { Check } from '@/api/client'
import { useAmounts } from './amounts'
import VerdictLine from './VerdictLine.vue'
import WhyButton from './WhyButton.vue'

const props = defineProps<{ checks: Check[] }>()
const { demand } = useAmounts()
const asked = computed(() => props.checks.filter((c) => c.verdict !== 'not needed'))
const idle = computed(() => props.checks.filter((c) => c.verdict === 'not needed'))
const key = (c: Check) => `${c.key} ${c.feature ?? ''}`
const line = (c: Check) =>
  [c.utilisation == null ? '' : `${demand(c.demand, c.unit)}${c.unit ? ` of ${demand(c.capacity, c.unit)}` : ''}`, c.case]
    .filter(Boolean)
    .join(' · ')
</script>

<template>
  <div class="ledger">
    <div
      v-for="c in asked"
      :key="key(c)"
      class="check"
      :class="c.verdict.replace(' ', '-')"
      :data-check="c.key"
      :data-says="c.verdict"
    >
      <p>
        {{ c.name }} <span class="soft small">{{ c.where }}</span>
        <WhyButton v-if="c.working" :name="c.name" :working="c.working" />
      </p>
      <VerdictLine :utilisation="c.utilisation" :verdict="c.verdict" :label="c.name" />
      <p v-if="c.why" class="says">{{ c.why }}</p>
      <p v-if="line(c)" class="soft small">{{ line(c) }}</p>
    </div>
    <details v-if="idle.length" data-idle>
      <summary>{{ idle.length }} more {{ idle.length === 1 ? 'asks' : 'ask' }} nothing here</summary>
      <p v-for="c in idle" :key="key(c)" class="small" :data-check="c.key" data-says="not needed">
        <b>{{ c.name }}</b> <span v-if="c.where" class="soft">{{ c.where }}</span>: {{ c.why }}
      </p>
    </details>
  </div>
</template>

<style scoped>
.check {
  border-bottom: 1px solid var(--rule);
  padding: 6px 0 6px 10px;
  border-left: 4px solid transparent;
}
.cannot-say {
  border-left-color: var(--mind);
}
.over {
  border-left-color: var(--stop);
}
.over > .says,
.cannot-say > .says {
  font-size: 1.02rem;
}
.says {
  margin: 2px 0;
}
summary {
  min-height: var(--touch);
  display: flex;
  align-items: center;
  cursor: pointer;
}
details p {
  margin: 0;
  padding: 4px 0 4px 10px;
  border-bottom: 1px solid var(--rule);
}
</style>
