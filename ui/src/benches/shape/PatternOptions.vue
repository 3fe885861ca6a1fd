<script setup lang="ts">
// How a hole is repeated.
import { computed } from 'vue'
import type { Hole, Pattern } from '@/api/client'
import PickOne from '@/kit/PickOne.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const hole = computed(() => props.bench.part.value?.get(props.path) as Hole)
const p = computed(() => hole.value.pattern)
const panel = computed(() => props.bench.panels().find((x) => x.path === props.path.replace(/\/holes\/\d+$/, '')))
const edges = computed(() => (panel.value?.edges ?? []).filter((e) => e.role !== 'round' && e.role !== 'bend').map((e) => e.edge))
const kinds: { value: Pattern['kind'] | ''; text: string }[] = [
  { value: '', text: 'one alone' },
  { value: 'grid', text: 'row or grid' },
  { value: 'circle', text: 'circle' },
  { value: 'row', text: 'slanted row' },
  { value: 'edge', text: 'along an edge, equal margins' },
  { value: 'mirror', text: 'mirrored across the middle' },
]
function setKind(kind: Pattern['kind'] | '') {
  const usual: Record<string, Pattern> = {
    grid: { kind: 'grid', columns: 2, rows: 1, pitchX: 50, pitchY: 50 },
    circle: { kind: 'circle', count: 4, diameter: 60, start: 45 },
    row: { kind: 'row', count: 3, pitchX: 30, start: 0 },
    mirror: { kind: 'mirror', across: true },
  }
  if (kind === 'edge') return setEdge(edges.value[0] ?? 'front')
  props.bench.part.value?.set(props.path, { ...hole.value, pattern: kind === '' ? undefined : usual[kind] })
}
/** The edge they spread along is also the one they are measured from. */
function setEdge(edge: string) {
  const was = p.value?.kind === 'edge' ? p.value : { kind: 'edge' as const, count: 3, margin: 25 }
  const axis = edge === 'left' || edge === 'right' ? 'x' : 'y'
  const distance = Math.abs(hole.value[axis].distance) || 20
  props.bench.part.value?.set(props.path, { ...hole.value, [axis]: { edge, distance }, pattern: { ...was, edge } })
}
const ways = computed(() => (p.value?.across && p.value.back ? 'both' : p.value?.back ? 'back' : 'across'))
</script>

<template>
  <PickOne label="Repeated" :choices="kinds" :model-value="p?.kind ?? ''" @update:model-value="setKind" />
  <PickOne
    v-if="p?.kind === 'edge'"
    label="Along"
    :choices="edges.map((e) => ({ value: e, text: /^\d/.test(e) ? `side ${e}` : `the ${e} edge` }))"
    :model-value="p.edge ?? ''"
    @update:model-value="setEdge"
  />
  <PickOne
    v-if="p?.kind === 'mirror'"
    label="Mirrored"
    :choices="[
      { value: 'across', text: 'left to right' },
      { value: 'back', text: 'front to back' },
      { value: 'both', text: 'both ways, four in all' },
    ]"
    :model-value="ways"
    @update:model-value="
      (v) =>
        bench.part.value?.set(`${path}/pattern`, {
          kind: 'mirror',
          across: v !== 'back' || undefined,
          back: v !== 'across' || undefined,
        })
    "
  />
</template>
