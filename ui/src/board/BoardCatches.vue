<script setup lang="ts">
// What catches taps on holes and edges: hundreds of shapes that nobody sees.
import type { Edge, Part } from '@/api/client'
import type { View } from './geometry'
import { later } from './later'

const props = defineProps<{ part: Part; view: View; feature?: string; edge?: Edge }>()
const emit = defineEmits<{ edge: [panel: string, edge: Edge]; hole: [feature: string] }>()

const n = (v: number) => v.toFixed(1)
function made(part: Part, view: View) {
  return {
    holes: part.holes.map((h) => {
      const c = view.at(h.centre)
      return { id: h.id, feature: h.feature, x: n(c.x), y: n(c.y), r: n(Math.max((h.diameter / 2) * view.scale, 16)) }
    }),
    edges: part.panels.flatMap((p) =>
      p.edges
        .filter((e) => e.role === 'free' || e.role === 'tip')
        .map((e) => {
          const a = view.at(e.from)
          const b = view.at(e.to)
          return { panel: p.id, edge: e.edge, d: `M${n(a.x)} ${n(a.y)}L${n(b.x)} ${n(b.y)}` }
        }),
    ),
  }
}
const shown = later(
  () => made(props.part, props.view),
  () => [props.part, props.view],
)
</script>

<template>
  <g>
    <circle v-for="h in shown.holes" :key="h.id" class="hole" :cx="h.x" :cy="h.y" :r="h.r" @click="emit('hole', h.feature)" />
    <path
      v-for="e in shown.edges"
      :key="e.panel + e.edge"
      :d="e.d"
      class="edge"
      :class="{ on: e.panel === feature && e.edge === edge }"
      @click="emit('edge', e.panel, e.edge)"
    />
  </g>
</template>

<style scoped>
.hole {
  fill: transparent;
  cursor: pointer;
}
.edge {
  stroke: transparent;
  stroke-width: 16;
  cursor: pointer;
}
.edge:hover {
  stroke: color-mix(in srgb, var(--pick) 35%, transparent);
}
.edge.on {
  stroke: color-mix(in srgb, var(--pick) 55%, transparent);
  stroke-width: 8;
}
</style>
