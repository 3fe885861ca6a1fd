<script setup lang="ts">
// The faces of the flat pattern, to be tapped: tinted when they are in hand or
// flagged.
import type { Part } from '@/api/client'
import { points, type View } from './geometry'
import { later } from './later'

const props = defineProps<{ part: Part; view: View; on?: string; flagged: Map<string, string> }>()
const emit = defineEmits<{ face: [panel: string] }>()
const shown = later(
  () => props.part.panels.map((p) => ({ id: p.id, points: points(p.flat, props.view) })),
  () => [props.part, props.view],
)
</script>

<template>
  <g>
    <polygon
      v-for="p in shown"
      :key="p.id"
      :points="p.points"
      class="face"
      :class="[{ on: p.id === on }, flagged.get(p.id)]"
      @click="emit('face', p.id)"
    />
  </g>
</template>

<style scoped>
.face {
  fill: transparent;
  cursor: pointer;
}
.face:hover {
  fill: color-mix(in srgb, var(--pick) 9%, transparent);
}
.face.on {
  fill: color-mix(in srgb, var(--pick) 16%, transparent);
}
.face.stop {
  fill: color-mix(in srgb, var(--stop) 14%, transparent);
}
</style>
