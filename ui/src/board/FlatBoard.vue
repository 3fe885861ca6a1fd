<script setup lang="ts">
// The marking-out board: the flat pattern, good side up. Cut lines solid, bend
// up long dashes with a filled flag, bend down dash-dot with an open flag,
// holes with a centre-punch tick. Faces, edges and sizes can be tapped.
import { useElementSize } from '@vueuse/core'
import { computed, ref, useId } from 'vue'
import type { Dimension, Edge, Part } from '@/api/client'
import BoardCatches from './BoardCatches.vue'
import BoardFaces from './BoardFaces.vue'
import BoardDimension from './BoardDimension.vue'
import BoardOrdinates from './BoardOrdinates.vue'
import BoardPress from './BoardPress.vue'
import BoardRuns, { type FlatRun } from './BoardRuns.vue'
import BoardSeams, { type EdgeSeam } from './BoardSeams.vue'
import BoardSides from './BoardSides.vue'
import { dimensionLine, fit, loopPath, middle, points } from './geometry'
import { bendText, placeLabels, type Rect } from './place'

const props = defineProps<{
  part: Part
  chosen?: Dimension
  feature?: string
  edge?: Edge
  /** The panel that is looked at alone, with all its sizes. */
  panel?: string
  /** Where it is welded by its edges. */
  seams?: EdgeSeam[]
  /** In which order that is done. */
  runs?: FlatRun[]
}>()
const emit = defineEmits<{
  dimension: [path: string]
  face: [panel: string]
  edge: [panel: string, edge: Edge]
  hole: [feature: string]
}>()

const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const alone = computed(() => props.part.panels.find((p) => p.id === props.panel))
const bounds = computed(() => {
  const rim = alone.value && [...alone.value.flat, ...(alone.value.zone ?? [])]
  if (!rim) return props.part.bounds
  const xs = rim.map((p) => p.x)
  const ys = rim.map((p) => p.y)
  return { min: { x: Math.min(...xs), y: Math.min(...ys) }, max: { x: Math.max(...xs), y: Math.max(...ys) } }
})
const view = computed(() =>
  fit(bounds.value, width.value || 600, height.value || 400, {
    left: 106,
    right: 44,
    top: 56,
    bottom: props.runs ? 72 : 44, // what they are of stands below
  }),
)
const main = computed(() => {
  const drawn = props.part.dimensions.filter((d) => d.from && d.to && d.path !== props.chosen?.path)
  const own =
    alone.value && new Set([alone.value.id, ...props.part.holes.filter((h) => h.panel === props.panel).map((h) => h.feature)])
  return own ? drawn.filter((d) => own.has(d.feature)) : drawn.filter((d) => d.main && !d.path.includes('/holes/'))
})
const clip = useId()
const spots = computed(() => placeLabels(props.part, view.value, width.value || 600, main.value, props.chosen, bounds.value.min))
const flagged = computed(() => {
  const worst = new Map<string, string>()
  for (const f of props.part.findings)
    if (f.feature && !f.setAside && f.severity !== 'note' && worst.get(f.feature) !== 'stop') worst.set(f.feature, f.severity)
  return worst
})

/** Flags at their places; several at one place show as the worst. */
const flags = computed(() => {
  const out = new Map<string, { x: number; y: number; feature: string; severity: string; said: string }>()
  for (const f of props.part.findings) {
    if (!f.place || f.setAside || f.severity === 'note') continue
    const at = view.value.at({ x: f.place.flat[0]!, y: f.place.flat[1]! })
    const key = `${Math.round(at.x / 12)} ${Math.round(at.y / 12)}`
    const had = out.get(key)
    if (had) had.said += `\n${f.reason}`
    else out.set(key, { ...at, feature: f.feature ?? '', severity: f.severity, said: f.reason })
  }
  return [...out.values()]
})

