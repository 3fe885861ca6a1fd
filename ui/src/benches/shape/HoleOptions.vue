<script setup lang="ts">
// Choices of a hole that are not numbers: what it is for, how it is made, what
// it is measured from.
import { computed } from 'vue'
import type { Hole, Use } from '@/api/client'
import { useStock } from '@/api/queries'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import OffsetOptions from './OffsetOptions.vue'
import PatternOptions from './PatternOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const set = (tail: string, value: unknown) => props.bench.part.value?.set(props.path + tail, value)
const hole = computed(() => props.bench.part.value?.get(props.path) as Hole)
const use = computed(() => hole.value.use)
const { data: stock } = useStock()
const threads = computed(() => {
  const list = (stock.value?.threads ?? []).map((t) => {
    const name = t.system === 'inch' ? `${t.size}-${t.pitch}` : t.coarse ? t.size : `${t.size}×${t.pitch}`
    return { value: name, text: name }
  })
  const own = use.value?.thread ?? ''
  return list.some((t) => t.value === own) ? list : [{ value: own, text: own || 'choose' }, ...list]
})
const uses: { value: Use['kind'] | ''; text: string }[] = [
  { value: '', text: 'a plain hole' },
  { value: 'tapped', text: 'tapped' },
  { value: 'weldnut', text: 'a weld nut' },
  { value: 'rivetnut', text: 'a rivet nut' },
  { value: 'countersink', text: 'a countersunk screw' },
  { value: 'access', text: 'a tool to reach through' },
  { value: 'drain', text: 'water to drain' },
  { value: 'pass', text: 'a line or plug to go through' },
  { value: 'lightening', text: 'lightening' },
]
function setUse(kind: Use['kind'] | '') {
  const thread = use.value?.thread || (props.bench.style().unit === 'mm' ? 'M8' : '5/16-18')
  const made = ['tapped', 'weldnut', 'rivetnut', 'countersink'].includes(kind)
  set('', {
    ...hole.value,
    diameter: kind === '' || kind === 'lightening' ? hole.value.diameter || 9 : undefined,
    use:
      kind === ''
        ? undefined
        : {
            kind,
            ...(made ? { thread } : {}),
            ...(kind === 'access' ? { tool: 22 } : {}),
            ...(kind === 'pass' ? { line: 12, cover: 'grommet' } : {}),
          },
  })
}
const sided = computed(() => ['weldnut', 'rivetnut', 'countersink', 'lightening'].includes(use.value?.kind ?? ''))
</script>

<template>
  <PickOne
    v-if="hole.kind === 'round'"
    label="It is for"
    :choices="uses"
    :model-value="use?.kind ?? ''"
    @update:model-value="setUse"
  />
  <PickOne
    v-if="use && ['tapped', 'weldnut', 'rivetnut', 'countersink'].includes(use.kind)"
    label="Thread"
    :choices="threads"
    :model-value="use.thread ?? ''"
    @update:model-value="(v) => set('/use/thread', v)"
  />
  <ChoiceRow
    v-if="sided"
    label="On the"
    :model-value="use?.back ?? false"
    :choices="[
      { value: false, text: 'good side' },
      { value: true, text: 'back' },
    ]"
    @update:model-value="(v) => set('/use/back', v || undefined)"
  />
  <ChoiceRow
    v-if="use?.kind === 'pass'"
    label="The edge is"
    :model-value="use.cover ?? 'none'"
    :choices="[
      { value: 'none', text: 'bare' },
      { value: 'grommet', text: 'with a grommet' },
      { value: 'split', text: 'covered' },
    ]"
    @update:model-value="(v) => set('/use/cover', v)"
  />
  <ChoiceRow
    label="Made"
    :model-value="hole.made || 'cut'"
    :choices="[
      { value: 'cut', text: 'cut with the blank' },
      ...(hole.kind === 'round'
        ? [{ value: 'pilot' as const, text: 'from a pilot', hint: 'a small hole is cut and drilled out' }]
        : []),
      { value: 'drilled', text: 'drilled after bending' },
      { value: 'matched', text: 'drilled through its mate' },
    ]"
    @update:model-value="(v) => set('/made', v)"
  />
  <PatternOptions v-if="hole.use?.kind !== 'tab'" :bench="bench" :path="path" />
  <OffsetOptions :bench="bench" :path="path" axis="x" />
  <OffsetOptions :bench="bench" :path="path" axis="y" />
</template>
