<script setup lang="ts">
// The marking-out board: the flat pattern, good side up. Cut lines solid, bend
// up long dashes with a filled flag, bend down dash-dot with an open flag,
// holes with a centre-punch tick. Faces, edges and sizes can be tapped.
import { useElementSize } from '@vueuse/core'
import { computed, ref, useId } from 'vue'
import type { Dimension, Edge, Part } from '@/api/client'
import BoardDimension from './BoardDimension.vue'
import BoardOrdinates from './BoardOrdinates.vue'
import { fit, loopPath, middle, points } from './geometry'
import { bendText, placeLabels, type Rect } from './place'

const props = defineProps<{ part: Part; chosen?: Dimension; feature?: string; edge?: Edge }>()
const emit = defineEmits<{
  dimension: [path: string]
  face: [panel: string]
  edge: [panel: string, edge: Edge]
  hole: [feature: string]
}>()

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const view = computed(() =>
  fit(props.part.bounds, width.value || 600, height.value || 400, { left: 106, right: 44, top: 26, bottom: 44 }),
)
const main = computed(() =>
  props.part.dimensions.filter((d) => d.main && d.from && d.to && d.path !== props.chosen?.path && !d.path.includes('/holes/')),
)
const clip = useId()
const spots = computed(() => placeLabels(props.part, view.value, width.value || 600, main.value, props.chosen))
const flagged = computed(() => {
  const worst = new Map<string, string>()
  for (const f of props.part.findings)
    if (f.feature && !f.setAside && f.severity !== 'note' && worst.get(f.feature) !== 'stop') worst.set(f.feature, f.severity)
  return worst
})

const bends = computed(() =>
  props.part.bendLines.map((l) => {
    const a = view.value.at(l.from)
    const b = view.value.at(l.to)
    const m = middle(a, b)
    const upright = Math.abs(b.y - a.y) > Math.abs(b.x - a.x)
    // The flag stands on the line; on an upright one it points to the left.
    const way = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI
    const tilt = upright ? (way > 0 ? way - 180 : way) : Math.abs(way) > 90 ? way - 180 : way
    return { ...l, a, b, m, upright, tilt }
  }),
)
const holes = computed(() =>
  props.part.holes.map((h) => {
    const c = view.value.at(h.centre)
    const r = Math.max((h.diameter / 2) * view.value.scale, 1.5)
    return { ...h, c, r, arm: r + 5, path: h.loop?.length ? loopPath(h.loop, view.value) : '' }
  }),
)
const firsts = computed(() => {
  const seen = new Set<string>()
  return holes.value
    .filter((h) => !seen.has(h.feature) && seen.add(h.feature))
    .map((h) => ({ ...h, spot: spots.value.get(`hole ${h.feature}`) }))
    .filter((h) => h.spot)
})
const marks = computed(() =>
  props.part.marks.map((m) => ({
    ...m,
    c: view.value.at(m.at),
    size: Math.max((m.height ?? 5) * view.value.scale, 9),
  })),
)
const turned = (r: Rect, upright: boolean) =>
  upright ? `translate(${r.x + 12} ${r.y + r.h / 2}) rotate(-90)` : `translate(${r.x + r.w / 2} ${r.y + 12})`
const edges = computed(() =>
  props.part.panels.flatMap((p) =>
    p.edges
      .filter((e) => e.role === 'free' || e.role === 'tip')
      .map((e) => ({ panel: p.id, ...e, a: view.value.at(e.from), b: view.value.at(e.to) })),
  ),
)
</script>

