<script setup lang="ts">
// The map seen onto its face, hole 1 left of hole 2: true to scale once it
// comes out, on a ring before.
import { computed } from 'vue'
import type { HoleMap, MapTold } from '@/api/client'

const props = defineProps<{ map: HoleMap; told?: MapTold }>()
const wide = 460
const high = 210
const spots = computed(() => {
  const n = props.map.holes.length
  const list =
    props.told?.holes.length === n
      ? props.told.holes.map((h) => ({ x: h.x, y: -h.y }))
      : props.map.holes.map((_, i) => ({ x: -100 * Math.cos((2 * Math.PI * i) / n), y: -60 * Math.sin((2 * Math.PI * i) / n) }))
  const x0 = Math.min(...list.map((p) => p.x))
  const y0 = Math.min(...list.map((p) => p.y))
  const w = Math.max(1, Math.max(...list.map((p) => p.x)) - x0)
  const h = Math.max(1, Math.max(...list.map((p) => p.y)) - y0)
  const s = Math.min((wide - 70) / w, (high - 64) / h)
  return list.map((p, i) => ({
    x: wide / 2 + (p.x - x0 - w / 2) * s,
    y: high / 2 + (p.y - y0 - h / 2) * s,
    r: Math.max(3, ((props.map.holes[i]?.diameter ?? 8) / 2) * s),
    name: props.map.holes[i]?.name || String(i + 1),
  }))
})
const lines = computed(() =>
  props.map.readings
    .map((r) => ({
      a: spots.value[props.map.holes.findIndex((h) => h.id === r.from)],
      b: spots.value[props.map.holes.findIndex((h) => h.id === r.to)],
      kind:
        props.told?.suspect && props.told.suspect === r.id
          ? 'suspect'
          : props.told?.readings.find((x) => x.id === r.id)?.why
            ? 'waiting'
            : 'taken',
    }))
    .filter((l) => l.a && l.b),
)
const next = computed(() => {
  const spot = (id?: string) => spots.value[props.map.holes.findIndex((h) => h.id === id)]
  const a = spot(props.told?.nextFrom)
  const b = spot(props.told?.nextTo)
  return a && b ? { a, b } : undefined
})
</script>

<template>
  <svg
    :viewBox="`0 0 ${wide} ${high}`"
    class="sketch"
    role="img"
    :aria-label="`${map.name || 'Hole map'}: ${map.holes.length} holes`"
  >
    <path v-for="(l, k) in lines" :key="k" :d="`M${l.a!.x} ${l.a!.y}L${l.b!.x} ${l.b!.y}`" :class="l.kind" />
    <path v-if="next" :d="`M${next.a.x} ${next.a.y}L${next.b.x} ${next.b.y}`" class="next" />
    <g v-for="s in spots" :key="s.name">
      <circle :cx="s.x" :cy="s.y" :r="s.r" class="hole" />
      <path :d="`M${s.x - 3} ${s.y}h6M${s.x} ${s.y - 3}v6`" class="punch" />
      <text :x="s.x + s.r + 3" :y="s.y - s.r - 2">{{ s.name }}</text>
    </g>
  </svg>
</template>

<style scoped>
.sketch {
  width: 100%;
  background: var(--board, var(--sheet));
  border: 1px solid var(--rule);
  font-size: 14px;
  font-weight: 600;
  fill: var(--line, var(--ink));
}
path {
  fill: none;
}
.taken {
  stroke: var(--rule-strong);
  stroke-width: 0.8;
}
.waiting {
  stroke: var(--rule-strong);
  stroke-dasharray: 2 5;
}
.suspect {
  stroke: var(--stop);
  stroke-width: 3;
  stroke-dasharray: 9 4;
}
.next {
  stroke: var(--ember);
  stroke-width: 3;
  stroke-dasharray: 3 5;
}
.hole {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.punch {
  stroke: var(--ink);
}
</style>
