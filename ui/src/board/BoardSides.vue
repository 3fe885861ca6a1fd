<script setup lang="ts">
// The sides of an outline by the names they go by in the lists, while their face is in hand:
// beside the edge, within the face; those too short on the screen are left to the list.
import { computed } from 'vue'
import type { Part } from '@/api/client'
import type { View } from './geometry'

const props = defineProps<{ part: Part; view: View; on?: string }>()
const sides = computed(() => {
  const panel = props.part.panels.find((p) => p.id === props.on)
  if (!panel || !panel.edges.some((e) => /^\d/.test(e.edge))) return []
  return panel.edges.flatMap((e) => {
    const [a, b] = [props.view.at(e.from), props.view.at(e.to)]
    const long = Math.hypot(b.x - a.x, b.y - a.y)
    if (long < 26) return []
    const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2]
    const c = props.view.at(panel.middle)
    // To the side of the edge the middle lies on.
    let [nx, ny] = [-(b.y - a.y) / long, (b.x - a.x) / long]
    if (nx * (c.x - mx) + ny * (c.y - my) < 0) [nx, ny] = [-nx, -ny]
    return [{ name: e.edge, x: mx + 11 * nx, y: my + 11 * ny + 4 }]
  })
})
</script>

<template>
  <text v-for="s in sides" :key="s.name" class="side" text-anchor="middle" :x="s.x" :y="s.y" :data-side="s.name">{{
    s.name
  }}</text>
</template>

<style scoped>
.side {
  fill: var(--pick);
  font-weight: 700;
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
  pointer-events: none;
}
</style>
