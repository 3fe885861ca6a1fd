<script setup lang="ts">
// The blanks of the body side by side at one scale: a corner is dragged or pushed with the arrow keys
// within its panel, and everything is worked out and drawn again as it goes.
import { useElementSize } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import type { FacetBlank, OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody }>()
const emit = defineEmits<{ choose: [id: string] }>()
const frame = ref<HTMLElement>()
const { width, height } = useElementSize(frame)
const blanks = computed(() => (props.open.worked.value?.blanks ?? []).filter((b) => b.outline.length))

type Laid = { x: number; y: number }
/** Where each blank stands, mm, and what they take in all: rows, the highest first, for a frame of this shape. */
const laid = computed(() => {
  const boxes = blanks.value.map((b, i) => {
    const xs = b.outline.map((p) => p[0]!)
    const ys = b.outline.map((p) => p[1]!)
    const [x, y] = [Math.min(...xs), Math.min(...ys)]
    return { i, x, y, w: Math.max(...xs) - x, h: Math.max(...ys) - y }
  })
  const gap = 0.08 * Math.sqrt(boxes.reduce((s, b) => s + b.w * b.h, 0) / Math.max(boxes.length, 1))
  const order = [...boxes].sort((a, b) => b.h - a.h)
  const shape = (width.value || 600) / (height.value || 400)
  const rows = (across: number) => {
    const at: Laid[] = []
    let [x, y, row, wide] = [0, 0, 0, 0]
    for (const b of order) {
      if (x > 0 && x + b.w > across) [x, y, row] = [0, y + row + 2 * gap, 0]
      at[b.i] = { x: x - b.x, y: -y - b.h - b.y }
      ;[x, row] = [x + b.w + gap, Math.max(row, b.h)]
      wide = Math.max(wide, x)
    }
    return { at, wide, high: y + row + gap }
  }
  const tries = [...new Set(order.map((_, k) => order.slice(0, k + 1).reduce((s, b) => s + b.w + gap, 0)))].map(rows)
  const need = (r: { wide: number; high: number }) => Math.max(r.wide / shape, r.high)
  return { ...(tries.sort((a, b) => need(a) - need(b))[0] ?? { at: [], wide: 1, high: 1 }), gap }
})
type Frame = typeof laid.value & { scale: number }
const pad = 26
const fresh = computed<Frame>(() => ({
  ...laid.value,
  scale: Math.max(
    1e-6,
    Math.min((width.value - 2 * pad) / laid.value.wide, (height.value - 2 * pad) / Math.max(laid.value.high, 1e-6)),
  ),
}))
// Nothing shifts under the hand: while a corner is held the blanks stand where they stood.
const kept = shallowRef<Frame>()
const view = computed(() => (kept.value && kept.value.at.length === blanks.value.length ? kept.value : fresh.value))
const px = (i: number, p: readonly number[]) => ({
  x: pad + (p[0]! + (view.value.at[i]?.x ?? 0)) * view.value.scale,
  y: pad - (p[1]! + (view.value.at[i]?.y ?? 0)) * view.value.scale,
})
const n = (v: number) => v.toFixed(1)
const path = (i: number, list: readonly (readonly number[])[]) =>
  list
    .map((p) => px(i, p))
    .map((p) => `${n(p.x)},${n(p.y)}`)
    .join(' ')
