<script setup lang="ts">
// One point: typed, offset from another, or from a surveyed point.
import { computed } from 'vue'
import { useSurveyed } from '@/jobs/useSurvey'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; index: number }>()
const at = computed(() => `/points/${props.index}`)
const p = computed(() => props.open.doc.value!.points![props.index]!)
const { data: survey } = useSurveyed(() => props.open.got.value?.jobId ?? '')
const surveyed = computed(() => [
  { value: '', text: 'choose a surveyed point' },
  ...(survey.value?.worked.points ?? []).map((x) => ({ value: x.id, text: x.name || 'a point without a name' })),
])
const from = computed(() => (p.value.survey !== undefined ? 'survey' : p.value.from !== undefined ? 'point' : 'origin'))
function setFrom(v: string) {
  props.open.set(at.value, {
    ...p.value,
    from: v === 'point' ? (p.value.from ?? '') : undefined,
    survey: v === 'survey' ? (p.value.survey ?? '') : undefined,
  })
}
const words = { x: 'forward', y: 'left', z: 'up' }
</script>

<template>
  <TextField label="Name" :model-value="p.name" @update:model-value="(v) => open.set(`${at}/name`, v)" />
  <ChoiceRow
    label="Counted from"
    :choices="[
      { value: 'origin', text: 'the origin' },
      { value: 'point', text: 'another point' },
      { value: 'survey', text: 'a surveyed point' },
    ]"
    :model-value="from"
    @update:model-value="setFrom"
  />
  <PickOne
    v-if="from === 'point'"
    label="Offset from"
    :choices="open.points.value.filter((x) => x.value !== p.id)"
    :model-value="p.from ?? ''"
    @update:model-value="(v) => open.set(`${at}/from`, v)"
  />
  <PickOne
    v-if="from === 'survey'"
    label="Surveyed point"
    :choices="surveyed"
    :model-value="p.survey ?? ''"
    @update:model-value="(v) => open.set(`${at}/survey`, v)"
  />
  <div class="cells three">
    <ValueField
      v-for="k in ['x', 'y', 'z'] as const"
      :key="k"
      :label="words[k]"
      :model-value="p[k] ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/${k}`)"
      @update:model-value="(v) => open.set(`${at}/${k}`, v)"
    />
  </div>
</template>
