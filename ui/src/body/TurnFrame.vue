<script setup lang="ts">
// The frame a solid drawing stands in: turned by hand or by keys, seen from four sides,
// saved as a picture. Without WebGL the lines of the slot stand there instead. What
// listens to the pointer is handed on to where is drawn.
import { onMounted, onUnmounted, ref } from 'vue'
import PictureButton from '@/kit/PictureButton.vue'
import { Scene } from './scene'

defineOptions({ inheritAttrs: false })
defineProps<{
  label: string
  /** What is drawn, for the picture's name. */ name: string
  /** Said where there is nothing to draw. */ nothing: string
  empty: boolean
}>()
const emit = defineEmits<{ scene: [scene: Scene]; drawn: [] }>()
defineSlots<{ lines(): unknown; default?(): unknown }>()
const host = ref<HTMLElement>()
const ready = ref(false)
const plain = ref(false)
let scene: Scene | undefined
let watcher: ResizeObserver | undefined

onMounted(() => {
  try {
    scene = new Scene(host.value!, () => {
      ready.value = true
      emit('drawn')
    })
  } catch {
    plain.value = ready.value = true
    return
  }
  watcher = new ResizeObserver(() => scene?.resize())
  watcher.observe(host.value!)
  emit('scene', scene)
})
onUnmounted(() => {
  watcher?.disconnect()
  scene?.dispose()
})
const turns: Record<string, [number, number]> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }
function onKey(e: KeyboardEvent) {
  const t = turns[e.key]
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
      :aria-label="`${label} Arrow keys turn it.`"
      v-bind="$attrs"
      @keydown="onKey"
    >
      <slot v-if="plain" name="lines" />
    </div>
    <PictureButton v-if="!empty" :name="name" />
    <slot />
    <p v-if="empty" class="nothing">{{ nothing }}</p>
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
