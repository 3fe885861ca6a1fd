<script setup lang="ts">
// Two flat patterns over each other: the earlier dashed, the later drawn out.
import { computed, ref, watch } from 'vue'
import { api, type Part, type Recipe, take } from '@/api/client'
import { fit, loopPath } from '@/board/geometry'
import type { Style } from '@/kit/readLength'

const props = defineProps<{ was: Recipe; now: Recipe; lengths: Style }>()
const before = ref<Part>()
const after = ref<Part>()
const build = async (recipe: Recipe) => {
  try {
    return await take(api.POST('/api/v1/build', { body: { recipe, ...props.lengths } }))
  } catch {
    return undefined // a state that cannot be built has no flat to show
  }
}
watch(
  () => [props.was, props.now] as const,
  async ([a, b]) => {
    const got = await Promise.all([build(a), build(b)])
    before.value = got[0]
    after.value = got[1]
  },
  { immediate: true },
)
const width = 520
const height = 300
const view = computed(() => {
  const list = [before.value, after.value].filter((p) => p?.outline.length).map((p) => p!.bounds)
  if (!list.length) return undefined
  const bounds = {
    min: { x: Math.min(...list.map((b) => b.min.x)), y: Math.min(...list.map((b) => b.min.y)) },
    max: { x: Math.max(...list.map((b) => b.max.x)), y: Math.max(...list.map((b) => b.max.y)) },
  }
  return fit(bounds, width, height, { left: 16, right: 16, top: 16, bottom: 16 })
})
</script>

<template>
  <svg v-if="view" :viewBox="`0 0 ${width} ${height}`" role="img" aria-label="Both flat patterns over each other" data-overlay>
    <g v-for="(p, i) in [before, after]" :key="i" :class="i ? 'now' : 'was'">
      <template v-if="p?.outline.length">
        <path :d="loopPath(p.outline, view)" />
        <template v-for="h in p.holes" :key="h.id">
          <path v-if="h.loop?.length" :d="loopPath(h.loop, view)" />
          <circle v-else :cx="view.at(h.centre).x" :cy="view.at(h.centre).y" :r="(h.diameter / 2) * view.scale" />
        </template>
        <path
          v-for="l in p.bendLines"
          :key="l.id"
          class="bend"
          :d="`M${view.at(l.from).x} ${view.at(l.from).y}L${view.at(l.to).x} ${view.at(l.to).y}`"
        />
      </template>
    </g>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 44dvh;
  background: var(--board);
  border: 1px solid var(--rule);
}
path,
circle {
  fill: none;
  stroke-width: 1.6;
}
.was path,
.was circle {
  stroke: var(--pick);
  stroke-dasharray: 6 4;
  stroke-width: 2.2;
}
.now path,
.now circle {
  stroke: var(--line);
}
.bend {
  opacity: 0.55;
}
</style>