const n = (v: number) => v.toFixed(1)
/** Lines a round is pressed at, as bends that belong to no flange. */
const pressed = computed(() => (props.part.round?.lines ?? []).map((l, i) => ({ ...l, id: `press ${i}` })))
const zones = computed(() => props.part.panels.map((p) => (p.zone?.length ? `M${points(p.zone, view.value)}Z` : '')).join(''))
const bends = computed(() =>
  [...props.part.bendLines, ...pressed.value].map((l) => {
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
/** Bend lines and their flags by how they are drawn, one path for all of a kind. */
const folds = computed(() => {
  const out: Record<string, { lines: string; flags: string }> = {}
  for (const l of bends.value) {
    const f = (out[`${l.up ? 'up' : 'down'}${l.id === props.feature ? ' on' : ''}`] ??= { lines: '', flags: '' })
    f.lines += `M${n(l.a.x)} ${n(l.a.y)}L${n(l.b.x)} ${n(l.b.y)}`
    const c = Math.cos((l.tilt * Math.PI) / 180)
    const s = Math.sin((l.tilt * Math.PI) / 180)
    const tip = l.up ? 11 : -11
    if (pressed.value.length > 12) continue // so near each other flags would hide the lines
    f.flags += `M${n(l.m.x - 5 * c)} ${n(l.m.y - 5 * s)}L${n(l.m.x + 5 * c)} ${n(l.m.y + 5 * s)}L${n(l.m.x + tip * s)} ${n(l.m.y - tip * c)}Z`
  }
  return out
})
const bendLabels = computed(() =>
  bends.value.flatMap((l) => {
    if (!('radius' in l)) return []
    const spot = spots.value.get(`bend ${l.id}`)
    return spot ? [{ id: l.id, at: turned(spot, l.upright), text: bendText(l) }] : []
  }),
)
const holes = computed(() =>
  props.part.holes.map((h) => {
    const c = view.value.at(h.centre)
    const r = Math.max((h.diameter / 2) * view.value.scale, 1.5)
    return { ...h, c, r, arm: r + 5, path: h.loop?.length ? loopPath(h.loop, view.value) : '' }
  }),
)
/** Hole rims by how they are drawn, one path for all of a kind. */
const rims = computed(() => {
  const out: Record<string, string> = {}
  for (const h of holes.value) {
    const state =
      h.feature === props.feature ? 'on' : (flagged.value.get(h.feature) ?? (h.made === 'drilled' ? 'drilled' : 'plain'))
    const r = n(h.r)
    const d = n(2 * h.r)
    out[state] = (out[state] ?? '') + (h.path || `M${n(h.c.x - h.r)} ${n(h.c.y)}a${r} ${r} 0 1 0 ${d} 0a${r} ${r} 0 1 0 -${d} 0Z`)
  }
  return out
})
/** The centre-punch ticks, one path for them all: a part may have hundreds. */
const ticks = computed(() =>
  holes.value.map(({ c, arm }) => `M${n(c.x - arm)} ${n(c.y)}h${n(2 * arm)}M${n(c.x)} ${n(c.y - arm)}v${n(2 * arm)}`).join(''),
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
      :aria-label="`Flat pattern with ${part.bendLines.length + pressed.length} bends and ${part.holes.length} holes`"
    >
      <clipPath :id="clip"><path :d="loopPath(part.outline, view)" /></clipPath>
      <path :d="loopPath(part.outline, view)" class="metal" />
      <path :d="zones" class="zone" :clip-path="`url(#${clip})`" />
      <BoardFaces :part="part" :view="view" :on="edge ? undefined : feature" :flagged="flagged" @face="(p) => emit('face', p)" />
      <path :d="loopPath(part.outline, view)" class="cut" />
      <path v-for="(d, state) in rims" :key="state" :d="d" class="cut open" :class="state" />
      <path :d="ticks" class="tick" />
      <g v-for="(f, kind) in folds" :key="kind" :class="kind">
        <path :d="f.lines" class="bend" />
        <path :d="f.flags" class="flag" />
      </g>
      <BoardPress :lines="bends" />
      <text v-for="l in bendLabels" :key="l.id" class="label" text-anchor="middle" :transform="l.at">{{ l.text }}</text>
      <BoardCatches
        :part="part"
        :view="view"
        :feature="feature"
        :edge="edge"
        @hole="(f) => emit('hole', f)"
        @edge="(p, e) => emit('edge', p, e)"
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
      <BoardSeams v-if="seams?.length" :part="part" :view="view" :seams="seams" :bare="!!runs?.length" />
      <BoardRuns v-if="runs?.length" :runs="runs" :view="view" />
      <BoardSides :part="part" :view="view" :on="feature" />
      <BoardOrdinates v-if="!alone" :part="part" :view="view" :height="height" />
      <path
        v-if="alone"
        :d="
          main
            .filter((d) => spots.has(d.path))
            .map((d) => dimensionLine(d, view))
            .join('')
        "
        class="lines"
      />
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
      <g
        v-for="(f, i) in flags"
        :key="'flag' + i"
        class="warn"
        :class="f.severity"
        :transform="`translate(${f.x} ${f.y})`"
        :data-flag="f.feature"
        @click="emit('hole', f.feature)"
      >
        <title>{{ f.said }}</title>
        <circle r="16" class="catch" />
        <path :d="f.severity === 'stop' ? 'M-4 -10H4L10 -4V4L4 10H-4L-10 4V-4Z' : 'M-9 0A9 9 0 0 1 9 0A9 9 0 0 1 -9 0Z'" />
        <path d="M0 -5V1.5M0 4V5.5" class="bang" />
      </g>
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
.catch {
  fill: transparent;
  cursor: pointer;
}
.open.on,
.open.stop,
.open.mind {
  stroke: var(--pick);
  stroke-width: 3;
}
.open.stop {
  stroke: var(--stop);
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
.lines {
  fill: none;
  stroke: var(--line-soft);
  pointer-events: none;
}
.warn {
  cursor: pointer;
}
.warn path {
  fill: var(--mind);
  stroke: var(--board);
  stroke-width: 1.5;
}
.warn.stop path {
  fill: var(--stop);
}
.warn .bang {
  fill: none;
  stroke: var(--board);
  stroke-width: 2.4;
}
.nothing {
  padding: 24px;
  color: var(--ink-soft);
}
</style>
