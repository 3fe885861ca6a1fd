<script setup lang="ts">
// One reading with what it was taken with and how it came to be known; it may
// be repeated.
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Reading } from '@/api/client'
import { wordsOf } from '@/api/words'
import { useInstruments } from './instruments'
import type { Kind, Style } from './readLength'
import PickOne from './PickOne.vue'
import ValueField from './ValueField.vue'
import IconPress from './IconPress.vue'

const props = defineProps<{
  label: string
  modelValue: Reading | undefined
  lengths: Style
  kind?: Kind
  wrong?: string
  note?: string
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: Reading] }>()
const values = computed(() => props.modelValue?.values ?? [])
const { named } = useInstruments()
const instruments = computed(() =>
  wordsOf('SurveyReading', 'instrument')
    .filter((w) => w.asks?.some((a) => (a.kind === 'angle') === (props.kind === 'angle')))
    .map((w) => ({ value: w.value, text: named(w.value, props.kind === 'angle') })),
)
const instrument = computed(() => props.modelValue?.instrument ?? (props.kind === 'angle' ? 'angleGauge' : 'tape'))
const say = (more: Partial<Reading>) =>
  emit('update:modelValue', {
    instrument: instrument.value,
    trust: 'measured',
    ...(props.modelValue ?? {}),
    ...more,
  })
function setValue(i: number, v: number) {
  const list = [...values.value]
  list[i] = v
  say({ values: list })
}
const again = () => say({ values: [...values.value, values.value.at(-1) ?? 0] })
const drop = (i: number) => say({ values: values.value.filter((_, k) => k !== i) })
</script>

<template>
  <div class="reading">
    <div v-for="(v, i) in values.length ? values : [null]" :key="i" class="one">
      <ValueField
        :label="i ? `${label}, reading ${i + 1}` : label"
        :hide-label="hideLabel || i > 0"
        :kind="kind ?? 'length'"
        :model-value="v"
        :lengths="lengths"
        :wrong="wrong"
        :note="i ? undefined : note"
        @update:model-value="(x) => setValue(i, x)"
      />
      <IconPress v-if="i" :icon="X" :size="16" :name="`Remove reading ${i + 1} of ${label}`" @click="drop(i)" />
    </div>
    <div v-if="values.length" class="how">
      <PickOne
        hide-label
        :label="`${label}: taken with`"
        :choices="instruments"
        :model-value="instrument"
        @update:model-value="(v) => say({ instrument: v })"
      />
      <PickOne
        hide-label
        :class="modelValue?.trust ?? 'measured'"
        :label="`${label}: how it is known`"
        :choices="wordsOf('SurveyReading', 'trust')"
        :model-value="modelValue?.trust ?? 'measured'"
        @update:model-value="(v) => say({ trust: v })"
      />
      <IconPress :icon="Plus" :size="16" :name="`Read ${label} again`" tip="Read it again" @click="again" />
    </div>
  </div>
</template>

<style scoped>
.reading {
  display: grid;
  gap: 4px;
  align-content: start;
}
.one {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
}
.how {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 4px;
}
.how :deep(.box) {
  font-size: 0.8125rem;
  background: none;
  border-style: dashed;
  padding: 4px 6px;
  min-height: 36px;
}
.memory :deep(.box),
.assumed :deep(.box) {
  color: var(--mind);
  border-color: var(--mind);
}
</style>
