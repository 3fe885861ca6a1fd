<script setup lang="ts">
// How free corners of a panel are cut.
import type { components } from '@/api/schema'
import { shopOf, wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Bench } from './useBench'

type Corner = components['schemas']['Corner']
const props = defineProps<{ bench: Bench; path: string }>()
const get = <T,>(tail: string) => props.bench.part.value?.get(props.path + tail) as T | undefined
function setCorner(kindOf: string) {
  const size = get<number>('/corner/size') || shopOf(props.bench.style().unit !== 'mm').corner
  props.bench.part.value?.set(`${props.path}/corner`, kindOf === 'square' ? {} : { kind: kindOf, size })
}
</script>

<template>
  <ChoiceRow
    label="Free corners"
    :model-value="get<Corner['kind']>('/corner/kind') || 'square'"
    :choices="wordsOf('Corner', 'kind')"
    @update:model-value="setCorner"
  />
</template>
