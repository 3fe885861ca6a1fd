<script setup lang="ts">
// A plate at a member's end, or an ear.
import { wordsOf } from '@/api/words'
import { computed } from 'vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; index: number }>()
const at = computed(() => `/plates/${props.index}` as const)
const p = computed(() => props.open.doc.value!.plates![props.index]!)
const sizes = computed(() => [
  ['width', 'Wide'] as const,
  ['height', p.value.kind === 'tab' ? 'Past the member' : 'High'] as const,
  ['thickness', 'Thick'] as const,
  ...(p.value.kind === 'cap' ? [] : [['hole', 'Holes, diameter'] as const, ['margin', 'Holes to the edge'] as const]),
])
</script>

<template>
  <TextField label="Name" :model-value="p.name" @update:model-value="(v) => open.set(`${at}/name`, v)" />
  <ChoiceRow
    label="It is"
    :choices="wordsOf('MemberPlate', 'kind')"
    :model-value="p.kind"
    @update:model-value="(v) => open.set(`${at}/kind`, v)"
  />
  <div class="cells">
    <PickOne
      label="On member"
      :choices="open.members.value"
      :model-value="p.member"
      @update:model-value="(v) => open.set(`${at}/member`, v)"
    />
    <PickOne
      label="At its"
      :choices="wordsOf('MemberPlate', 'end')"
      :model-value="p.end"
      @update:model-value="(v) => open.set(`${at}/end`, v)"
    />
    <ValueField
      v-for="[key, text] in sizes"
      :key="key"
      :label="text"
      :model-value="p[key] ?? null"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/${key}`)"
      @update:model-value="(v) => open.set(`${at}/${key}`, v)"
    />
    <ValueField
      v-if="p.kind !== 'cap'"
      label="How many holes"
      kind="count"
      :model-value="p.holes ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/holes`)"
      @update:model-value="(v) => open.set(`${at}/holes`, v)"
    />
  </div>
</template>
