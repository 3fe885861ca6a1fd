<script setup lang="ts">
// A press that shows only an icon. Its name is read out, and stands beside it when it is
// pointed at or reached by keys.
import { NTooltip } from 'naive-ui'
import { type Component, onBeforeUnmount, ref } from 'vue'

defineOptions({ inheritAttrs: false })
defineProps<{
  icon: Component
  /** px */ size?: number
  /** What it does, and to what. */ name: string
  /** More than the name says: a key, what comes of it. */ tip?: string
  /** Without a frame, in a list. */ slim?: boolean
  /** Where it leads, if it is a link. */ href?: string
}>()
const button = ref<HTMLElement>()
const at = ref<{ x: number; y: number }>()
let soon = 0

function show() {
  const r = button.value?.getBoundingClientRect()
  if (r) at.value = { x: r.x + r.width / 2, y: r.bottom }
}
// A finger covers what it points at, and presses.
function point(e: PointerEvent) {
  if (e.pointerType === 'mouse') soon = window.setTimeout(show, 400)
}
function reach(e: FocusEvent) {
  if ((e.target as HTMLElement).matches(':focus-visible')) show()
}
function leave() {
  clearTimeout(soon)
  at.value = undefined
}
onBeforeUnmount(leave)
</script>

<template>
  <component
    :is="href ? 'a' : 'button'"
    ref="button"
    v-bind="$attrs"
    :href="href"
    :type="href ? undefined : 'button'"
    :class="slim ? 'icon' : 'press tight bare'"
    :aria-label="name"
    @pointerenter="point"
    @pointerleave="leave"
    @pointerdown="leave"
    @focus="reach"
    @blur="leave"
    @keydown.esc="leave"
  >
    <component :is="icon" :size="size ?? 18" aria-hidden="true" />
  </component>
  <NTooltip v-if="at" show trigger="manual" placement="bottom" :x="at.x" :y="at.y">{{ tip ?? name }}</NTooltip>
</template>

<style scoped>
.press {
  min-width: 40px;
}
.icon {
  width: 36px;
  height: 40px;
  display: grid;
  place-items: center;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}
.icon:hover {
  color: var(--ember);
}
</style>
