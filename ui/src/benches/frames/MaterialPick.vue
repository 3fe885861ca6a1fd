<script setup lang="ts">
import { computed } from 'vue'
import { useStock } from '@/api/queries'
import PickOne from '@/kit/PickOne.vue'

defineProps<{ modelValue: string }>()
const emit = defineEmits<{ 'update:modelValue': [key: string] }>()
const { data } = useStock()
const choices = computed(() => (data.value?.materials ?? []).map((m) => ({ value: m.key, text: m.name })))
</script>

<template>
  <PickOne
    label="Material"
    :choices="choices"
    :model-value="modelValue"
    @update:model-value="(v) => emit('update:modelValue', v)"
  />
</template>
