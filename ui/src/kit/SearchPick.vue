<script setup lang="ts" generic="T extends string">
// A long list to pick one from: what is typed narrows it, arrows and Enter choose.
import { NSelect } from 'naive-ui'
import { computed, ref, useId } from 'vue'

type Choice = { value: T; text: string }
const props = defineProps<{
  label: string
  choices: Choice[] | { text: string; list: Choice[] }[]
  modelValue: T
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
const show = ref(false)
const one = (c: Choice) => ({ value: c.value as string, label: c.text })
const options = computed(() =>
  props.choices.map((c) =>
    'list' in c ? { type: 'group' as const, key: c.text, label: c.text, children: c.list.map(one) } : one(c),
  ),
)
const input = computed(
  () =>
    ({
      id,
      role: 'combobox',
      autocomplete: 'off',
      'aria-autocomplete': 'list',
      'aria-expanded': String(show.value),
      'aria-controls': `${id}-list`,
    }) as never,
)
const row = (o: { value?: unknown; type?: string }) =>
  (o.type === 'group' ? {} : { role: 'option', 'aria-selected': String(o.value === props.modelValue) }) as never
</script>

<template>
  <div class="field" :data-pick="modelValue">
    <label :for="id" :class="{ 'hidden-label': hideLabel }">{{ label }}</label>
    <NSelect
      v-model:show="show"
      size="large"
      filterable
      :consistent-menu-width="false"
      :options="options as never"
      :value="modelValue"
      :input-props="input"
      :menu-props="{ id: `${id}-list`, role: 'listbox', 'aria-label': label } as never"
      :node-props="row"
      @update:value="(v: T) => emit('update:modelValue', v)"
    />
  </div>
</template>
