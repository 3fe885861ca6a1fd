<script setup lang="ts">
// A section as sold, in the job's unit first.
import { computed } from 'vue'
import { useAmounts } from '@/kit/amounts'
import { useSections } from '@/api/queries'
import { wordsOf } from '@/api/words'
import SearchPick from '@/kit/SearchPick.vue'

const props = defineProps<{ label: string; modelValue: string; inches: boolean; hideLabel?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [name: string] }>()
const { linear } = useAmounts(() => props.inches)
const { data } = useSections()
const groups = computed(() => [
  ...(known.value ? [] : [{ text: 'Here', list: [{ value: props.modelValue, text: props.modelValue || 'typed sizes' }] }]),
  ...(own.value.length ? [{ text: 'Of the Shop', list: own.value }] : []),
  ...[props.inches, !props.inches].flatMap((inches) =>
    wordsOf('SectionSizes', 'kind').map(({ value: kind, hint: text }) => ({
      text: `${text}, ${inches ? 'inch' : 'metric'}`,
      list: (data.value?.sections ?? [])
        .filter((s) => !s.own && s.inches === inches && s.sizes.kind === kind)
        .map((s) => ({ value: s.name, text: s.name, note: linear(s.kilos) })),
    })),
  ),
])
const own = computed(() =>
  (data.value?.sections ?? []).filter((s) => s.own).map((s) => ({ value: s.name, text: s.name, note: linear(s.kilos) })),
)
const known = computed(() => data.value?.sections.some((s) => s.name === props.modelValue))
</script>

<template>
  <SearchPick
    :label="label"
    :choices="groups"
    :model-value="modelValue"
    :hide-label="hideLabel"
    @update:model-value="(v) => emit('update:modelValue', v)"
  />
</template>
