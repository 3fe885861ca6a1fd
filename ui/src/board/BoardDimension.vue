<script setup lang="ts">
// One size of the recipe on the drawing. Tapping it chooses it for typing.
import { computed } from 'vue'
import type { Dimension } from '@/api/client'
import type { View } from './geometry'

const props = defineProps<{ dimension: Dimension; view: View; chosen?: boolean }>()
const emit = defineEmits<{ choose: [] }>()

const line = computed(() => {
  const a = props.view.at(props.dimension.from!)
  const b = props.view.at(props.dimension.to!)
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const u = { x: (b.x - a.x) / long, y: (b.y - a.y) / long }
  // Sizes of the base lie a little inside its edge, clear of the outline.
  const shift = props.dimension.path.startsWith('/base/length')
    ? { x: 0, y: -16 }
    : props.dimension.path === '/base/width'
      ? { x: 18, y: 0 }
      : { x: 0, y: 0 }
  const upright = Math.abs(u.y) > Math.abs(u.x)
  const at = { x: (a.x + b.x) / 2 + shift.x, y: (a.y + b.y) / 2 + shift.y }
  if (props.dimension.path.endsWith('/length') && props.dimension.path.includes('/flanges/')) {
    // Near the tip, where holes are rare.
    at.x = b.x - u.x * 18
    at.y = b.y - u.y * 18
  }
  return { a: { x: a.x + shift.x, y: a.y + shift.y }, b: { x: b.x + shift.x, y: b.y + shift.y }, u, at, upright }
})
const wide = computed(() => props.dimension.text.length * 7.6 + 14)
const tick = (p: { x: number; y: number }) =>
  `M${p.x - line.value.u.y * 6} ${p.y + line.value.u.x * 6}L${p.x + line.value.u.y * 6} ${p.y - line.value.u.x * 6}`
</script>

<template>
  <g class="dim" :class="{ chosen }" @click.stop="emit('choose')">
    <title>
      {{ dimension.group }}: {{ dimension.label }} {{ dimension.text }}{{ dimension.note ? ', ' + dimension.note : '' }}
    </title>
    <path v-if="chosen" :d="`M${line.a.x} ${line.a.y}L${line.b.x} ${line.b.y}` + tick(line.a) + tick(line.b)" class="line" />
    <g :transform="`translate(${line.at.x} ${line.at.y})`">
      <rect :x="-wide / 2" y="-13" :width="wide" height="26" class="tag" />
      <text text-anchor="middle" y="5" class="text">{{ dimension.text }}</text>
    </g>
  </g>
</template>

<style scoped>
.dim {
  cursor: pointer;
}
.tag {
  fill: var(--board);
  stroke: var(--line-soft);
}
.dim:hover .tag {
  stroke: var(--pick);
  stroke-width: 2;
}
.text {
  font: 640 14px var(--text);
  fill: var(--line);
}
.line {
  fill: none;
  stroke: var(--pick);
  stroke-width: 2;
}
.chosen .tag {
  stroke: var(--pick);
  stroke-width: 2.5;
}
</style>
