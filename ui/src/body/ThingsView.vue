<script setup lang="ts">
// Bodies that can be turned and tapped, lines drawn over them, and points that can be dragged.
import { computed, ref, watch } from 'vue'
import { afterFrame } from '@/kit/afterFrame'
import { drawnIn } from './pace'
import type { Dot, Scene, Thing } from './scene'
import { type Label, placed, together } from './labels'
import TurnFrame from './TurnFrame.vue'
import { useDevice } from '@/device'

type V = readonly number[]
const props = defineProps<{
  label: string
  name: string
  nothing: string
  things: Thing[]
  chosen: string
  over: { lines: V[][]; color: string }[]
  dots: Dot[]
  /** Points that may be dragged. */
  loose: string[]
  /** mm a dragged point moves by steps of. */
  grain: number
  /** Numbers at their places, over everything. */
  numbers?: { at: V; text: string }[]
}>()
const emit = defineEmits<{ choose: [id: string]; move: [id: string, by: [number, number, number]] }>()
const device = useDevice()
const held = ref<{ id: string; at: V; by: [number, number, number] }>()
let scene: Scene | undefined
// Where a dragged point would go.
const ghost = computed<V[][]>(() => {
  const g = held.value
  return g ? [[g.at, g.at.map((v, k) => v + g.by[k]!)]] : []
})
const all = computed(() => [...props.over, { lines: ghost.value, color: '--pick' }])
function draw() {
  const began = performance.now()
  scene?.showThings(props.things, props.chosen, all.value, props.dots)
  afterFrame(() => drawnIn(performance.now() - began))
}
const marks = ref<Label[]>([])
function drawn() {
  const list = props.numbers ?? []
  if (!list.length && !marks.value.length) return
  const spots = scene?.spots(list.map((n) => n.at)) ?? []
  const [w, h] = scene?.size() ?? [0, 0]
  const wanted = together(
    list.map((n, i) => ({ ...spots[i]!, text: n.text })),
    10,
  ).map((n) => ({ id: n.text, x: n.x, y: n.y, text: n.text, clear: 10 }))
  marks.value = placed(wanted, w, h, 17)
}
watch(() => props.numbers, drawn)
function got(s: Scene) {
  scene = s
  draw()
}
watch([() => props.things, all, () => props.dots, () => props.chosen], draw)
watch(
  () => device.theme,
  () => requestAnimationFrame(draw),
)
let down = [0, 0]
function onDown(e: PointerEvent) {
  down = [e.offsetX, e.offsetY]
  const dot = scene?.dotUnder(e.offsetX, e.offsetY)
  if (!dot || !props.loose.includes(dot.id)) return
  held.value = { id: dot.id, at: dot.at, by: [0, 0, 0] }
  scene?.turning(false)
}
function onMove(e: PointerEvent) {
  if (!held.value || !scene) return
  const by = scene.shift(e.offsetX - down[0]!, e.offsetY - down[1]!).map((v) => Math.round(v / props.grain) * props.grain)
  held.value = { ...held.value, by: by as [number, number, number] }
}
function letGo() {
  const was = held.value
  held.value = undefined
  scene?.turning(true)
  return was
}
function onUp(e: PointerEvent) {
  const was = letGo()
  if (was && was.by.some((v) => v !== 0) && Math.hypot(e.offsetX - down[0]!, e.offsetY - down[1]!) > 4) {
    emit('move', was.id, was.by)
    return
  }
  if (Math.hypot(e.offsetX - down[0]!, e.offsetY - down[1]!) > 4) return
  const id = scene?.under(e.offsetX, e.offsetY)
  if (id) emit('choose', id.split('~')[0]!)
}
// Without WebGL: the edges seen from the front left above.
const lines = computed(() =>
  props.things
    .flatMap((t) => t.edges)
    .map((e) => e.map((p) => [p[0]! * 0.86 + p[1]! * 0.5, -(p[2]! * 0.86 + (p[1]! * 0.86 - p[0]! * 0.5) * 0.5)])),
)
const box = computed(() => {
  const xs = lines.value.flat().map((p) => p[0]!)
  const ys = lines.value.flat().map((p) => p[1]!)
  const [x, y] = [Math.min(...xs), Math.min(...ys)]
  return xs.length ? `${x} ${y} ${Math.max(...xs) - x} ${Math.max(...ys) - y}` : '0 0 1 1'
})
</script>

<template>
  <TurnFrame
    :label="label"
    :name="name"
    :empty="!things.length"
    :nothing="nothing"
    @scene="got"
    @drawn="drawn"
    @pointerdown.capture="onDown"
    @pointermove="onMove"
    @pointercancel="letGo"
    @pointerup="onUp"
  >
    <template #lines>
      <svg :viewBox="box" width="100%" height="100%" role="img" :aria-label="`${name} as lines`">
        <path :d="lines.map((l) => 'M' + l.map((p) => p.join(' ')).join('L')).join('')" />
      </svg>
    </template>
    <svg v-if="marks.length" class="over" aria-hidden="true" data-numbers>
      <g v-for="m in marks" :key="m.id">
        <circle :cx="m.x" :cy="m.y" r="4" />
        <text :x="m.lx" :y="m.ly" :text-anchor="m.anchor">{{ m.short }}</text>
      </g>
    </svg>
  </TurnFrame>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  pointer-events: none;
}
.over circle {
  fill: var(--ember);
  stroke: var(--board);
}
text {
  font-size: 17px;
  font-weight: 700;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 4px;
}
</style>
