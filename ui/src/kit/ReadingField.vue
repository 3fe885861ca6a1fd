<script setup lang="ts">
// One reading with what it was taken with and how it came to be known; it may
// be repeated.
import { Plus, X } from '@lucide/vue'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
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
  /** What is wrong with one of its values, by its number. */
  wrong?: (i: number) => string | undefined
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
  if (i === list.length) waiting.value = false
  list[i] = v
  say({ values: list })
}
// Another reading starts empty: one that starts as the first does would agree with it unread.
const waiting = ref(false)
const box = useTemplateRef('box')
async function again() {
  waiting.value = true
  await nextTick()
  ;[...(box.value?.querySelectorAll<HTMLElement>('.one input') ?? [])].at(-1)?.focus()
}
function drop(i: number) {
  if (i === values.value.length) waiting.value = false
  else say({ values: values.value.filter((_, k) => k !== i) })
}
const shown = computed<(number | null)[]>(() =>
  !values.value.length ? [null] : waiting.value ? [...values.value, null] : values.value,
)
</script>

<template>
  <div ref="box" class="reading">
    <div v-for="(v, i) in shown" :key="i" class="one">
      <ValueField
        :label="i ? `${label}, reading ${i + 1}` : label"
        :hide-label="hideLabel || i > 0"
        :kind="kind ?? 'length'"
        :model-value="v"
        :lengths="lengths"
        :wrong="wrong?.(i)"
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
  container-type: inline-size;
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
/* Two words side by side need room to be read. */
@container (max-width: 245px) {
  .how {
    grid-template-columns: minmax(0, 1fr) auto;
  }
  .how > :nth-child(2) {
    grid-row: 2;
  }
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
