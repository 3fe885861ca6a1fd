<script setup lang="ts">
// What to add to the tapped face or edge: large choices, last used sizes. The
// kinds stand in rows; one row is open, the rest wait under their names.
import { X } from '@lucide/vue'
import { computed, ref, useId, watch } from 'vue'
import type { Edge } from '@/api/client'
import { type Thing, things } from '@/api/words'
import TabRow from '@/kit/TabRow.vue'
import { carried } from './carried'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const panel = computed(() => props.bench.panels().find((p) => p.id === props.bench.feature.value))
const free = computed(() => (props.bench.part.value?.built.value?.round ? [] : freeEdges.value))
const freeEdges = computed(() => panel.value?.edges.filter((e) => e.role === 'free' || e.role === 'tip') ?? [])
const edge = ref<Edge>()
const row = ref<Thing['row']>('edge')
watch(
  () => [props.bench.edge.value, panel.value?.id],
  () => {
    edge.value = props.bench.edge.value ?? free.value[0]?.edge
    if (props.bench.edge.value) row.value = 'edge'
    else if (!free.value.length) row.value = 'hole'
  },
  { immediate: true },
)
const shown = useId()
const rows = computed(() => [
  ...(free.value.length ? [{ key: 'edge' as const, name: 'On an edge' }] : []),
  { key: 'hole' as const, name: 'Holes' },
  { key: 'use' as const, name: 'Holes for something' },
  { key: 'mark' as const, name: 'Marks' },
])
const offered = computed(() => things().filter((t) => t.row === row.value))
const edgeWord = (e: Edge) => (/^\d/.test(e) ? `side ${e}` : e)
</script>

<template>
  <div v-if="panel" class="add" role="group" :aria-label="`Add to ${panel.name}`">
    <div class="heads">
      <strong>{{ panel.name }}</strong>
      <TabRow v-model="row" label="What to add" :tabs="rows" :panel="shown" class="rows" />
      <button
        v-if="carried && (edge || carried.kind === 'holes' || carried.kind === 'marks')"
        type="button"
        class="press tight"
        @click="bench.setDown(panel, carried, edge)"
      >
        Set down: {{ carried.word }}
      </button>
      <button type="button" class="press bare close" aria-label="Add nothing" @click="bench.addNothing()">
        <X :size="20" />
      </button>
    </div>
    <div v-if="row === 'edge' && free.length" :id="shown" class="things" role="tabpanel" aria-label="On an edge">
      <div class="edges" role="group" aria-label="Edge">
        <button
          v-for="e in free"
          :key="e.edge"
          type="button"
          class="press tight"
          :class="{ on: e.edge === edge }"
          :aria-pressed="e.edge === edge"
          @click="((edge = e.edge), bench.pick(panel.id, e.edge))"
        >
          {{ edgeWord(e.edge) }}
        </button>
      </div>
      <button v-for="t in offered" :key="t.key" type="button" class="press tight" @click="edge && bench.add(panel, t.key, edge)">
        {{ t.text }}
      </button>
    </div>
    <div v-else :id="shown" class="things" role="tabpanel" :aria-label="rows.find((r) => r.key === row)!.name">
      <button
        v-for="t in offered"
        :key="t.key"
        type="button"
        class="press tight"
        @click="bench.add(panel, t.key, bench.edge.value)"
      >
        {{ t.text }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  padding: 4px 12px 8px;
  background: var(--ember-wash);
  border-top: 2px solid var(--ember);
}
.heads {
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  align-items: center;
}
.rows {
  flex: 1 1 240px;
  margin-left: 12px;
}
.things {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  align-items: center;
}
.things .press {
  min-height: var(--touch);
}
.edges {
  display: flex;
  flex-wrap: wrap;
  margin-right: 10px;
}
.edges .press {
  margin: 0 -1px -1px 0;
}
.on.press {
  background: var(--ink);
  color: var(--paper);
}
.close {
  margin-left: auto;
}
</style>
