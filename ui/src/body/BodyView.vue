<script setup lang="ts">
// The folded body, turned by hand or by keys. Without WebGL it is projected
// to lines instead.
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import type { Body } from '@/api/client'
import { useDevice } from '@/device'
import BodyLines from './BodyLines.vue'
import { Scene } from './scene'

const props = defineProps<{ body: Body; feature?: string }>()
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
  watcher?.disconnect()
  scene?.dispose()
})
const draw = () => scene?.show(props.body, props.feature)
watch(() => props.body, draw)
watch(
  () => [props.feature, device.theme],
  () => requestAnimationFrame(draw),
)

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
    <div ref="host" class="host" tabindex="0" role="application" aria-label="Folded body. Arrow keys turn it." @keydown="onKey">
      <BodyLines v-if="plain" :body="body" />
    </div>
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
.nothing {
  position: absolute;
  top: 64px;
  left: 16px;
  color: var(--ink-soft);
}
</style>
