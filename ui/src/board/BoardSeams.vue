<script setup lang="ts">
// Where a part is welded by its edges: the run of each seam along the edge, stitches as they are laid.
import { computed } from 'vue'
import type { Part } from '@/api/client'
import { shortened } from '@/body/labels'
import type { View } from './geometry'

/** A seam along an edge of a panel of the part. */
export type EdgeSeam = {
  id: string
  name?: string
  panel?: string
  edge?: string
  before?: number
  after?: number
  stitch?: number
  pitch?: number
  both?: boolean
}
const props = defineProps<{ part: Part; view: View; seams: EdgeSeam[]; /** Without their names. */ bare?: boolean }>()
type Spot = { x: number; y: number }
const drawn = computed(() =>
  props.seams.flatMap((s) => {
    const panel = props.part.panels.find((p) => p.id === s.panel)
    const e = panel?.edges.find((x) => x.edge === s.edge)
    if (!panel || !e) return []
    const long = Math.hypot(e.to.x - e.from.x, e.to.y - e.from.y)
    const at = (d: number): Spot =>
      props.view.at({ x: e.from.x + ((e.to.x - e.from.x) * d) / long, y: e.from.y + ((e.to.y - e.from.y) * d) / long })
    const from = s.before ?? 0
    const to = long - (s.after ?? 0)
    if (to <= from) return []
    const runs: [Spot, Spot][] = []
    if (s.stitch && s.pitch && s.stitch < to - from) {
      const n = Math.floor((to - from - s.stitch) / s.pitch + 1e-9)
      const first = from + (to - from - s.stitch - n * s.pitch) / 2
      for (let k = 0; k <= n; k++) runs.push([at(first + k * s.pitch), at(first + k * s.pitch + s.stitch)])
    } else runs.push([at(from), at(to)])
    const m = at((from + to) / 2)
    return [
      {
        id: s.id,
        runs,
        x: m.x,
        y: m.y,
        upright: Math.abs(at(to).y - at(from).y) > Math.abs(at(to).x - at(from).x),
        short: shortened(s.name || 'Seam', 22),
        text: `${s.name || 'Seam'}${s.both ? ', both sides' : ''}`,
      },
    ]
  }),
)
</script>

<template>
  <g v-for="s in drawn" :key="s.id" class="seam" :data-seam-on-flat="s.id">
    <title>{{ s.text }}</title>
    <line v-for="(r, k) in s.runs" :key="k" :x1="r[0].x" :y1="r[0].y" :x2="r[1].x" :y2="r[1].y" />
    <text
      v-if="!bare && drawn.length <= 12"
      :x="s.upright ? s.x - 8 : s.x"
      :y="s.upright ? s.y : s.y - 8"
      :text-anchor="s.upright ? 'end' : 'middle'"
    >
      {{ s.short }}
    </text>
  </g>
</template>

<style scoped>
.seam {
  pointer-events: none;
}
text {
  fill: var(--ember);
  font-size: 12px;
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
line {
  stroke: var(--ember);
  stroke-width: 5;
  stroke-linecap: round;
}
</style>
