<script setup lang="ts">
// A word of one's own, with those used before it offered. Taken when it is left, chosen
// or entered: what is asked at every letter would jump about.
import { NAutoComplete } from 'naive-ui'
import { computed, ref, useId, watch } from 'vue'

const props = defineProps<{ label: string; modelValue: string; known: string[]; maxlength?: number }>()
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
const typed = ref(props.modelValue)
const here = ref(false) // the hand is in it: what is like it lies open below
watch(
  () => props.modelValue,
  (v) => (typed.value = v),
)
const like = computed(() => {
  const t = typed.value.trim().toLowerCase()
  return props.known.filter((k) => k !== typed.value && k.toLowerCase().includes(t))
})
function taken() {
  if (typed.value !== props.modelValue) emit('update:modelValue', typed.value)
}
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <NAutoComplete
      v-model:value="typed"
      size="large"
      placeholder=""
      :options="like"
      :get-show="() => true"
      :menu-props="{ role: 'listbox', 'aria-label': label } as never"
      :input-props="
        {
          id,
          maxlength,
          role: 'combobox',
          'aria-autocomplete': 'list',
          'aria-expanded': here && like.length ? 'true' : 'false',
        } as never
      "
      @select="(v: string | number) => ((typed = String(v)), taken())"
      @focus="here = true"
      @blur="((here = false), taken())"
      @keydown.enter="taken"
    />
  </div>
</template>
