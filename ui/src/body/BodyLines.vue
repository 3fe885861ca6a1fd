<script setup lang="ts">
// The folded body as lines, seen from the front left above: for screens
// without WebGL.
import { computed } from 'vue'
import type { Body } from '@/api/client'
import { holeRims } from './scene'

const props = defineProps<{ body: Body }>()
const lines = computed(() =>
  [...props.body.edges, ...props.body.panels.flatMap((p) => holeRims(p, props.body.thickness))].map((e) =>
    e.map(([x, y, z]) => ({ x: x! * 0.86 + y! * 0.5, y: -(z! * 0.86 + (y! * 0.86 - x! * 0.5) * 0.5) })),
  ),
)
const box = computed(() => {
  const all = lines.value.flat()
  const xs = all.map((p) => p.x)
  const ys = all.map((p) => p.y)
  const x = Math.min(...xs)
  const y = Math.min(...ys)
  const w = Math.max(...xs) - x
  const h = Math.max(...ys) - y
  return all.length ? `${x - w * 0.05} ${y - h * 0.05} ${w * 1.1} ${h * 1.1}` : '0 0 1 1'
})
const path = computed(() => lines.value.map((l) => 'M' + l.map((p) => `${p.x.toFixed(2)} ${p.y.toFixed(2)}`).join('L')).join(''))
</script>

<template>
  <svg :viewBox="box" width="100%" height="100%" role="img" aria-label="Folded body as lines"><path :d="path" /></svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--line);
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
}
</style>
