<script setup lang="ts">
// A day, typed or picked from the calendar; kept as 2027-03-31.
import { NDatePicker } from 'naive-ui'
import { type ComponentPublicInstance, ref, useId, watch } from 'vue'

defineProps<{ label: string; modelValue: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
const box = ref<ComponentPublicInstance>()
// The library gives no way to the input itself, which the label must find.
watch(box, (b) => (b?.$el as HTMLElement | undefined)?.querySelector('input')?.setAttribute('id', id))
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <NDatePicker
      ref="box"
      size="large"
      type="date"
      format="yyyy-MM-dd"
      value-format="yyyy-MM-dd"
      placeholder="year-month-day"
      clearable
      :actions="['clear']"
      update-value-on-close
      :formatted-value="modelValue || null"
      @update:formatted-value="(v: string | null) => emit('update:modelValue', v ?? '')"
    />
  </div>
</template>
