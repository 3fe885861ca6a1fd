<script setup lang="ts">
// What a new part will be, as small drawings with their sizes; one is taken.
import { computed, ref, watch } from 'vue'
import { usePartStarters } from '@/api/queries'
import PartSketch from './PartSketch.vue'

const chosen = defineModel<string>({ required: true })
const { data } = usePartStarters()
const box = ref<HTMLElement>()
// A hand at the keys chooses at once.
const stop = watch(
  data,
  (d) => {
    if (!d) return
    box.value?.querySelector<HTMLInputElement>('input:checked')?.focus({ preventScroll: true })
    queueMicrotask(() => stop())
  },
  { immediate: true, flush: 'post' },
)
const plate = [
  [
    [0, 0],
    [120, 44],
    [170, 0],
    [50, -44],
    [0, 0],
  ],
]
const list = computed(() => [
  { key: '', name: 'Plain plate', lines: plate },
  ...(data.value?.starters ?? []).map((s) => ({ key: s.key, name: s.name, lines: s.sketch.lines })),
])
/** Others that are no picture of a form. */
const others = [
  { key: 'own', name: 'A part of mine' },
  { key: 'drawing', name: 'A drawing: DXF or SVG' },
]
</script>

<template>
  <fieldset ref="box" class="gallery">
    <legend class="label">What it will be</legend>
    <label v-for="s in list" :key="s.key" class="one" :class="{ on: chosen === s.key }">
      <input v-model="chosen" type="radio" name="starter" :value="s.key" />
      <span class="picture"><PartSketch :lines="s.lines" name="" aria-hidden="true" /></span>
      <span class="name">{{ s.name }}</span>
    </label>
    <label v-for="s in others" :key="s.key" class="one words" :class="{ on: chosen === s.key }">
      <input v-model="chosen" type="radio" name="starter" :value="s.key" />
      <span class="name">{{ s.name }}</span>
    </label>
  </fieldset>
</template>

<style scoped>
.gallery {
  border: 0;
  margin: 0;
  padding: 0;
  min-width: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 8px;
  align-content: start;
}
.one {
  position: relative;
  display: grid;
  align-content: space-between;
  gap: 4px;
  min-height: 104px;
  padding: 8px;
  border: 1px solid var(--rule);
  background: var(--sheet);
  cursor: pointer;
}
.one:hover {
  border-color: var(--ink);
}
.one.on {
  border-color: var(--ember);
  box-shadow: inset 0 0 0 2px var(--ember);
}
.one:focus-within {
  outline: 3px solid var(--focus);
  outline-offset: 2px;
}
.one input {
  position: absolute;
  opacity: 0;
  inset: 0;
  width: 100%;
  height: 100%;
  cursor: pointer;
}
.picture {
  display: block;
  height: 62px;
}
.name {
  font-size: 0.875rem;
  line-height: 1.2;
  overflow-wrap: anywhere;
}
.words {
  align-content: center;
}
</style>
