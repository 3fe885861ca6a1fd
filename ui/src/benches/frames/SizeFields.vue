<script setup lang="ts">
// A section by its kind and typed sizes.
import { computed } from 'vue'
import type { FrameMember } from '@/api/client'
import PickOne from '@/kit/PickOne.vue'
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'

type Sizes = FrameMember['section']
const props = defineProps<{ section: Sizes; lengths: Style }>()
const emit = defineEmits<{ change: [section: Sizes] }>()
const fields: Record<Sizes['kind'], [keyof Sizes, string][]> = {
  rectTube: [
    ['width', 'Wide'],
    ['height', 'High'],
    ['wall', 'Wall'],
    ['outerRadius', 'Corner radius outside'],
  ],
  roundTube: [
    ['diameter', 'Diameter'],
    ['wall', 'Wall'],
  ],
  roundBar: [['diameter', 'Diameter']],
  flatBar: [
    ['width', 'Wide'],
    ['height', 'Thick'],
  ],
  angle: [
    ['legVertical', 'Upright leg'],
    ['legHorizontal', 'Level leg'],
    ['thickness', 'Thickness'],
  ],
  channel: [
    ['depth', 'High'],
    ['flangeWidth', 'Flanges wide'],
    ['web', 'Web thick'],
    ['flange', 'Flanges thick'],
  ],
}
const kinds = [
  { value: 'rectTube' as const, text: 'rectangular tube' },
  { value: 'roundTube' as const, text: 'round tube' },
  { value: 'roundBar' as const, text: 'round bar' },
  { value: 'flatBar' as const, text: 'flat' },
  { value: 'angle' as const, text: 'angle' },
  { value: 'channel' as const, text: 'channel' },
]
const asked = computed(() => fields[props.section.kind] ?? [])
</script>

<template>
  <div class="cells">
    <PickOne label="Kind" :choices="kinds" :model-value="section.kind" @update:model-value="(v) => emit('change', { kind: v })" />
    <ValueField
      v-for="[key, text] in asked"
      :key="key"
      :label="text"
      :model-value="(section[key] as number) ?? null"
      :lengths="lengths"
      @update:model-value="(v) => emit('change', { ...section, [key]: v })"
    />
  </div>
</template>
