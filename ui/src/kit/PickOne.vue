<script setup lang="ts" generic="T extends string">
// A list to pick one from, for more choices than fit side by side; a long one is searched.
import { defineAsyncComponent, useId } from 'vue'

const SearchPick = defineAsyncComponent(() => import('./SearchPick.vue'))
const long = 10 // more are looked for by typing

defineProps<{ label: string; choices: { value: T; text: string }[]; modelValue: T }>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
</script>

<template>
  <SearchPick
    v-if="choices.length > long"
    :label="label"
    :choices="choices"
    :model-value="modelValue"
    @update:model-value="(v) => emit('update:modelValue', v as T)"
  />
  <div v-else class="field">
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
