<script setup lang="ts">
// Joints where they stand, each with the force that what is held puts on what
// holds it; outlines of what is placed behind them.
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import PictureFrame from '@/kit/PictureFrame.vue'
import { useAmounts } from '@/kit/amounts'

const { force, mass } = useAmounts()
const props = defineProps<{ path: HoldingView['holding']['path']; at: number; view: 'side' | 'end' | 'plan' }>()
const axes = { plan: [0, 1], side: [0, 2], end: [1, 2] } as const
const wide = 900
const high = 360
const longest = 84 // px, of the largest force
type P = { x: number; y: number }
const flat = (v: number[]): P => ({ x: v[axes[props.view][0]]!, y: v[axes[props.view][1]]! })
const middles = computed(() => props.path.things.filter((t) => t.at).map((t) => ({ t, p: flat(t.at!) })))
const frame = computed(() => {
  const all = [
    ...props.path.links.map((l) => flat(l.at)),
    ...middles.value.map((m) => m.p),
    ...props.path.sketch.flatMap((d) => d[props.view].flat()),
  ]
  const x0 = Math.min(...all.map((p) => p.x))
  const x1 = Math.max(...all.map((p) => p.x))
  const y0 = Math.min(...all.map((p) => p.y))
  const y1 = Math.max(...all.map((p) => p.y))
  const s = Math.min((wide - 320) / Math.max(x1 - x0, 1), (high - 210) / Math.max(y1 - y0, 1), 1.2)
  return { cx: (x0 + x1) / 2, cy: (y0 + y1) / 2, s }
})
const put = (p: P): P => ({
  x: wide / 2 + (p.x - frame.value.cx) * frame.value.s,
  y: high / 2 - (p.y - frame.value.cy) * frame.value.s,
})
/** Joints that fall on one spot of the view are drawn once, their forces added. */
const arrows = computed(() => {
  const spots = new Map<string, { p: P; f: P; names: string[] }>()
  for (const l of props.path.links) {
    const p = put(flat(l.at))
    const f = flat(l.forces[props.at]!)
    const key = `${Math.round(p.x / 10)} ${Math.round(p.y / 10)} ${l.onto === 'the vehicle'}`
    const had = spots.get(key)
    const name = `${l.name}${l.place ? `, ${l.place}` : ''}`
    if (had) {
      had.f = { x: had.f.x + f.x, y: had.f.y + f.y }
      had.names.push(name)
    } else spots.set(key, { p, f, names: [name] })
  }
  const most = Math.max(...[...spots.values()].map((s) => Math.hypot(s.f.x, s.f.y)), 1)
  return [...spots.values()].map((s) => {
    const k = longest / most
    const long = Math.hypot(s.f.x, s.f.y)
    const to = { x: s.p.x + s.f.x * k, y: s.p.y - s.f.y * k }
    return {
      ...s,
      long,
      to,
      drawn: long * k > 8,
      text: force(long),
      left: Math.abs(s.f.x) > 0.3 * long ? s.f.x < 0 : s.p.x < wide / 2,
    }
  })
})
const outline = (rings: P[][]) =>
  rings
    .map(
      (r) =>
        r
          .map((p, i) => {
            const q = put(p)
            return `${i ? 'L' : 'M'}${q.x.toFixed(1)} ${q.y.toFixed(1)}`
          })
          .join('') + 'Z',
    )
    .join('')
</script>

<template>
  <PictureFrame name="load path">
    <svg :viewBox="`0 0 ${wide} ${high}`" role="img" aria-label="Forces through the joints">
      <defs>
        <marker id="path-head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="6" markerHeight="6" orient="auto">
          <path d="M0 0L8 4L0 8z" class="tip" />
        </marker>
      </defs>
      <path v-for="d in path.sketch" :key="d.id" :d="outline(d[view])" class="thing" />
      <g v-for="m in middles" :key="m.t.id" class="mass">
        <template v-if="m.t.mass > 5">
          <circle :cx="put(m.p).x" :cy="put(m.p).y" r="9" />
          <path :d="`M${put(m.p).x - 9} ${put(m.p).y}h18M${put(m.p).x} ${put(m.p).y - 9}v18`" />
          <text :x="put(m.p).x + 15" :y="put(m.p).y + 5">{{ m.t.name }}, {{ mass(m.t.mass, 0) }}</text>
        </template>
      </g>
      <g v-for="(a, i) in arrows" :key="i">
        <title>{{ a.names.join('; ') }}</title>
        <rect :x="a.p.x - 5" :y="a.p.y - 5" width="10" height="10" class="joint" />
        <path v-if="a.drawn" :d="`M${a.p.x} ${a.p.y}L${a.to.x} ${a.to.y}`" class="force" marker-end="url(#path-head)" />
      </g>
      <text
        v-for="(a, i) in arrows"
        :key="`says ${i}`"
        :x="a.to.x + (a.left ? -8 : 8)"
        :y="a.to.y + 5"
        :text-anchor="a.left ? 'end' : 'start'"
        class="says"
      >
        {{ a.text }}
        <template v-if="a.names.length > 1">on {{ a.names.length }}</template>
      </text>
      <g class="axes">
        <path :d="`M16 ${high - 16}h44m-7 -4l7 4l-7 4M16 ${high - 16}v-44m-4 7l4 -7l4 7`" />
        <text x="64" :y="high - 11">{{ view === 'end' ? 'left' : 'forward' }}</text>
        <text x="8" :y="high - 66">{{ view === 'plan' ? 'left' : 'up' }}</text>
      </g>
    </svg>
  </PictureFrame>
</template>

<style scoped>
svg {
  width: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
  font: 500 13px var(--text);
  fill: var(--line);
}
.thing {
  fill: var(--metal);
  stroke: var(--line-soft);
}
.mass circle {
  fill: var(--board);
  stroke: var(--line);
  stroke-width: 1.6;
}
.mass path {
  stroke: var(--line);
}
.joint {
  fill: var(--line);
}
.force {
  stroke: var(--pick);
  stroke-width: 3;
  fill: none;
}
.tip {
  fill: var(--pick);
}
.says {
  font-weight: 680;
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
}
.axes path {
  stroke: var(--line-soft);
  fill: none;
}
.axes text {
  fill: var(--line-soft);
}
</style>
