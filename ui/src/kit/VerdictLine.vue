<script setup lang="ts">
// How hard something works: a number, a word and a bar with a tick at 100 %.
// Colour is spent on tight and over only; over is hatched as well.
import { computed } from 'vue'
import { percent } from './percent'

const props = defineProps<{ utilisation: number | null | undefined; verdict: string; big?: boolean; label: string }>()
const text = computed(() => percent(props.utilisation))
// The bar runs to 150 %, the tick stands at two thirds.
const width = computed(() => Math.min(100, ((props.utilisation ?? 0) / 1.5) * 100))
const kind = computed(() => props.verdict.replace(' ', '-'))
</script>

<template>
  <div class="line" :class="[kind, { big }]">
    <span class="num">{{ text }}<small v-if="text !== '?'"> %</small></span>
    <span class="word">{{ verdict }}</span>
    <svg
      class="bar"
      viewBox="0 0 150 10"
      preserveAspectRatio="none"
      role="img"
      :aria-label="`${label}: ${verdict}, ${text} percent`"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="6" class="stripe" />
        </pattern>
      </defs>
      <rect width="150" height="10" class="way" />
      <rect :width="width * 1.5" height="10" class="fill" />
      <rect v-if="verdict === 'over'" :width="width * 1.5" height="10" fill="url(#hatch)" />
      <path d="M100 -1V11" class="tick" />
    </svg>
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 72px 84px minmax(60px, 1fr);
  gap: 10px;
  align-items: center;
}
.num {
  text-align: right;
  font-weight: 640;
}
small {
  font-weight: 400;
  font-size: 0.75em;
}
.word {
  font-weight: 560;
}
.big {
  grid-template-columns: auto auto minmax(120px, 1fr);
  gap: 16px;
}
.big .num {
  font-size: 2.3rem;
  line-height: 1.1;
}
.big .word {
  font: 640 1.5rem var(--head);
}
.bar {
  width: 100%;
  height: 12px;
  overflow: visible;
}
.big .bar {
  height: 18px;
}
.way {
  fill: var(--sunk);
}
.fill {
  fill: var(--ink-soft);
}
.stripe {
  fill: var(--paper);
  opacity: 0.55;
}
.tick {
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.tight .word,
.tight .num {
  color: var(--mind);
}
.tight .fill {
  fill: var(--mind);
}
.over .word,
.over .num {
  color: var(--stop);
}
.over .fill {
  fill: var(--stop);
}
.cannot-say .word {
  font-style: italic;
}
</style>
