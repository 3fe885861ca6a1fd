<script setup lang="ts">
// A folded part as lines, small enough to choose by.
import { computed } from 'vue'

const props = defineProps<{ lines: number[][][]; name: string }>()
const box = computed(() => {
  const all = props.lines.flat()
  if (!all.length) return '0 0 1 1'
  const xs = all.map((p) => p[0]!)
  const ys = all.map((p) => p[1]!)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  const [w, h] = [Math.max(...xs) - x, Math.max(...ys) - y]
  const edge = 0.05 * Math.max(w, h)
  return `${x - edge} ${y - edge} ${w + 2 * edge} ${h + 2 * edge}`
})
const path = computed(() => props.lines.map((l) => 'M' + l.map((p) => p.join(' ')).join('L')).join(''))
</script>

<template>
  <svg :viewBox="box" role="img" :aria-label="name"><path :d="path" /></svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 100%;
}
path {
  fill: none;
  stroke: var(--line, var(--ink));
  stroke-width: 1.2;
  stroke-linejoin: round;
  vector-effect: non-scaling-stroke;
}
</style>
