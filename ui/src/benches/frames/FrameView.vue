<script setup lang="ts">
// The frame as it stands: tap a member to choose it. What holds it, what it
// carries and how it bends can be drawn over it.
import { computed, ref, watch } from 'vue'
import type { FrameTold } from '@/api/client'
import type { Dot, Scene, Thing } from '@/body/scene'
import TurnFrame from '@/body/TurnFrame.vue'
import { useDevice } from '@/device'

type V = readonly number[]
const props = defineProps<{
  worked: FrameTold
  chosen: string
  /** Times the true movement; 0 draws none. */
  bends: number
  arrows?: V[][]
  stands?: V[][]
  /** The first of two points that are being joined. */
  from?: string
  /** Points that may be dragged. */
  loose: string[]
  /** mm a dragged point moves by steps of. */
  grain: number
}>()
const emit = defineEmits<{ choose: [id: string]; move: [id: string, by: [number, number, number]] }>()
const device = useDevice()
const held = ref<{ id: string; at: V; by: [number, number, number] }>()
let scene: Scene | undefined
const things = computed<Thing[]>(() =>
  [...props.worked.pieces.filter((p) => !p.why), ...props.worked.plates].map((p) => ({ id: p.id, ...p.mesh })),
)
const bent = computed<V[][]>(() =>
  props.bends
    ? props.worked.hold.members.map((m) =>
        m.along.map((s) => s.place.map((v: number, k: number) => v + props.bends * s.shift[k]!)),
      )
    : [],
)
// Where a dragged point would go.
const ghost = computed<V[][]>(() => {
  const g = held.value
  return g ? [[g.at, g.at.map((v, k) => v + g.by[k]!)]] : []
})
const over = computed(() => [
  { lines: props.stands ?? [], color: '--focus' },
  { lines: props.arrows ?? [], color: '--pick' },
  { lines: bent.value, color: '--stop' },
  { lines: ghost.value, color: '--pick' },
])
const dots = computed<Dot[]>(() =>
  props.worked.joints
    .filter((j) => !j.why)
    .map((j) => ({ id: j.id, at: j.at as unknown as V, taken: j.id === props.from || j.id === props.chosen })),
)
const draw = () => scene?.showThings(things.value, props.chosen, over.value, dots.value)
function got(s: Scene) {
  scene = s
  draw()
}
watch([things, over, dots, () => props.chosen], draw)
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
  things.value
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
    label="The frame."
    name="frame"
    :empty="!things.length"
    nothing="Nothing to draw yet: set two points and run a member between them."
    @scene="got"
    @pointerdown.capture="onDown"
    @pointermove="onMove"
    @pointercancel="letGo"
    @pointerup="onUp"
  >
    <template #lines>
      <svg :viewBox="box" width="100%" height="100%" role="img" aria-label="The frame as lines">
        <path :d="lines.map((l) => 'M' + l.map((p) => p.join(' ')).join('L')).join('')" />
      </svg>
    </template>
  </TurnFrame>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}
</style>
