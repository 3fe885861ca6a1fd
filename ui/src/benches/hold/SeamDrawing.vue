<script setup lang="ts">
// The seams of a joint where they run, on outlines of what they join, seen from the front left and above.
import { computed } from 'vue'
import { shortened, together } from '@/body/labels'
import type { Style } from '@/kit/readLength'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{
  told: {
    name: string
    sketch: number[][][]
    seams: { id: string; name: string; path: number[][]; runs: number[][][]; long: number; dots?: boolean }[]
  }
  lengths: Style
  /** Shown without lengths below. */
  bare?: boolean
}>()
const width = 520
const height = 300
/** A turned view from above: depth to the upper right. */
const flat = (v: number[]) => [v[0]! * 0.92 - v[1]! * 0.5, -(v[2]! + v[0]! * 0.28 + v[1]! * 0.42)] as [number, number]
const all = computed(() => [...props.told.sketch, ...props.told.seams.map((s) => s.path)].flat().map(flat))
const fit = computed(() => {
  const xs = all.value.map((p) => p[0])
  const ys = all.value.map((p) => p[1])
  const lo = [Math.min(...xs), Math.min(...ys)] as const
  const size = [Math.max(...xs) - lo[0] || 1, Math.max(...ys) - lo[1] || 1] as const
  const scale = Math.min((width - 80) / size[0], (height - 60) / size[1])
  return { lo, scale, dx: (width - size[0] * scale) / 2, dy: (height - size[1] * scale) / 2 }
})
const at = (v: number[]) => {
  const [x, y] = flat(v)
  const f = fit.value
  return [f.dx + (x - f.lo[0]) * f.scale, f.dy + (y - f.lo[1]) * f.scale] as const
}
const line = (list: number[][]) =>
  list
    .map((v) =>
      at(v)
        .map((n) => n.toFixed(1))
        .join(','),
    )
    .join(' ')
/** Too many to be named: they are numbered as the list below has them. */
const many = computed(() => props.told.seams.length > 12)
const whole = computed(() => props.told.seams.reduce((sum, s) => sum + s.long, 0))
/** Names of seams that lie on each other in the picture stand together, so that they can be read. */
const labels = computed(() =>
  together(
    props.told.seams.map((s, k) => ({
      ...middle(s.path),
      text: many.value && !props.bare ? `${k + 1}` : shortened(s.name, 24),
    })),
    26,
  ).map((l) => ({ ...l, anchor: l.x > width - 110 ? 'end' : l.x < 110 ? 'start' : 'middle' })),
)
const middle = (list: number[][]) => {
  const a = at(list[Math.floor((list.length - 1) / 2)]!)
  const b = at(list[Math.ceil((list.length - 1) / 2)]!)
  return { x: (a[0] + b[0]) / 2, y: (a[1] + b[1]) / 2 - 8 }
}
</script>

<template>
  <figure>
    <svg :viewBox="`0 0 ${width} ${height}`" role="img" :aria-label="`Seams of ${told.name}`" data-seam-drawing>
      <polyline v-for="(l, k) in told.sketch" :key="`o${k}`" class="body" :points="line(l)" />
      <g v-for="s in told.seams" :key="s.id">
        <polyline v-if="!s.dots" class="path" :points="line(s.path)" />
        <template v-if="s.dots">
          <circle v-for="(v, k) in s.path" :key="k" class="dot" :cx="at(v)[0]" :cy="at(v)[1]" r="5" />
        </template>
        <polyline v-for="(r, k) in s.runs" :key="k" class="run" :points="line(r)" />
      </g>
      <text v-for="l in labels" :key="`${l.x} ${l.y}`" :x="l.x" :y="l.y" :text-anchor="l.anchor">{{ l.text }}</text>
    </svg>
    <figcaption v-if="!bare && many" class="small soft">
      {{ told.seams.length }} seams, <Shown :value="whole" kind="length" :lengths="lengths" /> long together, numbered as below.
    </figcaption>
    <figcaption v-else-if="!bare" class="small soft">
      <span v-for="(s, k) in told.seams.filter((x) => !x.dots)" :key="s.id"
        >{{ k ? '; ' : '' }}{{ s.name }} <Shown :value="s.long" kind="length" :lengths="lengths" /> long</span
      >.
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-width: 620px;
  height: auto;
  background: var(--sheet);
  border: 1px solid var(--rule);
}
.body {
  fill: none;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.path {
  fill: none;
  stroke: var(--ember);
  stroke-width: 1.5;
  stroke-dasharray: 2 4;
}
.run {
  fill: none;
  stroke: var(--ember);
  stroke-width: 5;
  stroke-linecap: round;
}

.dot {
  fill: var(--ember);
}
text {
  font-size: 13px;
  font-weight: 640;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
</style>
