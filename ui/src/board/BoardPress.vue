<script setup lang="ts">
// Numbers of the lines a round is pressed at.
import { computed } from 'vue'

type Ends = { a: { x: number; y: number }; b: { x: number; y: number } }
const props = defineProps<{ lines: (Ends & { id: string; number?: number })[] }>()
/** Numbers of press lines beside their longer ends, as many as have room. */
const pressNumbers = computed(() => {
  let last = { x: -99, y: -99 }
  return props.lines.flatMap((l, i) => {
    if (l.number === undefined) return []
    const long = Math.hypot(l.b.x - l.a.x, l.b.y - l.a.y) || 1
    // Beside the end where the lines lie farther apart.
    const near = (o?: Ends) => (o ? Math.hypot(o.a.x - l.a.x, o.a.y - l.a.y) + Math.hypot(o.b.x - l.b.x, o.b.y - l.b.y) : 1e9)
    const [after, before] = [props.lines[i + 1], props.lines[i - 1]]
    const other = near(before) < near(after) ? before : after
    const fans = other && Math.hypot(other.b.x - l.b.x, other.b.y - l.b.y) > Math.hypot(other.a.x - l.a.x, other.a.y - l.a.y) + 1
    const t = fans ? 1 - Math.min(22 / long, 0.4) : Math.min(16 / long, 0.4)
    const at = { x: l.a.x + (l.b.x - l.a.x) * t + 9, y: l.a.y + (l.b.y - l.a.y) * t }
    if (Math.hypot(at.x - last.x, at.y - last.y) < 22) return []
    last = at
    return [{ ...at, number: l.number, key: l.id }]
  })
})
</script>

<template>
  <text v-for="l in pressNumbers" :key="l.key" text-anchor="middle" dominant-baseline="central" :x="l.x" :y="l.y">
    {{ l.number }}
  </text>
</template>

<style scoped>
text {
  font: 500 12.5px var(--text);
  fill: var(--line);
  paint-order: stroke;
  stroke: var(--metal);
  stroke-width: 3px;
}
</style>
