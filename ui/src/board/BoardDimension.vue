<script setup lang="ts">
// One size of the recipe on the drawing. Tapping it chooses it for typing.
import { computed } from 'vue'
import type { Dimension } from '@/api/client'
import type { View } from './geometry'
import type { Rect } from './place'

const props = defineProps<{ dimension: Dimension; view: View; spot: Rect; chosen?: boolean }>()
const emit = defineEmits<{ choose: [] }>()

const line = computed(() => {
  const a = props.view.at(props.dimension.from!)
  const b = props.view.at(props.dimension.to!)
  const long = Math.hypot(b.x - a.x, b.y - a.y) || 1
  const tick = (p: { x: number; y: number }) => {
    const t = { x: (-(b.y - a.y) / long) * 7, y: ((b.x - a.x) / long) * 7 }
    return `M${p.x - t.x} ${p.y - t.y}L${p.x + t.x} ${p.y + t.y}`
  }
  return `M${a.x} ${a.y}L${b.x} ${b.y}${tick(a)}${tick(b)}`
})
</script>

<template>
  <g class="dim" :class="{ chosen }" @click.stop="emit('choose')">
    <title>
      {{ dimension.group }}: {{ dimension.label }} {{ dimension.text }}{{ dimension.note ? ', ' + dimension.note : '' }}
    </title>
    <path v-if="chosen" :d="line" class="line" />
    <rect :x="spot.x" :y="spot.y" :width="spot.w" :height="spot.h" class="tag" />
    <text text-anchor="middle" :x="spot.x + spot.w / 2" :y="spot.y + spot.h / 2 + 5" class="text">{{ dimension.text }}</text>
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
