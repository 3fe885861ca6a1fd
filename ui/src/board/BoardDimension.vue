<script setup lang="ts">
// One size of the recipe on the drawing. Tapping it chooses it for typing.
import { computed } from 'vue'
import type { Dimension } from '@/api/client'
import { dimensionLine, type View } from './geometry'
import type { Rect } from './place'

const props = defineProps<{
  dimension: Dimension
  spot: Rect
  chosen?: boolean
  /** Where its ends fall on the screen; left out with a line of its own. */
  view?: View
  /** Its line is drawn even when it is not chosen. */
  lined?: boolean
  line?: string
  text?: string
}>()
const emit = defineEmits<{ choose: [] }>()

const drawn = computed(() => props.line ?? (props.view ? dimensionLine(props.dimension, props.view) : ''))
</script>

<template>
  <g class="dim" :class="{ chosen }" @click.stop="emit('choose')">
    <title>
      {{ dimension.group }}: {{ dimension.label }} {{ dimension.text }}{{ dimension.note ? ', ' + dimension.note : '' }}
    </title>
    <path v-if="chosen || lined" :d="drawn" class="line" />
    <rect :x="spot.x" :y="spot.y" :width="spot.w" :height="spot.h" class="tag" />
    <text text-anchor="middle" :x="spot.x + spot.w / 2" :y="spot.y + spot.h / 2 + 5" class="text">{{
      text ?? dimension.text
    }}</text>
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
  stroke: var(--line-soft);
  pointer-events: none;
}
.chosen .line {
  stroke: var(--pick);
  stroke-width: 2;
}
.chosen .tag {
  stroke: var(--pick);
  stroke-width: 2.5;
}
</style>
