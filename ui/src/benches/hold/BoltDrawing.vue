<script setup lang="ts">
// The flat of the part with each bolt's share of the governing load as an
// arrow and its pull as a number.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { fit, loopPath, points } from '@/board/geometry'
import { api, type Held, take } from '@/api/client'
import { reach } from '@/documents/reach'
import { useAmounts } from '@/kit/amounts'
import type { Style } from '@/kit/readLength'

const props = defineProps<{ part: string; result: Held['result']; fasten: string[]; carry: string[]; unit: Style }>()
const { force } = useAmounts()
const { data: built } = useQuery({
  queryKey: ['holding', 'drawing', () => props.part],
  queryFn: async () => {
    const { state } = await reach('part').get(props.part)
    return take(api.POST('/api/v1/build', { body: { recipe: state.recipe, ...props.unit } }))
  },
  enabled: () => props.part !== '',
})
const width = 460
const height = computed(() => {
  const b = built.value!.bounds
  return Math.min(400, Math.max(200, ((width - 110) * (b.max.y - b.min.y)) / Math.max(b.max.x - b.min.x, 1) + 90))
})
const view = computed(() => fit(built.value!.bounds, width, height.value, { left: 55, right: 55, top: 42, bottom: 42 }))
const arrow = computed(() => 56 / Math.max(...props.result.bolts.map((b) => b.shear), 1))
const kind = (feature: string) => ({ carry: props.carry.includes(feature), fasten: props.fasten.includes(feature) })
const at = (id: string) => built.value?.holes.find((h) => h.id === id)
const place = (id: string) => {
  const p = view.value.at(at(id)!.centre)
  return `translate(${p.x} ${p.y})`
}
</script>

<template>
  <svg
    v-if="built?.outline.length"
    :viewBox="`0 0 ${width} ${height}`"
    role="img"
    aria-label="The flat with each bolt's share of the load"
  >
    <defs>
      <marker id="bolt-head" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
        <path d="M0 0L8 4L0 8z" class="tip" />
      </marker>
    </defs>
    <path :d="loopPath(built.outline, view)" class="panel" />
    <template v-for="p in built.panels" :key="p.id">
      <polygon v-if="p.zone?.length" :points="points(p.zone, view)" class="zone" />
    </template>
    <template v-for="h in built.holes" :key="h.id">
      <path v-if="h.loop?.length" :d="loopPath(h.loop, view)" class="hole" :class="kind(h.feature)" />
      <circle
        v-else
        :cx="view.at(h.centre).x"
        :cy="view.at(h.centre).y"
        :r="Math.max(2, (h.diameter / 2) * view.scale)"
        class="hole"
        :class="kind(h.feature)"
      />
    </template>
    <path :d="loopPath(built.outline, view)" class="edge" />
    <template v-for="b in result.bolts" :key="b.hole">
      <g v-if="at(b.hole)" :transform="place(b.hole)" :data-bolt="b.hole">
        <path
          v-if="b.shear * arrow > 4"
          :d="`M0 0l${b.onFlat[0]! * arrow} ${-b.onFlat[1]! * arrow}`"
          class="force"
          marker-end="url(#bolt-head)"
        />
        <text y="-16" text-anchor="middle" class="size">{{ force(b.shear) }}</text>
        <text y="26" text-anchor="middle">pull {{ force(b.tension + b.prying) }}</text>
      </g>
    </template>
  </svg>
  <p class="soft small">Dotted holes carry the load. Arrows: each bolt's share in the governing case; pull with prying.</p>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 380px;
  background: var(--board);
  border: 1px solid var(--rule);
}
.panel {
  fill: var(--metal);
}
.edge {
  fill: none;
  stroke: var(--line);
  stroke-width: 1.3;
}
.zone {
  fill: var(--zone);
}
.hole {
  fill: var(--board);
  stroke: var(--line-soft);
}
.fasten {
  stroke: var(--line);
  stroke-width: 2;
}
.carry {
  stroke: var(--line);
  stroke-width: 2;
  stroke-dasharray: 2 2;
}
.force {
  stroke: var(--pick);
  stroke-width: 2.5;
  fill: none;
}
.tip {
  fill: var(--pick);
}
text {
  fill: var(--line);
  font: 500 12px var(--text);
  paint-order: stroke;
  stroke: var(--board);
  stroke-width: 3px;
}
.size {
  font-weight: 680;
  font-size: 14px;
}
</style>
