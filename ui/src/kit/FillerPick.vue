<script setup lang="ts">
// Of which metal a weld is laid; that nobody said is a choice too.
import { computed } from 'vue'
import { useStock } from '@/api/queries'
import PickOne from '@/kit/PickOne.vue'

defineProps<{ modelValue: string | undefined }>()
const emit = defineEmits<{ 'update:modelValue': [key: string | undefined] }>()
const { data: stock } = useStock()
const choices = computed(() => (stock.value?.fillers ?? []).map((f) => ({ value: f.known ? f.key : '', text: f.name })))
</script>

<template>
  <PickOne
    label="Weld metal"
    :choices="choices"
    :model-value="modelValue ?? ''"
    @update:model-value="(v) => emit('update:modelValue', v || undefined)"
  />
</template>
