<script setup lang="ts">
// A password, hidden unless asked for.
import { ref, useId } from 'vue'

defineProps<{ label: string; modelValue: string; wrong?: string; fresh?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
const seen = ref(false)
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <div class="both">
      <input
        :id="id"
        class="box"
        :type="seen ? 'text' : 'password'"
        :autocomplete="fresh ? 'new-password' : 'current-password'"
        :value="modelValue"
        :aria-invalid="wrong ? 'true' : 'false'"
        @input="emit('update:modelValue', ($event.target as HTMLInputElement).value)"
      />
      <button type="button" class="press tight" :aria-pressed="seen" @click="seen = !seen">{{ seen ? 'hide' : 'show' }}</button>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.both {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
}
.both .press {
  min-height: var(--touch);
}
</style>
