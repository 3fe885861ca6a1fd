<script setup lang="ts">
// What came of readings: the number large, a word, one sentence, its working.
import type { ResultTold } from '@/api/client'
import Frac from './Frac.vue'
import WhyButton from './WhyButton.vue'

defineProps<{ result: ResultTold | undefined; label?: string }>()
const words = { good: 'good', doubtful: 'look', bad: 'not right', open: 'open' }
</script>

<template>
  <div v-if="result" class="result" :class="result.verdict" :data-verdict="result.verdict">
    <p class="line">
      <span class="num big"><Frac :text="result.text" /></span>
      <span class="word">{{ words[result.verdict] }}</span>
      <WhyButton v-if="result.working" :name="label ?? result.name" :working="result.working" />
    </p>
    <p v-if="result.says" class="small">{{ result.says }}</p>
    <p v-if="result.least && result.least.trust !== 'measured'" class="small soft">
      Least trusted behind it: {{ result.least.name }}, {{ result.least.trust }}.
    </p>
    <p v-for="f in result.findings" :key="f.code" class="small find" :class="f.severity">{{ f.reason }}</p>
  </div>
</template>

<style scoped>
.result {
  border-left: 4px solid var(--rule-strong);
  padding: 2px 0 2px 12px;
  display: grid;
  gap: 4px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
}
.big {
  font-size: 1.35rem;
  white-space: normal;
}
.word {
  font-weight: 560;
}
.doubtful {
  border-color: var(--mind);
}
.doubtful .word,
.doubtful .big {
  color: var(--mind);
}
.bad {
  border-color: var(--stop);
}
.bad .word,
.bad .big {
  color: var(--stop);
}
.open .word {
  font-style: italic;
}
.find.stop {
  color: var(--stop);
}
.find.mind {
  color: var(--mind);
}
</style>
