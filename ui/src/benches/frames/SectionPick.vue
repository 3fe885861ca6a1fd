<script setup lang="ts">
// A section as sold, in the job's unit first.
import { computed, useId } from 'vue'
import { useSections } from '@/api/queries'

const props = defineProps<{ label: string; modelValue: string; inches: boolean; hideLabel?: boolean }>()
const emit = defineEmits<{ 'update:modelValue': [name: string] }>()
const { data } = useSections()
const id = useId()
const kinds: [string, string][] = [
  ['rectTube', 'Square and rectangular tube'],
  ['roundTube', 'Round tube and pipe'],
  ['angle', 'Angle'],
  ['channel', 'Channel'],
  ['flatBar', 'Flat'],
  ['roundBar', 'Round bar'],
]
const groups = computed(() =>
  [props.inches, !props.inches].flatMap((inches) =>
    kinds.map(([kind, text]) => ({
      text: `${text}, ${inches ? 'inch' : 'metric'}`,
      list: (data.value?.sections ?? []).filter((s) => s.inches === inches && s.sizes.kind === kind),
    })),
  ),
)
const known = computed(() => data.value?.sections.some((s) => s.name === props.modelValue))
</script>

<template>
  <div class="field">
    <label :for="id" :class="{ 'hidden-label': hideLabel }">{{ label }}</label>
    <select
      :id="id"
      class="box"
      :value="modelValue"
      @change="emit('update:modelValue', ($event.target as HTMLSelectElement).value)"
    >
      <option v-if="!known" :value="modelValue">{{ modelValue || 'typed sizes' }}</option>
      <optgroup v-for="g in groups" :key="g.text" :label="g.text">
        <option v-for="s in g.list" :key="s.name" :value="s.name">{{ s.name }}, {{ s.kilos.toFixed(2) }} kg/m</option>
      </optgroup>
    </select>
  </div>
</template>
