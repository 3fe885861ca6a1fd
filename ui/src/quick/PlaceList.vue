<script setup lang="ts">
// Places on a plane, one a row: across and up. Or heights alone.
import type { Style } from '@/kit/readLength'
import ValueField from '@/kit/ValueField.vue'
import CardList from '@/kit/CardList.vue'

const props = defineProps<{
  label: string
  modelValue: number[][]
  lengths: Style
  axes: string[]
  kinds?: ('length' | 'count' | 'number' | 'mass')[]
  fault: (path: string) => string | undefined
}>()
const emit = defineEmits<{ 'update:modelValue': [value: number[][]] }>()
const put = (i: number, k: number, v: number) =>
  emit(
    'update:modelValue',
    props.modelValue.map((p, j) => (j === i ? p.map((x, m) => (m === k ? v : x)) : p)),
  )
const another = () => props.modelValue.at(-1)?.slice() ?? props.axes.map(() => 0)
</script>

<template>
  <fieldset class="places">
    <legend class="label">{{ label }}: {{ axes.join(', ') }}</legend>
    <CardList
      small
      :rows="modelValue"
      :word="label.toLowerCase()"
      add="One more"
      :make="another"
      @change="(v) => emit('update:modelValue', v)"
      v-slot="{ row: p, i }"
    >
      <div class="place" :class="`n${axes.length}`">
        <span class="num">{{ i + 1 }}</span>
        <ValueField
          v-for="(a, k) in axes"
          :key="a"
          :label="`${label} ${i + 1} ${a}`"
          hide-label
          :model-value="p[k] ?? 0"
          :lengths="lengths"
          :kind="kinds?.[k] ?? 'length'"
          :wrong="fault(axes.length === 1 ? `/${i}` : `/${i}/${k}`)"
          @update:model-value="(v) => put(i, k, v)"
        />
      </div>
    </CardList>
  </fieldset>
</template>

<style scoped>
.places {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
}
.place {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) minmax(0, 1fr);
  gap: 6px;
  align-items: center;
}
.n1 {
  grid-template-columns: 20px minmax(0, 1fr);
}
.n3 {
  grid-template-columns: 20px repeat(3, minmax(0, 1fr));
}
.n3 :deep(.box) {
  padding: 6px 5px;
}
/* Four sizes do not fit side by side: two and two, read across. */
.n4 > .num {
  grid-row: span 2;
}
</style>
