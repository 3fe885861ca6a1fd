<script setup lang="ts">
// One point of a body: typed, or so far from another, or that one seen in the mirror.
import { computed } from 'vue'
import { useSurveyed } from '@/jobs/useSurvey'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody; index: number }>()
const at = computed(() => `/points/${props.index}` as const)
const p = computed(() => props.open.doc.value!.points![props.index]!)
const from = computed(() =>
  p.value.survey ? 'survey' : p.value.from === undefined ? 'origin' : p.value.mirror ? 'mirror' : 'point',
)
const told = computed(() => props.open.worked.value?.points.find((x) => x.id === p.value.id))
const { data: survey } = useSurveyed(() => (p.value.survey ? (props.open.view.value?.jobId ?? '') : ''))
const source = computed(() => survey.value?.worked.points.find((x) => x.id === p.value.survey)?.name)
function setFrom(v: string) {
  if (v === 'survey') return
  // Its place stays where it was: the numbers are counted anew.
  const was = told.value?.at
  if (v === 'origin') {
    const [x, y, z] = (was ?? [p.value.x, p.value.y, p.value.z]) as [number, number, number]
    props.open.set(at.value, { ...p.value, x, y, z, from: undefined, mirror: undefined, survey: undefined })
  } else {
    const mirror = v === 'mirror' || undefined
    props.open.set(at.value, { ...p.value, x: 0, y: 0, z: 0, from: p.value.from ?? '', mirror, survey: undefined })
  }
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
      ...(p.survey ? [{ value: 'survey', text: 'the survey' }] : []),
    ]"
    :model-value="from"
    @update:model-value="setFrom"
  />
  <PickOne
    v-if="from === 'point' || from === 'mirror'"
    :label="from === 'mirror' ? 'Mirror image of' : 'From'"
    :choices="others"
    :model-value="p.from ?? ''"
    @update:model-value="(v) => open.set(`${at}/from`, v)"
  />
  <p v-if="p.survey" class="soft small">
    Taken over from {{ source || 'a surveyed point' }}, in the vehicle’s axes. A later reading does not move it by itself.
  </p>
  <button v-if="told?.now" type="button" class="press tight" @click="open.takeAgain(p.id)">Take it over again</button>
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
