<script setup lang="ts">
// Members mirrored across a plane, or repeated in bays.
import { wordsOf } from '@/api/words'
import { computed } from 'vue'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame; index: number }>()
const at = computed(() => `/copies/${props.index}` as const)
const c = computed(() => props.open.doc.value!.copies![props.index]!)
const step = computed(() => c.value.step ?? [0, 0, 0])
const setStep = (k: number, v: number) =>
  props.open.set(
    `${at.value}/step`,
    step.value.map((x, i) => (i === k ? v : x)),
  )
const chosen = computed(() => new Set(c.value.members ?? []))
function toggle(id: string) {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  props.open.set(`${at.value}/members`, next.size ? [...next] : undefined)
}
</script>

<template>
  <ChoiceRow
    label="What is done"
    :choices="wordsOf('MemberCopy', 'kind')"
    :model-value="c.kind"
    @update:model-value="(v) => open.set(`${at}/kind`, v)"
  />
  <template v-if="c.kind === 'mirror'">
    <ChoiceRow
      label="Across"
      :choices="wordsOf('MemberCopy', 'axis')"
      :model-value="c.axis ?? 'y'"
      @update:model-value="(v) => open.set(`${at}/axis`, v)"
    />
    <ValueField
      label="The mirror's plane at"
      :model-value="c.at ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/at`)"
      @update:model-value="(v) => open.set(`${at}/at`, v)"
    />
  </template>
  <div v-else class="cells">
    <ValueField
      v-for="(w, k) in ['Step forward', 'Step left', 'Step up']"
      :key="w"
      :label="w"
      :model-value="step[k] ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/step/${k}`)"
      @update:model-value="(v) => setStep(k, v)"
    />
    <ValueField
      label="How many more"
      kind="count"
      :model-value="c.times ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`${at}/times`)"
      @update:model-value="(v) => open.set(`${at}/times`, v)"
    />
  </div>
  <fieldset class="which">
    <legend class="label">Which members; all when none is ticked</legend>
    <label v-for="m in open.doc.value!.members ?? []" :key="m.id" class="tick">
      <input type="checkbox" :checked="chosen.has(m.id)" @change="toggle(m.id)" />{{ m.name || 'no name yet' }}
    </label>
  </fieldset>
</template>

<style scoped>
.which {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 18px;
}
</style>
