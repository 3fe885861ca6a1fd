<script setup lang="ts">
// The folded body, with what is flagged at its place.
import { computed, onUnmounted, ref, watch } from 'vue'
import type { Body, Finding } from '@/api/client'
import { useDevice } from '@/device'
import { afterFrame } from '@/kit/afterFrame'
import BodyLines from './BodyLines.vue'
import { drawnIn } from './pace'
import type { Flag, Scene } from './scene'
import TurnFrame from './TurnFrame.vue'

const props = defineProps<{ body: Body; name: string; feature?: string; findings?: Finding[] }>()
const emit = defineEmits<{ look: [feature: string] }>()
const device = useDevice()
let scene: Scene | undefined

const empty = computed(() => props.body.panels.length + props.body.bends.length === 0)

function got(s: Scene) {
  scene = s
  draw()
}
onUnmounted(() => due())
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
</script>

<template>
  <TurnFrame
    label="Folded body."
    :name="`${name} folded`"
    :empty="empty"
    nothing="No body yet."
    :data-flags="flags.length"
    @scene="got"
    @pointermove="onMove"
    @pointerdown="onDown"
    @pointerup="onUp"
  >
    <template #lines><BodyLines :body="body" /></template>
    <p v-if="said" class="said" role="status">{{ said }}</p>
  </TurnFrame>
</template>

<style scoped>
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
</style>
