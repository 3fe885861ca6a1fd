<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, useId } from 'vue'

const props = defineProps<{ label: string; modelValue: string; wrong?: string; rows?: number; maxlength?: number }>()
const emit = defineEmits<{ 'update:modelValue': [value: string]; enter: [] }>()
const id = useId()
const input = computed(() => ({
  id,
  'aria-invalid': props.wrong ? ('true' as const) : ('false' as const),
  'aria-describedby': props.wrong ? `${id}-wrong` : undefined,
}))
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <NInput
      :value="modelValue"
      size="large"
      :type="rows ? 'textarea' : 'text'"
      :rows="rows"
      placeholder=""
      :status="wrong ? 'error' : undefined"
      :maxlength="maxlength"
      :input-props="input as never"
      @update:value="emit('update:modelValue', $event)"
      @keydown.enter="rows ? undefined : emit('enter')"
    />
    <p v-if="wrong" :id="`${id}-wrong`" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>
