<script setup lang="ts">
// A drawing as it was read: closed outlines filled, open ends and crossings
// ringed at their place.
import { computed } from 'vue'
import type { TracedDrawing } from '@/api/client'

const props = defineProps<{ drawing: TracedDrawing; chosen: number }>()
const box = computed(() => {
  const [x0, y0, x1, y1] = props.drawing.box
  const pad = Math.max(x1! - x0!, y1! - y0!, 1e-9) * 0.06
  return { x: x0! - pad, y: y0! - pad, w: x1! - x0! + 2 * pad, h: y1! - y0! + 2 * pad }
})
// The page's y runs down; a drawing's runs up unless it says otherwise.
const flip = computed(() => (props.drawing.down ? 1 : -1))
const top = computed(() => (props.drawing.down ? box.value.y : -(box.value.y + box.value.h)))
const path = (points: number[][]) => points.map((p, i) => `${i ? 'L' : 'M'}${p[0]} ${p[1]! * flip.value}`).join('') + 'Z'
const whole = computed(() => props.drawing.paths.map((p) => path(p.points)).join(''))
const r = computed(() => Math.max(box.value.w, box.value.h) / 60)
</script>

<template>
  <div class="board">
    <svg
      :viewBox="`${box.x} ${top} ${box.w} ${box.h}`"
      role="img"
      :aria-label="`${drawing.paths.length} closed outlines, ${drawing.open.length} open lines, ${drawing.crossed.length} crossings`"
    >
      <path :d="whole" class="metal" fill-rule="evenodd" />
      <g v-for="(l, i) in drawing.open" :key="'e' + i" class="open">
        <path :d="path(l).slice(0, -1)" />
        <circle v-for="e in [l[0]!, l[l.length - 1]!]" :key="e.join()" :cx="e[0]" :cy="e[1]! * flip" :r="r" />
      </g>
      <circle v-for="(p, i) in drawing.crossed" :key="'c' + i" :cx="p[0]" :cy="p[1]! * flip" :r="r" class="crossed" />
    </svg>
  </div>
</template>

<style scoped>
.board {
  background: var(--board);
  border: 1px solid var(--rule);
  min-height: 260px;
}
svg {
  width: 100%;
  max-height: 460px;
  display: block;
}
.metal {
  fill: var(--metal);
  stroke: var(--line);
  stroke-width: 1.6px;
  vector-effect: non-scaling-stroke;
}
.open circle,
.crossed {
  fill: none;
  stroke: var(--stop);
  stroke-width: 3px;
  vector-effect: non-scaling-stroke;
}
.open path {
  fill: none;
  stroke: var(--stop);
  stroke-width: 1.8px;
  stroke-dasharray: 7 4;
  vector-effect: non-scaling-stroke;
}
</style>