<template>
  <div
    ref="frame"
    class="board"
    data-testid="flat"
    :data-blank="`${part.bounds.max.x - part.bounds.min.x}x${part.bounds.max.y - part.bounds.min.y}`"
  >
    <svg
      v-if="part.outline.length"
      :width="width"
      :height="height"
      role="img"
      :aria-label="`Flat pattern with ${part.bendLines.length} bends and ${part.holes.length} holes`"
    >
      <clipPath :id="clip"><path :d="loopPath(part.outline, view)" /></clipPath>
      <path :d="loopPath(part.outline, view)" class="metal" />
      <template v-for="p in part.panels" :key="p.id">
        <polygon v-if="p.zone?.length" :points="points(p.zone, view)" class="zone" :clip-path="`url(#${clip})`" />
        <polygon
          :points="points(p.flat, view)"
          class="face"
          :class="[{ on: p.id === feature && !edge }, flagged.get(p.id)]"
          @click="emit('face', p.id)"
        />
      </template>
      <path :d="loopPath(part.outline, view)" class="cut" />
      <g
        v-for="h in holes"
        :key="h.id"
        class="hole"
        :class="[{ on: h.feature === feature }, flagged.get(h.feature)]"
        @click="emit('hole', h.feature)"
      >
        <circle :cx="h.c.x" :cy="h.c.y" :r="Math.max(h.r, 16)" class="catch" />
        <path v-if="h.path" :d="h.path" class="cut open" />
        <circle v-else :cx="h.c.x" :cy="h.c.y" :r="h.r" class="cut open" :class="{ drilled: h.made === 'drilled' }" />
        <path :d="`M${h.c.x - h.arm} ${h.c.y}H${h.c.x + h.arm}M${h.c.x} ${h.c.y - h.arm}V${h.c.y + h.arm}`" class="tick" />
      </g>
      <g v-for="l in bends" :key="l.id" :class="[l.up ? 'up' : 'down', { on: l.id === feature }]">
        <path :d="`M${l.a.x} ${l.a.y}L${l.b.x} ${l.b.y}`" class="bend" />
        <g :transform="`translate(${l.m.x} ${l.m.y}) rotate(${l.tilt})`">
          <path :d="l.up ? 'M-5 0L5 0L0 -11Z' : 'M-5 0L5 0L0 11Z'" class="flag" />
        </g>
        <text
          v-if="spots.get('bend ' + l.id)"
          class="label"
          text-anchor="middle"
          :transform="turned(spots.get('bend ' + l.id)!, l.upright)"
        >
          {{ bendText(l) }}
        </text>
      </g>
      <path
        v-for="e in edges"
        :key="e.panel + e.edge"
        :d="`M${e.a.x} ${e.a.y}L${e.b.x} ${e.b.y}`"
        class="edge"
        :class="{ on: e.panel === feature && e.edge === edge }"
        @click="emit('edge', e.panel, e.edge)"
      />
      <text
        v-for="h in firsts"
        :key="'t' + h.feature"
        :x="h.spot!.x + 3"
        :y="h.spot!.y + 12"
        class="label size"
        :class="{ on: h.feature === feature }"
        @click="emit('hole', h.feature)"
      >
        {{ h.size }}
      </text>
      <g v-for="m in marks" :key="m.id" class="mark" :class="{ on: m.id === feature }" @click="emit('hole', m.id)">
        <polyline v-for="(l, i) in m.lines ?? []" :key="i" :points="points(l, view)" />
        <text v-if="m.text" :transform="`translate(${m.c.x} ${m.c.y}) rotate(${-m.angle})`" :font-size="m.size">
          {{ m.text }}
        </text>
      </g>
      <BoardOrdinates :part="part" :view="view" :height="height" />
      <template v-for="d in main" :key="d.path">
        <BoardDimension
          v-if="spots.get(d.path)"
          :dimension="d"
          :view="view"
          :spot="spots.get(d.path)!"
          @choose="emit('dimension', d.path)"
        />
      </template>
      <BoardDimension
        v-if="chosen && spots.get(chosen.path)"
        :spot="spots.get(chosen.path)!"
        :dimension="chosen"
        :view="view"
        chosen
        @choose="emit('dimension', chosen.path)"
      />
    </svg>
    <p v-else class="nothing">Nothing can be drawn yet: see the flags.</p>
  </div>
</template>

<style scoped>
.board {
  background: var(--board);
  border: 1px solid var(--rule);
  min-height: 220px;
  overflow: hidden;
  height: 100%;
  position: relative;
}
svg {
  position: absolute;
  inset: 0;
  display: block;
}
.metal {
  fill: var(--metal);
}
.zone {
  fill: var(--zone);
  pointer-events: none;
}
.face {
  fill: transparent;
  cursor: pointer;
}
.face:hover {
  fill: color-mix(in srgb, var(--pick) 9%, transparent);
}
.face.on {
  fill: color-mix(in srgb, var(--pick) 16%, transparent);
}
.face.stop {
  fill: color-mix(in srgb, var(--stop) 14%, transparent);
}
.cut {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.8;
  pointer-events: none;
}
.open {
  fill: var(--board);
}
.drilled {
  stroke-dasharray: 2 3;
  fill: none;
}
.hole {
  cursor: pointer;
}
.hole.on .cut,
.hole.stop .cut,
.hole.mind .cut {
  stroke: var(--pick);
  stroke-width: 3;
}
.hole.stop .cut {
  stroke: var(--stop);
}
.catch {
  fill: transparent;
}
.tick {
  stroke: var(--line);
  stroke-width: 0.8;
  pointer-events: none;
}
.bend {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.3;
}
.up .bend {
  stroke-dasharray: 14 6;
}
.down .bend {
  stroke-dasharray: 14 5 2 5;
}
.on .bend {
  stroke: var(--pick);
  stroke-width: 2.6;
}
.up .flag {
  fill: var(--line);
}
.down .flag {
  fill: var(--board);
  stroke: var(--line);
}
.label {
  font: 500 12.5px var(--text);
  fill: var(--line);
  paint-order: stroke;
  stroke: var(--metal);
  stroke-width: 3px;
}
.size {
  cursor: pointer;
  font-weight: 600;
}
.size.on {
  fill: var(--pick);
}
.mark {
  cursor: pointer;
}
.mark polyline {
  fill: none;
  stroke: var(--line);
  stroke-width: 0.9;
}
.mark text {
  fill: var(--line);
  font-family: var(--text);
}
.mark.on polyline {
  stroke: var(--pick);
  stroke-width: 2;
}
.mark.on text {
  fill: var(--pick);
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
.nothing {
  padding: 24px;
  color: var(--ink-soft);
}
</style>
