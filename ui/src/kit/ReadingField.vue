<script setup lang="ts">
// One reading with what it was taken with and how it came to be known; it may
// be repeated.
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Reading } from '@/api/client'
import { useInstruments } from './instruments'
import type { Kind, Style } from './readLength'
import { trusts } from './trust'
import ValueField from './ValueField.vue'

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
const ofLength = ['tape', 'caliper', 'rule', 'string', 'level', 'scan', 'eye'] as const
const ofAngle = ['angleGauge', 'level', 'scan', 'eye'] as const
const { named } = useInstruments()
const instruments = computed(() => (props.kind === 'angle' ? ofAngle : ofLength))
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
      <button
        v-if="i"
        type="button"
        class="press tight bare"
        :aria-label="`Remove reading ${i + 1} of ${label}`"
        @click="drop(i)"
      >
        <X :size="16" />
      </button>
    </div>
    <div v-if="values.length" class="how">
      <select
        class="box"
        :aria-label="`${label}: taken with`"
        :value="instrument"
        @change="say({ instrument: ($event.target as HTMLSelectElement).value as Reading['instrument'] })"
      >
        <option v-for="n in instruments" :key="n" :value="n">{{ named(n, kind === 'angle') }}</option>
      </select>
      <select
        class="box"
        :class="modelValue?.trust ?? 'measured'"
        :aria-label="`${label}: how it is known`"
        :value="modelValue?.trust ?? 'measured'"
        @change="say({ trust: ($event.target as HTMLSelectElement).value as Reading['trust'] })"
      >
        <option v-for="t in trusts" :key="t.value" :value="t.value">{{ t.text }}</option>
      </select>
      <button type="button" class="press tight bare" :aria-label="`Read ${label} again`" title="Read it again" @click="again">
        <Plus :size="16" />
      </button>
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
.how .box {
  font-size: 0.8125rem;
  background: none;
  border-style: dashed;
  padding: 4px 6px;
  min-height: 36px;
}
.memory,
.assumed {
  color: var(--mind);
  border-color: var(--mind);
}
</style>
