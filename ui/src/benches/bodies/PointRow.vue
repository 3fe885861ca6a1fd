<script setup lang="ts">
// One point of a body: typed, or so far from another, or that one seen in the mirror.
import { computed } from 'vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; index: number }>()
const at = computed(() => `/points/${props.index}` as const)
const p = computed(() => props.open.doc.value!.points![props.index]!)
const from = computed(() => (p.value.from === undefined ? 'origin' : p.value.mirror ? 'mirror' : 'point'))
function setFrom(v: string) {
  // Its place stays where it was: the numbers are counted anew.
  const was = props.open.worked.value?.points.find((x) => x.id === p.value.id)?.at
  if (v === 'origin') {
    const [x, y, z] = (was ?? [p.value.x, p.value.y, p.value.z]) as [number, number, number]
    props.open.set(at.value, { ...p.value, x, y, z, from: undefined, mirror: undefined })
  } else props.open.set(at.value, { ...p.value, x: 0, y: 0, z: 0, from: p.value.from ?? '', mirror: v === 'mirror' || undefined })
}
const others = computed(() => [
  { value: '', text: 'choose a point' },
  ...props.open.doc
    .value!.points!.filter((x) => x.id !== p.value.id)
    .map((x) => ({ value: x.id, text: props.open.called(x.id) })),
])
const words = { x: 'Forward', y: 'Left', z: 'Up' } as const
</script>

<template>
  <TextField
    label="Name"
    :model-value="p.name ?? ''"
    :maxlength="80"
    @update:model-value="(v) => open.set(`${at}/name`, v || undefined)"
  />
  <ChoiceRow
    label="Counted from"
    :choices="[
      { value: 'origin', text: 'the origin' },
      { value: 'point', text: 'another point' },
      { value: 'mirror', text: 'a point in the mirror' },
    ]"
    :model-value="from"
    @update:model-value="setFrom"
  />
  <PickOne
    v-if="from !== 'origin'"
    :label="from === 'mirror' ? 'Mirror image of' : 'From'"
    :choices="others"
    :model-value="p.from ?? ''"
    @update:model-value="(v) => open.set(`${at}/from`, v)"
  />
  <FieldGrid :min="110" low>
    <ValueField
      v-for="(word, k) in words"
      :key="k"
      :label="word"
      :model-value="p[k]"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/${k}`)"
      @update:model-value="(v) => open.set(`${at}/${k}`, v)"
    />
  </FieldGrid>
</template>
