<script setup lang="ts">
// The frame as it stands: tap a member to choose it. What holds it, what it
// carries and how it bends can be drawn over it.
import { onMounted, onUnmounted, ref, watch, computed } from 'vue'
import type { FrameTold } from '@/api/client'
import { type Dot, Scene, type Thing } from '@/body/scene'
import { useDevice } from '@/device'
import PictureButton from '@/kit/PictureButton.vue'

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
const host = ref<HTMLElement>()
const ready = ref(false)
const plain = ref(false)
const held = ref<{ id: string; at: V; by: [number, number, number] }>()
let scene: Scene | undefined
let watcher: ResizeObserver | undefined
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
onMounted(() => {
  try {
    scene = new Scene(host.value!, () => (ready.value = true))
  } catch {
    plain.value = ready.value = true
    return
  }
  watcher = new ResizeObserver(() => scene?.resize())
  watcher.observe(host.value!)
  draw()
})
onUnmounted(() => {
  watcher?.disconnect()
  scene?.dispose()
})
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
function onKey(e: KeyboardEvent) {
  const turn: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
  const t = turn[e.key]
  if (!t || !scene) return
  e.preventDefault()
  scene.turn(t[0], t[1])
}
const views = ['corner', 'top', 'front', 'side'] as const
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
  <div class="body" :data-ready="ready ? 'true' : undefined">
    <div
      ref="host"
      class="host"
      tabindex="0"
      role="application"
      aria-label="The frame. Arrow keys turn it."
      @keydown="onKey"
      @pointerdown.capture="onDown"
      @pointermove="onMove"
      @pointercancel="letGo"
      @pointerup="onUp"
    >
      <svg v-if="plain" :viewBox="box" width="100%" height="100%" role="img" aria-label="The frame as lines">
        <path :d="lines.map((l) => 'M' + l.map((p) => p.join(' ')).join('L')).join('')" />
      </svg>
    </div>
    <PictureButton v-if="things.length" name="frame" />
    <p v-if="!things.length" class="nothing">Nothing to draw yet: set two points and run a member between them.</p>
    <div v-if="!plain" class="views">
      <button v-for="v in views" :key="v" type="button" class="press tight" @click="scene?.look(v)">{{ v }}</button>
    </div>
  </div>
</template>

<style scoped>
.body {
  position: relative;
  height: 100%;
  min-height: 240px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.host {
  position: absolute;
  inset: 0;
  overflow: hidden;
  touch-action: none;
}
.views {
  position: absolute;
  left: 6px;
  top: 6px;
  display: flex;
  gap: 4px;
}
.nothing {
  position: absolute;
  top: 64px;
  left: 16px;
  color: var(--ink-soft);
}
path {
  fill: none;
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}
</style>
