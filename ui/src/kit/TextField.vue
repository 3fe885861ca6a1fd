<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, getCurrentInstance, useId } from 'vue'
import { nextField } from './nextField'

const props = defineProps<{ label: string; modelValue: string; wrong?: string; rows?: number; maxlength?: number }>()
const emit = defineEmits<{ 'update:modelValue': [value: string]; enter: [] }>()
const id = useId()
const input = computed(() => ({
  id,
  'aria-invalid': props.wrong ? ('true' as const) : ('false' as const),
  'aria-describedby': props.wrong ? `${id}-wrong` : undefined,
}))
// Who uses it may say where Enter goes.
const heard = getCurrentInstance()?.vnode.props?.onEnter !== undefined
function onEnter(e: KeyboardEvent) {
  if (props.rows) return
  e.preventDefault() // the form is ended by its last field, not by every one
  if (heard) emit('enter')
  else nextField(e.target as HTMLElement, e.shiftKey)
}
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
      @keydown.enter="onEnter"
      @keypress.enter="rows ? undefined : $event.preventDefault()"
    />
    <p v-if="wrong" :id="`${id}-wrong`" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>
