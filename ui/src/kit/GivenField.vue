<script setup lang="ts">
// A value with how it came to be known.
import type { Given } from '@/api/client'
import type { Kind, Style } from './readLength'
import { type Trust, trusts } from './trust'
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
      @update:model-value="setValue"
    />
    <select
      v-if="modelValue"
      class="box trust"
      :class="modelValue.trust ?? 'assumed'"
      :aria-label="`${label}: how it is known`"
      :value="modelValue.trust ?? 'assumed'"
      @change="setTrust(($event.target as HTMLSelectElement).value as Trust)"
    >
      <option v-for="t in trusts" :key="t.value" :value="t.value">{{ t.text }}</option>
    </select>
  </div>
</template>

<style scoped>
.given {
  display: grid;
  gap: 4px;
  align-content: start;
}
.trust {
  font-size: 0.875rem;
  background: none;
  border-style: dashed;
  padding: 4px 8px;
}
.memory,
.assumed {
  color: var(--mind);
  border-color: var(--mind);
}
</style>
