<script setup lang="ts">
// One stick with its pieces as they are sawn off it.
import { useAmounts } from '@/kit/amounts'
import { computed } from 'vue'
import type { CutRow, StockPlan } from '@/api/client'
import type { Style } from '@/kit/readLength'
import Shown from '@/quick/Shown.vue'

type Stick = StockPlan['sticks'][number]
const { mass } = useAmounts()
const props = defineProps<{ stick: Stick; rows: CutRow[]; lengths: Style }>()
const w = 1000
const x = (v: number) => (w * v) / props.stick.length
const pieces = computed(() =>
  props.stick.pieces.map((p) => {
    const r = props.rows.find((k) => k.mark === p.mark)
    const [a, b] = p.turned ? [r?.ends[1], r?.ends[0]] : [r?.ends[0], r?.ends[1]]
    const lo = x(p.at)
    const hi = x(p.at + p.length)
    const sa = Math.min(x(a?.slant ?? 0), (hi - lo) / 2)
    const sb = Math.min(x(b?.slant ?? 0), (hi - lo) / 2)
    // A shared cut leans the way the last one does.
    const d = p.shared ? `M${lo} 4L${lo + sa} 40L${hi} 40L${hi - sb} 4Z` : `M${lo + sa} 4L${lo} 40L${hi} 40L${hi - sb} 4Z`
    // Where it is notched or bent afterwards; turned end for end they count from the other side.
    const corners = (r?.corners ?? []).map((c) => (p.turned ? x(p.at + p.length - c.to) : x(p.at + c.at)))
    return { ...p, d, corners, middle: (lo + hi) / 2 }
  }),
)
</script>

<template>
  <figure>
    <figcaption class="small">
      {{ stick.name }}, <Shown :value="stick.length" kind="length" :lengths="lengths" />, {{ mass(stick.mass, 1) }}; left over
      <b><Shown :value="stick.left" kind="length" :lengths="lengths" /></b>
    </figcaption>
    <svg :viewBox="`0 0 ${w} 44`" role="img" :aria-label="`${stick.name}: ${stick.pieces.map((p) => p.mark).join(', ')}`">
      <rect x="0" y="4" :width="w" height="36" class="rest" />
      <g v-for="(p, i) in pieces" :key="i">
        <path :d="p.d" class="piece" />
        <path v-for="c in p.corners" :key="c" :d="`M${c} 6V38`" class="corner" />
        <text :x="p.middle" y="30" text-anchor="middle">{{ p.mark }}</text>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  margin: 8px 0 0;
}
svg {
  width: 100%;
  display: block;
}
.rest {
  fill: none;
  stroke: var(--rule-strong);
  stroke-dasharray: 6 4;
}
.piece {
  fill: var(--metal);
  stroke: var(--line);
  stroke-width: 1.5;
}
.corner {
  stroke: var(--line);
  stroke-width: 1.5;
  stroke-dasharray: 4 3;
}
text {
  font-size: 22px;
  font-weight: 640;
  fill: var(--line);
}
</style>
