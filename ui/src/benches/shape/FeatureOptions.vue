<script setup lang="ts">
// Choices of one feature that are not numbers.
import { computed } from 'vue'
import type { Flange, Hole } from '@/api/client'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const kind = computed(() => (props.path === '/base' ? 'base' : /\/holes\/\d+$/.test(props.path) ? 'hole' : 'flange'))
const get = <T,>(tail: string) => props.bench.part.value?.get(props.path + tail) as T | undefined
const set = (tail: string, value: unknown) => props.bench.part.value?.set(props.path + tail, value)
const flange = computed(() => get<Flange>(''))
const hole = computed(() => get<Hole>(''))

const measures = [
  { value: 'outside', text: 'outside', hint: 'to the outer apex' },
  { value: 'tangent', text: 'to tangent', hint: 'to the outermost tangent plane' },
  { value: 'inside', text: 'inside', hint: 'to the inner apex' },
  { value: 'flat', text: 'flat', hint: 'to the tangent line' },
]
const froms = measures.filter((m) => m.value !== 'tangent')
const corners = [
  { value: 'square', text: 'square' },
  { value: 'radius', text: 'rounded' },
  { value: 'chamfer', text: 'chamfered' },
]
function setCorner(kindOf: string) {
  const size = get<number>('/corner/size') || (props.bench.style().unit === 'mm' ? 10 : 9.525)
  set('/corner', kindOf === 'square' ? {} : { kind: kindOf, size })
}
</script>

<template>
  <div class="options">
    <template v-if="kind === 'flange' && flange">
      <ChoiceRow
        label="Bent"
        :model-value="flange.up"
        :choices="[
          { value: true, text: 'up, to the good side' },
          { value: false, text: 'down' },
        ]"
        @update:model-value="(v) => set('/up', v)"
      />
      <ChoiceRow
        label="Length measured"
        :model-value="flange.measure ?? 'outside'"
        :choices="measures"
        @update:model-value="(v) => set('/measure', v)"
      />
      <ChoiceRow
        label="Relief"
        :model-value="flange.relief?.kind ?? 'rectangular'"
        :choices="[
          { value: 'rectangular', text: 'square' },
          { value: 'round', text: 'round' },
          { value: 'tear', text: 'none', hint: 'the sheet tears where the bend ends' },
        ]"
        @update:model-value="(v) => set('/relief/kind', v)"
      />
    </template>
    <template v-if="kind === 'base'">
      <ChoiceRow
        label="Sizes measured"
        :model-value="get<string>('/measure') ?? 'outside'"
        :choices="measures"
        @update:model-value="(v) => set('/measure', v)"
      />
    </template>
    <ChoiceRow
      v-if="kind !== 'hole'"
      label="Free corners"
      :model-value="get<string>('/corner/kind') || 'square'"
      :choices="corners"
      @update:model-value="setCorner"
    />
    <template v-if="kind === 'hole' && hole">
      <ChoiceRow
        label="Made"
        :model-value="hole.made || 'cut'"
        :choices="[
          { value: 'cut', text: 'cut with the blank' },
          { value: 'drilled', text: 'drilled after bending' },
        ]"
        @update:model-value="(v) => set('/made', v)"
      />
      <ChoiceRow
        label="Across, from the"
        :model-value="hole.x.edge"
        :choices="[
          { value: 'left', text: 'left' },
          { value: 'right', text: 'right' },
        ]"
        @update:model-value="(v) => set('/x/edge', v)"
      />
      <ChoiceRow
        label="Along, from the"
        :model-value="hole.y.edge"
        :choices="[
          { value: 'front', text: 'front' },
          { value: 'back', text: 'back' },
        ]"
        @update:model-value="(v) => set('/y/edge', v)"
      />
      <ChoiceRow
        label="Where that edge is bent, across from"
        :model-value="hole.x.from || 'outside'"
        :choices="froms"
        @update:model-value="(v) => set('/x/from', v)"
      />
      <ChoiceRow
        label="Where that edge is bent, along from"
        :model-value="hole.y.from || 'outside'"
        :choices="froms"
        @update:model-value="(v) => set('/y/from', v)"
      />
    </template>
  </div>
</template>

<style scoped>
.options {
  display: grid;
  gap: 10px;
  padding: 4px 12px 12px;
}
</style>
