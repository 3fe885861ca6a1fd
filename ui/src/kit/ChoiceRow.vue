<script setup lang="ts" generic="T extends string | number | boolean">
// A few choices side by side, one taken. Arrow keys move, as in any radio group.
import { useId } from 'vue'

defineProps<{
  label: string
  choices: { value: T; text: string; hint?: string }[]
  modelValue: T | undefined
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const name = useId()
</script>

<template>
  <fieldset class="choices">
    <legend :class="hideLabel ? 'hidden-label' : 'label'">{{ label }}</legend>
    <div class="row">
      <label v-for="c in choices" :key="String(c.value)" :class="{ on: c.value === modelValue }" :title="c.hint">
        <input type="radio" :name="name" :checked="c.value === modelValue" @change="emit('update:modelValue', c.value)" />
        <span>{{ c.text }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
.choices {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
legend {
  padding: 0 0 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0;
}
label {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
  padding: 0 12px;
  border: 1px solid var(--rule-strong);
  margin: 0 -1px -1px 0;
  background: var(--sheet);
  cursor: pointer;
}
label.on {
  background: var(--ink);
  color: var(--paper);
  border-color: var(--ink);
  font-weight: 600;
}
label:focus-within {
  outline: 3px solid var(--focus);
  outline-offset: 1px;
  z-index: 1;
}
input {
  position: absolute;
  opacity: 0;
  width: 1px;
  height: 1px;
}
</style>
