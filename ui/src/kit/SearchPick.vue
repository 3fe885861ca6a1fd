<script setup lang="ts" generic="T extends string">
// A long list to pick one from: what is typed narrows it, arrows and Enter choose.
import { NSelect } from 'naive-ui'
import { computed, ref, useId } from 'vue'

type Choice = { value: T; text: string; note?: string }
const props = defineProps<{
  label: string
  choices: Choice[] | { text: string; list: Choice[] }[]
  modelValue: T
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
const show = ref(false)
const one = (c: Choice) => ({ value: c.value as string, label: c.note ? `${c.text}, ${c.note}` : c.text, named: c.text })
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
/** 50x3 finds 50 × 50 × 3 mm: each word typed begins one of its words, in their order. */
const words = (text: string) =>
  text
    .toLowerCase()
    .replaceAll('×', ' ')
    .replace(/(\d)x/g, '$1 ')
    .split(/[\s,]+/)
const finds = (typed: string, o: { named?: string }) => {
  const names = words(o.named ?? '')
  let from = 0
  return words(typed)
    .filter((w) => w && w !== 'x')
    .every((w) => {
      const at = names.findIndex((n, i) => i >= from && n.startsWith(w))
      from = at + 1
      return at >= 0
    })
}
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
      :filter="finds as never"
      @update:value="(v: T) => emit('update:modelValue', v)"
    >
      <template #empty><span class="soft">Nothing like that in the list.</span></template>
    </NSelect>
  </div>
</template>
