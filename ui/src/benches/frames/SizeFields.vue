<script setup lang="ts">
// A section by its kind and typed sizes.
import { computed } from 'vue'
import type { FrameMember } from '@/api/client'
import { wordOf, wordsOf } from '@/api/words'
import PickOne from '@/kit/PickOne.vue'
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'

type Sizes = FrameMember['section']
const props = defineProps<{ section: Sizes; lengths: Style; fault?: (path: string) => string | undefined }>()
const emit = defineEmits<{ change: [section: Sizes] }>()
const asked = computed(() => wordOf('SectionSizes', 'kind', props.section.kind)?.asks ?? [])
const size = (path: string) => props.section[path.slice(1) as keyof Sizes] as number | undefined
</script>

<template>
  <div class="cells">
    <PickOne
      label="Kind"
      :choices="wordsOf('SectionSizes', 'kind')"
      :model-value="section.kind"
      @update:model-value="(v) => emit('change', { kind: v })"
    />
    <ValueField
      v-for="a in asked"
      :key="a.path"
      :label="a.label"
      :model-value="size(a.path) ?? null"
      :lengths="lengths"
      :wrong="fault?.(a.path)"
      @update:model-value="(v) => emit('change', { ...section, [a.path.slice(1)]: v })"
    />
  </div>
</template>
