<script setup lang="ts">
// Choices of a notch or tab, or of a mark, that are not numbers.
import { computed } from 'vue'
import type { EdgeCut, Mark } from '@/api/client'
import { shopOf, wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import OffsetOptions from './OffsetOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const set = (tail: string, value: unknown) => props.bench.part.value?.set(props.path + tail, value)
const mark = computed(() => (props.path.includes('/marks/') ? (props.bench.part.value?.get(props.path) as Mark) : undefined))
const cut = computed(() => (mark.value ? undefined : (props.bench.part.value?.get(props.path) as EdgeCut)))
const panel = computed(() => props.bench.panels().find((p) => p.path === props.path.replace(/\/edges\/\d+$/, '')))
const edges = computed(() =>
  (panel.value?.edges ?? [])
    .filter((e) => e.role !== 'round' && e.role !== 'bend')
    .map((e) => ({ value: e.edge, text: /^\d/.test(e.edge) ? `side ${e.edge}` : `the ${e.edge} edge` })),
)
</script>

<template>
  <template v-if="cut">
    <PickOne label="On" :choices="edges" :model-value="cut.edge" @update:model-value="(v) => set('/edge', v)" />
    <ChoiceRow
      v-if="cut.kind === 'notch'"
      label="Its form"
      :model-value="cut.shape ?? 'square'"
      :choices="wordsOf('EdgeCut', 'shape')"
      @update:model-value="(v) => set('/shape', v)"
    />
    <ChoiceRow
      label="How many"
      :model-value="(cut.count ?? 1) > 1"
      :choices="[
        { value: false, text: 'one' },
        { value: true, text: 'several, equal margins' },
      ]"
      @update:model-value="
        (v) => set('', { ...cut, count: v ? 3 : undefined, margin: v ? shopOf(bench.style().unit !== 'mm').margin : undefined })
      "
    />
    <ChoiceRow
      v-if="(cut.count ?? 1) < 2"
      label="Measured from the"
      :model-value="cut.fromEnd ?? false"
      :choices="[
        { value: false, text: 'left or front end' },
        { value: true, text: 'other end' },
      ]"
      @update:model-value="(v) => set('/fromEnd', v || undefined)"
    />
  </template>
  <template v-else-if="mark">
    <TextField
      v-if="mark.kind === 'text' || mark.kind === 'noweld'"
      label="Words"
      :maxlength="200"
      :model-value="mark.text ?? ''"
      @update:model-value="(v) => set('/text', v || undefined)"
    />
    <OffsetOptions :bench="bench" :path="path" axis="x" />
    <OffsetOptions :bench="bench" :path="path" axis="y" />
  </template>
</template>
