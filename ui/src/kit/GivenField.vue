<script setup lang="ts">
// A value with how it came to be known.
import type { Given } from '@/api/client'
import type { Kind, Style } from './readLength'
import { wordsOf } from '@/api/words'
import type { Trust } from './trust'
import PickOne from './PickOne.vue'
import ValueField from './ValueField.vue'

const props = defineProps<{
  label: string
  modelValue: Given | undefined
  lengths: Style
  kind?: Kind
  note?: string
  wrong?: string
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Given | undefined] }>()
const setValue = (value: number) => emit('update:modelValue', { value, trust: props.modelValue?.trust ?? 'measured' })
const setTrust = (trust: Trust) => emit('update:modelValue', { value: props.modelValue?.value ?? 0, trust })
</script>

<template>
  <div class="given">
    <ValueField
      :label="label"
      :kind="kind ?? 'number'"
      :model-value="modelValue?.value ?? null"
      :lengths="lengths"
      :note="note"
      :wrong="wrong"
      optional
      @update:model-value="setValue"
      @clear="emit('update:modelValue', undefined)"
    />
    <PickOne
      v-if="modelValue"
      hide-label
      class="trust"
      :class="modelValue.trust ?? 'assumed'"
      :label="`${label}: how it is known`"
      :choices="wordsOf('Given', 'trust')"
      :model-value="modelValue.trust ?? 'assumed'"
      @update:model-value="setTrust"
    />
  </div>
</template>

<style scoped>
.given {
  display: grid;
  gap: 4px;
  align-content: start;
}
.trust :deep(.box) {
  font-size: 0.875rem;
  background: none;
  border-style: dashed;
  padding: 4px 8px;
}
.memory :deep(.box),
.assumed :deep(.box) {
  color: var(--mind);
  border-color: var(--mind);
}
</style>
