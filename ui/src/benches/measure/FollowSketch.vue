<script setup lang="ts">
// The part's holes as they are, and where the survey has them, laid over each
// other on the panel.
import { computed } from 'vue'
import type { FollowTold } from '@/api/client'

const props = defineProps<{ told: FollowTold }>()
const box = computed(() => {
  const all = [...props.told.panel, ...props.told.holes.flatMap((h) => [h.is, h.should])]
  const x0 = Math.min(...all.map((p) => p.x)) - 12
  const y0 = Math.min(...all.map((p) => p.y)) - 12
  const w = Math.max(...all.map((p) => p.x)) - x0 + 12
  const h = Math.max(...all.map((p) => p.y)) - y0 + 12
  return { x0, y0, w, h }
})
const y = (v: number) => box.value.y0 * 2 + box.value.h - v
const outline = computed(() => props.told.panel.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${y(p.y)}`).join('') + 'Z')
</script>

<template>
  <svg
    :viewBox="`${box.x0} ${box.y0} ${box.w} ${box.h}`"
    class="sketch"
    role="img"
    aria-label="Holes as they are and as they should be"
  >
    <path :d="outline" class="panel" />
    <g v-for="h in told.holes" :key="h.name">
      <circle :cx="h.is.x" :cy="y(h.is.y)" :r="h.diameter / 2" class="is" />
      <circle :cx="h.should.x" :cy="y(h.should.y)" :r="h.diameter / 2" class="should" :class="{ moves: told.stale }" />
      <title>{{ h.name }}: {{ h.moves }}</title>
    </g>
  </svg>
</template>

<style scoped>
.sketch {
  width: 100%;
  max-height: 220px;
  border: 1px solid var(--rule);
  background: var(--board, var(--sheet));
}
.panel,
.is,
.should {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
.is {
  stroke-dasharray: 3 3;
}
.should.moves {
  stroke: var(--ember);
  stroke-width: 2.5;
}
</style>
