<script setup lang="ts">
// True distances from the blank's front left corner, to mark out by: blank
// edges and bend lines, below and at the left.
import { computed } from 'vue'
import type { Part } from '@/api/client'
import type { View } from './geometry'

const props = defineProps<{ part: Part; view: View; height: number }>()
type Mark = { at: number; text: string; what: string; show: boolean }

function thin(list: { at: number; text: string; what: string }[], gap: number): Mark[] {
  let last = -Infinity
  const sorted = [...list].sort((a, b) => a.at - b.at)
  // The blank's own size always shows; bend lines where there is room beside it.
  const ends = sorted.filter((m) => m.what === 'edge').map((m) => m.at)
  return sorted.map((m) => {
    const room = m.what === 'edge' || (m.at - last >= gap && ends.every((e) => Math.abs(e - m.at) >= gap))
    if (room) last = m.at
    return { ...m, show: room }
  })
}
// There is no room beside a fraction to say by how much it is rounded: the decimal says it.
const said = (l: { text: string; fine?: string }) => l.fine ?? l.text
const zero = computed(() => props.view.at(props.part.bounds.min))
const far = computed(() => props.view.at(props.part.bounds.max))
const xs = computed(() =>
  thin(
    props.part.ordinates.x.map((o) => ({ at: props.view.at({ x: o.at, y: 0 }).x, text: said(o.dist), what: o.what })),
    92,
  ),
)
const ys = computed(() =>
  thin(
    props.part.ordinates.y.map((o) => ({ at: props.view.at({ x: 0, y: o.at }).y, text: said(o.dist), what: o.what })),
    17,
  ),
)
const low = computed(() => zero.value.y + 10)
const left = computed(() => zero.value.x - 10)
</script>

<template>
  <g class="ordinates" aria-hidden="true">
    <path :d="`M${zero.x} ${low}H${far.x}M${left} ${zero.y}V${far.y}`" class="rule" />
    <circle :cx="left" :cy="low" r="2.5" class="zero" />
    <g v-for="(m, i) in xs" :key="'x' + i">
      <path :d="`M${m.at} ${low - 4}V${low + 6}`" class="rule" />
      <text v-if="m.show" :x="m.at" :y="low + 20" text-anchor="middle" :class="m.what">{{ m.text }}</text>
    </g>
    <g v-for="(m, i) in ys" :key="'y' + i">
      <path :d="`M${left - 6} ${m.at}H${left + 4}`" class="rule" />
      <text v-if="m.show" :x="left - 9" :y="m.at + 4" text-anchor="end" :class="m.what">{{ m.text }}</text>
    </g>
  </g>
</template>

<style scoped>
.rule {
  stroke: var(--line-soft);
  fill: none;
}
.zero {
  fill: var(--line);
}
text {
  font: 500 12.5px var(--text);
  fill: var(--line-soft);
}
.edge {
  font-weight: 680;
  fill: var(--line);
}
</style>
