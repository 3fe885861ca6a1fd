<script setup lang="ts">
// One moment of bending: the sheet in its tools.
import { computed } from 'vue'
import type { Bending, BendingStep } from '@/api/client'
import { along, shapes, standing } from '@/body/bendscene'

const props = defineProps<{
  bending: Bending
  step: BendingStep
  /** Which of the step's moves. */ at: number
  thickness: number
  view: 'along' | 'standing'
}>()
const eye = computed(() => (props.view === 'along' ? along : standing))
const drawn = computed(() => shapes(props.bending, props.step, props.at, props.thickness, eye.value))
/** The whole step fits, so that nothing jumps while it moves. */
const box = computed(() => {
  let [left, right, low, high] = [-60, 60, -40, 80]
  const far = props.view === 'along' ? 260 : 1600
  for (const at of [0, Math.floor(props.step.scene.moves.length / 2), props.step.scene.moves.length - 1])
    for (const s of shapes(props.bending, props.step, at, props.thickness, eye.value)) {
      if (s.kind === 'tool') continue
      for (const [x, y] of s.points) {
        left = Math.min(left, Math.max(x, -far))
        right = Math.max(right, Math.min(x, far))
        low = Math.min(low, Math.max(y, -far / 2))
        high = Math.max(high, Math.min(y, far))
      }
    }
  const pad = (right - left) * 0.06
  return { x: left - pad, y: -high - pad, w: right - left + 2 * pad, h: high - low + 2 * pad }
})
const stop = computed(() => props.step.scene.stop)
const says = computed(
  () =>
    `${props.step.name}, turned by ${Math.round(props.step.scene.moves[props.at]!.turn)}°, seen ${
      props.view === 'along' ? 'along the bend' : 'from in front'
    }`,
)
const line = computed(() => Math.max(box.value.w, box.value.h) / 420)
</script>

<template>
  <svg :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`" role="img" :aria-label="says" preserveAspectRatio="xMidYMid meet">
    <polygon
      v-for="(s, i) in drawn"
      :key="i"
      :class="s.kind"
      :points="s.points.map(([x, y]) => `${x.toFixed(1)},${(-y).toFixed(1)}`).join(' ')"
      :stroke-width="line"
    />
    <line v-if="view === 'along' && stop" class="stop" :x1="stop" :x2="stop" :y1="5" :y2="-20" :stroke-width="line * 3" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
}
polygon {
  stroke: var(--line-soft);
  stroke-linejoin: round;
}
.tool {
  fill: var(--steel);
  fill-opacity: 0.35;
}
.good,
.edge {
  fill: var(--metal);
  stroke: var(--line);
}
.back {
  fill: var(--zone);
  stroke: var(--line);
}
.zone {
  fill: var(--pick);
  stroke: var(--pick);
}
.stop {
  stroke: var(--line);
}
</style>
