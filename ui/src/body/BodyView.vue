<script setup lang="ts">
// The folded body, turned by hand or by keys. Without WebGL it is projected
// to lines instead.
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import type { Body, Finding } from '@/api/client'
import { useDevice } from '@/device'
import { afterFrame } from '@/kit/afterFrame'
import PictureButton from '@/kit/PictureButton.vue'
import BodyLines from './BodyLines.vue'
import { drawnIn } from './pace'
import { type Flag, Scene } from './scene'

const props = defineProps<{ body: Body; name: string; feature?: string; findings?: Finding[] }>()
const emit = defineEmits<{ look: [feature: string] }>()
const device = useDevice()
const host = ref<HTMLElement>()
const ready = ref(false)
const plain = ref(false)
let scene: Scene | undefined
let watcher: ResizeObserver | undefined

const empty = computed(() => props.body.panels.length === 0)

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
  due()
  watcher?.disconnect()
  scene?.dispose()
})
/** What is flagged at a place of the body, once for every place. */
const flags = computed<Flag[]>(() => {
  const out = new Map<string, Flag>()
  for (const f of props.findings ?? [])
    if (f.place && !f.setAside && f.severity !== 'note' && !out.has(f.place.body.join()))
      out.set(f.place.body.join(), { id: f.feature ?? '', at: f.place.body, stop: f.severity === 'stop', said: f.reason })
  return [...out.values()]
})
function draw() {
  const began = performance.now()
  scene?.show(props.body, props.feature, flags.value)
  afterFrame(() => drawnIn(performance.now() - began))
}
// The flat pattern goes first: the body is drawn once that stands.
let due = () => {}
function drawSoon() {
  due()
  due = afterFrame(draw)
}
watch(() => [props.body, flags.value, props.feature, device.theme], drawSoon)
const said = ref('')
function onMove(e: PointerEvent) {
  const f = scene?.flagUnder(e.offsetX, e.offsetY)
  said.value = f?.said ?? ''
}
let pressed = [0, 0]
function onDown(e: PointerEvent) {
  pressed = [e.offsetX, e.offsetY]
}
function onUp(e: PointerEvent) {
  if (Math.hypot(e.offsetX - pressed[0]!, e.offsetY - pressed[1]!) > 4) return // it was turned
  const f = scene?.flagUnder(e.offsetX, e.offsetY)
  if (!f) return
  said.value = f.said
  emit('look', f.id)
}

function onKey(e: KeyboardEvent) {
  const turn: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
  const t = turn[e.key]
  if (!t || !scene) return
  e.preventDefault()
  scene.turn(t[0], t[1])
}
const views = ['corner', 'top', 'front', 'side'] as const
</script>

<template>
  <div class="body" :data-ready="ready ? 'true' : undefined">
    <div
      ref="host"
      class="host"
      tabindex="0"
      role="application"
      aria-label="Folded body. Arrow keys turn it."
      :data-flags="flags.length"
      @keydown="onKey"
      @pointermove="onMove"
      @pointerdown="onDown"
      @pointerup="onUp"
    >
      <BodyLines v-if="plain" :body="body" />
    </div>
    <PictureButton v-if="!empty" :name="`${name} folded`" />
    <p v-if="said" class="said" role="status">{{ said }}</p>
    <p v-if="empty" class="nothing">No body yet.</p>
    <div v-if="!plain" class="views">
      <button v-for="v in views" :key="v" type="button" class="press tight" @click="scene?.look(v)">{{ v }}</button>
    </div>
  </div>
</template>

<style scoped>
.body {
  position: relative;
  height: 100%;
  min-height: 220px;
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
.said {
  position: absolute;
  left: 6px;
  right: 54px;
  bottom: 6px;
  margin: 0;
  padding: 6px 10px;
  background: var(--paper);
  border: 1px solid var(--rule);
  pointer-events: none;
}
.nothing {
  position: absolute;
  top: 64px;
  left: 16px;
  color: var(--ink-soft);
}
</style>
