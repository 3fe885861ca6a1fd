<script setup lang="ts">
// In which order its edges are welded: a number at each run, with a letter where it is of one of several joints.
import { computed } from 'vue'
import { together } from '@/body/labels'
import type { View } from './geometry'

export type FlatRun = { of: string; name: string; number: number; from: { x: number; y: number }; to: { x: number; y: number } }
const props = defineProps<{ runs: FlatRun[]; view: View }>()
const joints = computed(() => [...new Set(props.runs.map((r) => r.of))])
const letter = (of: string) => (joints.value.length < 2 ? '' : String.fromCharCode(65 + (joints.value.indexOf(of) % 26)))
const drawn = computed(() =>
  props.runs.map((r) => ({ a: props.view.at(r.from), b: props.view.at(r.to), text: `${letter(r.of)}${r.number}`, name: r.name })),
)
const marks = computed(() =>
  together(
    drawn.value.map((d) => ({ x: (d.a.x + d.b.x) / 2, y: (d.a.y + d.b.y) / 2, text: d.text })),
    20,
  ),
)
</script>

<template>
  <g class="runs" data-runs-on-flat>
    <g v-for="(d, k) in drawn" :key="k">
      <circle class="cut" :cx="d.a.x" :cy="d.a.y" r="3.5" />
      <circle class="cut" :cx="d.b.x" :cy="d.b.y" r="3.5" />
    </g>
    <text v-for="m in marks" :key="`${m.x} ${m.y}`" :x="m.x" :y="m.y + 5">{{ m.text }}</text>
  </g>
</template>

<style scoped>
.runs {
  pointer-events: none;
}
.cut {
  fill: var(--ember);
}
text {
  text-anchor: middle;
  fill: var(--ink);
  font-size: 15px;
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
}
</style>
