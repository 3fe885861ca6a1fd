<script setup lang="ts">
// Spaces and placed things in outline, from above, from the right side, from
// the front: what is hit is hatched, moving things are dashed.
import { computed, ref } from 'vue'
import type { Drawn, Located, Surveyed } from '@/api/client'
import ChoiceRow from '@/kit/ChoiceRow.vue'

const props = defineProps<{ drawn: Drawn[]; points: Located[]; clearances: Surveyed['clearances'] }>()
type View = 'plan' | 'side' | 'end'
const view = ref<View>('plan')
const near = ref(true)
const views = [
  { value: 'plan' as const, text: 'above' },
  { value: 'side' as const, text: 'right side' },
  { value: 'end' as const, text: 'front' },
]
const axes = { plan: [0, 1], side: [0, 2], end: [1, 2] } as const
const wide = 900
const high = 400
type P = { x: number; y: number }
const things = computed(() => props.drawn.filter((d) => d.kind === 'thing' || d.kind === 'bolt'))
const bad = computed(() => new Set(props.clearances.filter((c) => c.verdict === 'bad').flatMap((c) => [c.with, c.thing])))
const frame = computed(() => {
  const focus = near.value && things.value.length ? things.value : props.drawn
  const all: P[] = focus.flatMap((d) => d[view.value].flat())
  if (!focus.length || !near.value)
    for (const p of props.points) if (p.at) all.push({ x: p.at[axes[view.value][0]]!, y: p.at[axes[view.value][1]]! })
  if (!all.length) return undefined
  const pad = near.value ? 260 : 60
  const x0 = Math.min(...all.map((p) => p.x)) - pad
  const x1 = Math.max(...all.map((p) => p.x)) + pad
  const y0 = Math.min(...all.map((p) => p.y)) - pad
  const y1 = Math.max(...all.map((p) => p.y)) + pad
  const s = Math.min(wide / (x1 - x0), high / (y1 - y0))
  return { cx: (x0 + x1) / 2, cy: (y0 + y1) / 2, s }
})
const put = (p: P) => {
  const f = frame.value!
  return { x: wide / 2 + (p.x - f.cx) * f.s, y: high / 2 - (p.y - f.cy) * f.s }
}
const path = (ring: P[]) =>
  ring
    .map((p, i) => {
      const q = put(p)
      return `${i ? 'L' : 'M'}${q.x.toFixed(1)} ${q.y.toFixed(1)}`
    })
    .join('') + 'Z'
const outlines = computed(() =>
  !frame.value
    ? []
    : props.drawn.map((d) => {
        const rings = d[view.value]
        const pts = rings.flat().map(put)
        const at = pts.reduce((a, b) => (b.y < a.y ? b : a), pts[0] ?? { x: -99, y: -99 })
        return {
          d,
          path: rings.map(path).join(''),
          x: Math.min(Math.max(at.x, 40), wide - 60),
          y: Math.max(at.y - 5, 14),
          hit: bad.value.has(d.name),
          seen:
            Math.max(...pts.map((q) => q.x)) > 0 &&
            Math.min(...pts.map((q) => q.x)) < wide &&
            Math.max(...pts.map((q) => q.y)) > 0 &&
            Math.min(...pts.map((q) => q.y)) < high,
        }
      }),
)
const marks = computed(() =>
  !frame.value
    ? []
    : props.points
        .filter((p) => p.at)
        .map((p) => ({ p, ...put({ x: p.at![axes[view.value][0]]!, y: p.at![axes[view.value][1]]! }) }))
        .filter((m) => m.x > 0 && m.x < wide && m.y > 0 && m.y < high),
)
const shortest = computed(() =>
  !frame.value
    ? []
    : props.clearances.slice(0, 3).map((c) => ({
        c,
        a: put({ x: c.at[axes[view.value][0]]!, y: c.at[axes[view.value][1]]! }),
        b: put({ x: c.to[axes[view.value][0]]!, y: c.to[axes[view.value][1]]! }),
      })),
)
</script>

<template>
  <div class="sketch">
    <div class="row">
      <ChoiceRow v-model="view" label="Seen from" :choices="views" />
      <ChoiceRow
        v-model="near"
        label="Show"
        :choices="[
          { value: true as never, text: 'round what is placed' },
          { value: false as never, text: 'everything' },
        ]"
      />
    </div>
    <p v-if="!frame" class="soft">Nothing to draw yet: add points, spaces, or place a part.</p>
    <svg v-else :viewBox="`0 0 ${wide} ${high}`" role="img" aria-label="Spaces and placed things in outline">
      <defs>
        <pattern id="hit" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="8" class="stripe" />
        </pattern>
      </defs>
      <g v-for="(o, i) in outlines" :key="i" :class="[o.d.kind, { hit: o.hit, swept: o.d.swept }]">
        <path :d="o.path" class="body" />
        <path v-if="o.hit" :d="o.path" fill="url(#hit)" />
      </g>
      <g v-for="(o, i) in outlines" :key="'t' + i" :class="[o.d.kind, { hit: o.hit }]">
        <text v-if="o.seen && o.d.kind !== 'bolt'" :x="o.x" :y="o.y" class="name">{{ o.d.name }}</text>
      </g>
      <path v-for="m in marks" :key="m.p.id" :d="`M${m.x - 4} ${m.y}h8M${m.x} ${m.y - 4}v8`" class="mark">
        <title>{{ m.p.name }}</title>
      </path>
      <g v-for="(l, i) in shortest" :key="'c' + i" :class="['least', l.c.verdict]">
        <path :d="`M${l.a.x} ${l.a.y}L${l.b.x} ${l.b.y}`" />
        <circle :cx="l.a.x" :cy="l.a.y" r="3" />
      </g>
      <g class="axes">
        <path :d="`M16 ${high - 16}h44m-7 -4l7 4l-7 4M16 ${high - 16}v-44m-4 7l4 -7l4 7`" />
        <text x="64" :y="high - 11">{{ view === 'end' ? 'left' : 'forward' }}</text>
        <text x="8" :y="high - 66">{{ view === 'plan' ? 'left' : 'up' }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.sketch {
  display: grid;
  gap: 10px;
}
.row {
  gap: 24px;
}
svg {
  width: 100%;
  border: 1px solid var(--rule);
  background: var(--board, var(--sheet));
  font-size: 12px;
  fill: var(--ink);
}
.body {
  fill: var(--sunk);
  fill-opacity: 0.45;
  stroke: var(--ink-soft);
  stroke-width: 1;
}
.thing .body {
  fill: var(--paper);
  fill-opacity: 0.8;
  stroke: var(--ink);
  stroke-width: 2;
}
.name {
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 4px;
}
.thing text {
  font-weight: 700;
}
.bolt .body {
  fill: var(--ink);
  fill-opacity: 0.6;
  stroke: none;
}
.swept .body {
  stroke-dasharray: 7 4;
}
.line .body,
.tank .body {
  stroke-dasharray: 1.5 3;
  stroke-width: 2;
}
.hit .body {
  stroke: var(--stop);
  stroke-width: 2.2;
}
.hit text {
  fill: var(--stop);
}
.stripe {
  fill: var(--stop);
  opacity: 0.4;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.2;
}
.least path {
  stroke: var(--ember);
  stroke-width: 2;
}
.least circle {
  fill: var(--ember);
}
.least.bad path {
  stroke: var(--stop);
}
.axes path {
  stroke: var(--ink);
  fill: none;
}
</style>
