<script setup lang="ts">
// How a hole is repeated.
import { computed } from 'vue'
import type { Hole, Pattern } from '@/api/client'
import { mayBe, shopOf, wordOf } from '@/api/words'
import PickOne from '@/kit/PickOne.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const hole = computed(() => props.bench.part.value?.get(props.path) as Hole)
const p = computed(() => hole.value.pattern)
const panel = computed(() => props.bench.panels().find((x) => x.path === props.path.replace(/\/holes\/\d+$/, '')))
const edges = computed(() => (panel.value?.edges ?? []).filter((e) => e.role !== 'round' && e.role !== 'bend').map((e) => e.edge))
const inch = () => props.bench.style().unit !== 'mm'
/** How one of a kind starts. */
const usual = (kind: Pattern['kind'] | '') =>
  wordOf('Pattern', 'kind', kind)?.fresh?.[inch() ? 'inch' : 'metric'] as Pattern | undefined
function setKind(kind: Pattern['kind'] | '') {
  if (kind === 'edge') return setEdge(edges.value[0] ?? 'front')
  props.bench.part.value?.set(props.path, { ...hole.value, pattern: usual(kind) })
}
/** The edge they spread along is also the one they are measured from. */
function setEdge(edge: string) {
  const was = p.value?.kind === 'edge' ? p.value : usual('edge')
  const axis = edge === 'left' || edge === 'right' ? 'x' : 'y'
  const distance = Math.abs(hole.value[axis].distance) || shopOf(inch()).off
  props.bench.part.value?.set(props.path, { ...hole.value, [axis]: { edge, distance }, pattern: { ...was, edge } })
}
const ways = computed(() => (p.value?.across && p.value.back ? 'both' : p.value?.back ? 'back' : 'across'))
</script>

<template>
  <PickOne label="Repeated" :choices="mayBe('Pattern', 'kind')" :model-value="p?.kind ?? ''" @update:model-value="setKind" />
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
