<script setup lang="ts">
// A number of an answer, written as the page writes lengths.
import { ref, watch } from 'vue'
import Frac from '@/kit/Frac.vue'
import { type Style, write } from '@/kit/readLength'

const props = defineProps<{ value: number | null | undefined; kind: string; lengths: Style }>()
const text = ref('')
const lies = ref('')
watch(
  () => [props.value, props.kind, props.lengths.unit] as const,
  async ([v, kind]) => {
    lies.value = ''
    if (v === null || v === undefined) text.value = 'no meaning here'
    else if (kind === 'length') {
      try {
        const w = await write(v, props.lengths)
        text.value = w.text
        lies.value = w.lies
      } catch {
        text.value = `${v.toFixed(2)} mm`
      }
    } else if (kind === 'angle') text.value = `${v.toFixed(2)}°`
    else if (kind === 'force')
      text.value = v >= 1e4 ? `${(v / 1000).toFixed(1)} kN, about ${(v / 9806.65).toFixed(1)} tonnes` : `${v.toFixed(0)} N`
    else text.value = String(+v.toFixed(4))
  },
  { immediate: true },
)
</script>

<template><Frac :text="text" :lies="lies" /></template>
