<script setup lang="ts">
// Which way the signs of an angle reading run: the vehicle's own face and the
// face that was read, seen from the side.
import { computed } from 'vue'

const props = defineProps<{ own?: number; read?: number }>()
const line = (deg: number | undefined, length: number) => {
  const a = ((deg ?? 0) * Math.PI) / 180
  return { x: 20 + length * Math.cos(a), y: 62 - length * Math.sin(a) }
}
const own = computed(() => line(props.own, 130))
const read = computed(() => line(props.read, 150))
</script>

<template>
  <svg viewBox="0 0 190 96" class="sketch" role="img" aria-label="Up towards the end you face is positive">
    <path d="M8 62H182" class="plumb" />
    <path d="M128 76h34m-7 -4l7 4l-7 4" class="plumb solid" />
    <path :d="`M20 62L${own.x} ${own.y}`" class="own" />
    <path :d="`M20 62L${read.x} ${read.y}`" class="read" />
    <text x="22" y="80">you face this way</text>
    <text x="22" y="14">up is +</text>
    <text :x="Math.min(own.x, 120)" :y="own.y + 14" class="soft">vehicle</text>
  </svg>
</template>

<style scoped>
.sketch {
  width: 190px;
  max-width: 100%;
  font-size: 11px;
  fill: var(--ink);
}
.plumb {
  stroke: var(--rule-strong);
  stroke-dasharray: 2 4;
}
.solid {
  stroke-dasharray: none;
  stroke: var(--ink);
  fill: none;
}
.own {
  stroke: var(--ink-soft);
  stroke-width: 2;
}
.read {
  stroke: var(--ember);
  stroke-width: 3;
}
</style>
