<script setup lang="ts">
// How free corners of a panel are cut.
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const get = <T,>(tail: string) => props.bench.part.value?.get(props.path + tail) as T | undefined
function setCorner(kindOf: string) {
  const size = get<number>('/corner/size') || (props.bench.style().unit === 'mm' ? 10 : 9.525)
  props.bench.part.value?.set(`${props.path}/corner`, kindOf === 'square' ? {} : { kind: kindOf, size })
}
</script>

<template>
  <ChoiceRow
    label="Free corners"
    :model-value="get<string>('/corner/kind') || 'square'"
    :choices="[
      { value: 'square', text: 'square' },
      { value: 'radius', text: 'rounded' },
      { value: 'chamfer', text: 'chamfered' },
    ]"
    @update:model-value="setCorner"
  />
</template>
