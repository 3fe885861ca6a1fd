<script setup lang="ts">
// One point: typed, offset from another, or from a surveyed point.
import { computed } from 'vue'
import { useSurveyed } from '@/jobs/useSurvey'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import type { FrameCorner } from '@/api/client'
import { wordsOf } from '@/api/words'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; index: number }>()
const at = computed(() => `/points/${props.index}` as const)
const p = computed(() => props.open.doc.value!.points![props.index]!)
const { data: survey } = useSurveyed(() => props.open.view.value?.jobId ?? '')
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
const ends = computed(
  () => (props.open.doc.value?.members ?? []).filter((m) => m.from === p.value.id || m.to === p.value.id).length,
)
const corner = computed(() => p.value.corner)
const setCorner = (more?: FrameCorner) => props.open.set(at.value, { ...p.value, corner: more && { ...corner.value, ...more } })
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
  <template v-if="corner || (ends > 0 && ends < 3)">
    <ChoiceRow
      label="Two members meet here"
      :choices="[{ value: 'cut', text: 'cut apart' }, ...wordsOf('MemberCorner', 'kind')]"
      :model-value="corner?.kind ?? 'cut'"
      @update:model-value="(v) => setCorner(v === 'cut' ? undefined : { kind: v as FrameCorner['kind'] })"
    />
    <ValueField
      v-if="corner?.kind === 'bend'"
      label="Radius of the bend, on the middle"
      :model-value="corner.radius ?? null"
      :lengths="open.style.value"
      note="three times the tube's size when left empty"
      :wrong="open.fault(`${at}/corner/radius`)"
      @update:model-value="(v) => setCorner({ kind: 'bend', radius: v || undefined })"
    />
    <ChoiceRow
      v-if="corner?.kind === 'fold'"
      label="The V is cut down to"
      :choices="wordsOf('MemberCorner', 'hinge')"
      :model-value="corner.hinge ?? 'inner'"
      @update:model-value="(v) => setCorner({ kind: 'fold', hinge: v as FrameCorner['hinge'] })"
    />
  </template>
</template>
