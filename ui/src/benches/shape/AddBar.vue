<script setup lang="ts">
// What to add to the tapped face or edge: large choices, last used sizes.
import { Circle, CircleDotDashed, FoldVertical, Grip, Pill, X } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import type { Edge } from '@/api/client'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const panel = computed(() => props.bench.panels().find((p) => p.id === props.bench.feature.value))
const free = computed(() => panel.value?.edges.filter((e) => e.role === 'free' || e.role === 'tip') ?? [])
const edge = ref<Edge>()
watch(
  () => [props.bench.edge.value, panel.value?.id],
  () => (edge.value = props.bench.edge.value ?? free.value[0]?.edge),
  { immediate: true },
)
</script>

<template>
  <div v-if="panel" class="add" role="group" :aria-label="`Add to ${panel.name}`">
    <div class="group">
      <strong>{{ panel.name }}</strong>
      <span class="soft small">add to it</span>
    </div>
    <div v-if="free.length" class="group wide">
      <span class="hidden-label">Edge for a flange</span>
      <div class="edges" role="group" aria-label="Edge for a flange">
        <button
          v-for="e in free"
          :key="e.edge"
          type="button"
          class="press tight"
          :class="{ on: e.edge === edge }"
          :aria-pressed="e.edge === edge"
          @click="((edge = e.edge), bench.pick(panel.id, e.edge))"
        >
          {{ e.edge }}
        </button>
      </div>
      <button type="button" class="press" @click="edge && bench.addFlange(panel, edge, true)">
        <FoldVertical :size="20" aria-hidden="true" />Flange up
      </button>
      <button type="button" class="press" @click="edge && bench.addFlange(panel, edge, false)">
        <FoldVertical :size="20" aria-hidden="true" />Flange down
      </button>
    </div>
    <div class="group wide">
      <button type="button" class="press" @click="bench.addHole(panel, 'round')">
        <Circle :size="18" aria-hidden="true" />Hole
      </button>
      <button type="button" class="press" @click="bench.addHole(panel, 'slot')">
        <Pill :size="18" aria-hidden="true" />Slot
      </button>
      <button type="button" class="press" @click="bench.addHole(panel, 'grid')">
        <Grip :size="18" aria-hidden="true" />Row or grid
      </button>
      <button type="button" class="press" @click="bench.addHole(panel, 'circle')">
        <CircleDotDashed :size="18" aria-hidden="true" />Hole circle
      </button>
    </div>
    <button type="button" class="press bare close" aria-label="Add nothing" @click="bench.addNothing()"><X :size="20" /></button>
  </div>
</template>

<style scoped>
.add {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  padding: 8px 12px;
  background: var(--ember-wash);
  border-top: 2px solid var(--ember);
}
.group {
  display: grid;
}
.group.wide {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.edges {
  display: flex;
}
.edges .press {
  margin-right: -1px;
  min-height: var(--touch);
}
.on {
  background: var(--ink);
  color: var(--paper);
}
.close {
  margin-left: auto;
}
</style>