const drawn = computed(() =>
  blanks.value.map((b, i) => {
    const lowest = b.outline.reduce((a, p) => (p[1]! > a[1]! ? p : a))
    const left = Math.min(...b.outline.map((p) => p[0]!))
    return {
      key: b.root,
      rim: path(i, b.outline),
      lines: b.lines.map((l) => ({ a: px(i, [l[0]!, l[1]!]), b: px(i, [l[2]!, l[3]!]) })),
      name: px(i, [left, lowest[1]!]),
      text: `${b.name}  ${b.size}`,
      stops: b.stops.length > 0 || !!b.why,
      corners: b.corners.map((c, k) => ({ of: c, ...px(i, c.at), key: `${i} ${k}` })),
    }
  }),
)
type Corner = FacetBlank['corners'][number]
/** Moves a corner along its flat; what it counts from goes along. */
function move(c: Corner, from: { x: number; y: number; z: number }, dx: number, dy: number) {
  const list = props.open.doc.value?.points ?? []
  const i = list.findIndex((p) => p.id === c.point)
  if (i < 0) return
  const put = (v: number, k: number) => Math.round((v + dx * c.x[k]! + dy * c.y[k]!) * 1e4) / 1e4
  props.open.set(`/points/${i}`, { ...list[i]!, x: put(from.x, 0), y: put(from.y, 1), z: put(from.z, 2) })
}
const point = (id: string) => props.open.doc.value?.points?.find((p) => p.id === id)
const held = shallowRef<{ corner: Corner; from: { x: number; y: number; z: number }; at: [number, number]; key: string }>()
function down(e: PointerEvent, c: Corner, key: string) {
  emit('choose', c.point)
  const p = point(c.point)
  if (!p) return
  ;(e.currentTarget as Element).setPointerCapture(e.pointerId)
  kept.value = fresh.value
  held.value = { corner: c, from: { x: p.x, y: p.y, z: p.z }, at: [e.clientX, e.clientY], key }
}
let last = ''
function drag(e: PointerEvent) {
  const h = held.value
  if (!h) return
  const step = (v: number) => Math.round(v / view.value.scale / props.open.style.value.grain) * props.open.style.value.grain
  const [dx, dy] = [step(e.clientX - h.at[0]), step(h.at[1] - e.clientY)]
  const now = `${dx} ${dy}`
  if (now === last) return
  last = now
  move(h.corner, h.from, dx, dy)
}
function up() {
  held.value = undefined
  kept.value = undefined
  last = ''
}
const ways: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }
function push(e: KeyboardEvent, c: Corner) {
  const way = ways[e.key]
  const p = point(c.point)
  if (!way || !p) return
  e.preventDefault()
  const by = props.open.style.value.grain * (e.shiftKey ? 10 : 1)
  move(c, p, way[0] * by, way[1] * by)
}
const name = (c: Corner) => `${props.open.called(c.point)} on ${props.open.panel(c.panel)}`
</script>

<template>
  <div ref="frame" class="flats" data-testid="flats">
    <svg v-if="drawn.length && width" :width="width" :height="height" role="group" aria-label="The flats of its blanks">
      <g v-for="b in drawn" :key="b.key" :data-flat="b.key">
        <polygon :points="b.rim" :class="{ stops: b.stops }" />
        <line v-for="(l, i) in b.lines" :key="i" :x1="l.a.x" :y1="l.a.y" :x2="l.b.x" :y2="l.b.y" />
        <text :x="b.name.x" :y="b.name.y - 7">{{ b.text }}</text>
        <g
          v-for="c in b.corners"
          :key="c.key"
          class="corner"
          :class="{ on: open.chosen.value === c.of.point, held: held?.key === c.key }"
          tabindex="0"
          role="button"
          :aria-label="`${name(c.of)}: drag it, or push it with the arrow keys`"
          :data-corner="`${c.of.panel} ${c.of.point}`"
          @pointerdown="(e) => down(e, c.of, c.key)"
          @pointermove="drag"
          @pointerup="up"
          @pointercancel="up"
          @focus="emit('choose', c.of.point)"
          @keydown="(e) => push(e, c.of)"
        >
          <title>{{ name(c.of) }}</title>
          <circle :cx="c.x" :cy="c.y" r="15" class="catch" />
          <circle :cx="c.x" :cy="c.y" r="5" />
        </g>
      </g>
    </svg>
    <p v-else class="soft">{{ width ? 'No flats yet: set points and name the corners of a panel in turn.' : '' }}</p>
  </div>
</template>

<style scoped>
.flats {
  position: relative;
  overflow: hidden;
  background: var(--board);
  border: 1px solid var(--rule);
  min-height: 0;
  height: 100%;
}
svg {
  position: absolute;
  inset: 0;
  touch-action: none;
}
p {
  padding: 24px;
}
polygon {
  fill: var(--metal);
  stroke: var(--line);
  stroke-width: 1.5;
}
polygon.stops {
  stroke: var(--stop);
}
line {
  stroke: var(--line);
  stroke-dasharray: 14 6;
}
text {
  font: 500 12.5px var(--text);
  fill: var(--line);
}
.corner {
  cursor: grab;
  outline: none;
}
.corner circle {
  fill: var(--board);
  stroke: var(--line);
  stroke-width: 1.5;
}
.corner .catch {
  fill: transparent;
  stroke: none;
}
.corner.on circle:last-child {
  fill: var(--pick);
  stroke: var(--pick);
}
.corner:focus-visible .catch {
  stroke: var(--focus);
  stroke-width: 2.5;
}
.corner.held {
  cursor: grabbing;
}
</style>
