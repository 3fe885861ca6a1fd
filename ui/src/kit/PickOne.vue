<script setup lang="ts" generic="T extends string">
// A list to pick one from, for more choices than fit side by side; a long one is searched.
// Choices may stand in named groups.
import { computed, defineAsyncComponent, useId } from 'vue'

const SearchPick = defineAsyncComponent(() => import('./SearchPick.vue'))
const long = 10 // more are looked for by typing

type Choice = { value: T; text: string }
const props = defineProps<{
  label: string
  choices: Choice[] | { text: string; list: Choice[] }[]
  modelValue: T
  hideLabel?: boolean
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
const groups = computed(() =>
  props.choices.length && 'list' in props.choices[0]!
    ? (props.choices as { text: string; list: Choice[] }[])
    : [{ text: '', list: props.choices as Choice[] }],
)
const many = computed(() => groups.value.reduce((n, g) => n + g.list.length, 0) > long)
</script>

<template>
  <SearchPick
    v-if="many"
    :label="label"
    :choices="choices"
    :model-value="modelValue"
    :hide-label="hideLabel"
    @update:model-value="(v) => emit('update:modelValue', v as T)"
  />
  <div v-else class="field">
    <label :for="id" :class="{ 'hidden-label': hideLabel }">{{ label }}</label>
    <select
      :id="id"
      class="box"
      :value="modelValue"
      @change="emit('update:modelValue', ($event.target as HTMLSelectElement).value as T)"
    >
      <template v-for="g in groups" :key="g.text">
        <optgroup v-if="g.text" :label="g.text">
          <option v-for="c in g.list" :key="c.value" :value="c.value">{{ c.text }}</option>
        </optgroup>
        <template v-else>
          <option v-for="c in g.list" :key="c.value" :value="c.value">{{ c.text }}</option>
        </template>
      </template>
    </select>
  </div>
</template>
