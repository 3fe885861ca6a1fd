<script setup lang="ts" generic="T extends string">
// A list to pick one from, for more choices than fit side by side.
import { useId } from 'vue'

defineProps<{ label: string; choices: { value: T; text: string }[]; modelValue: T }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <select
      :id="id"
      class="box"
      :value="modelValue"
      @change="emit('update:modelValue', ($event.target as HTMLSelectElement).value as T)"
    >
      <option v-for="c in choices" :key="c.value" :value="c.value">{{ c.text }}</option>
    </select>
  </div>
</template>
