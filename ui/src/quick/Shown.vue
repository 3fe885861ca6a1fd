<script setup lang="ts">
// A number of an answer, written as the page writes lengths.
import { ref, watch } from 'vue'
import Frac from '@/kit/Frac.vue'
import { type Style, write } from '@/kit/readLength'

const props = defineProps<{ value: unknown; kind: string; lengths: Style }>()
const newtons = (v: unknown) => `${(v as number).toFixed(0)} N`
const text = ref('')
const lies = ref('')
watch(
  () => [props.value, props.kind, props.lengths.unit] as const,
  async ([value, kind]) => {
    lies.value = ''
    if (kind === 'text') {
      text.value = value === null ? 'none of them' : Array.isArray(value) ? value.join('\n') || 'as they are' : String(value)
      return
    }
    if (kind === 'lengths' && Array.isArray(value)) {
      const flat = value.map((x) => (Array.isArray(x) ? x : [x]) as number[])
      const said = await Promise.all(
        flat.map(async (row) => (await Promise.all(row.map(async (v) => (await write(v, props.lengths)).text))).join(', ')),
      )
      text.value = said.map((t, i) => `${i + 1}: ${t}`).join('\n')
      return
    }
    if (Array.isArray(value)) {
      text.value = value.map((x, i) => `${i + 1}: ${(Array.isArray(x) ? x : [x]).map(newtons).join(', ')}`).join('\n')
      return
    }
    const v = value as number | null | undefined
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
    else if (kind === 'torque') text.value = `${(v / 1000).toFixed(1)} N·m`
    else if (kind === 'force')
      text.value = v >= 1e4 ? `${(v / 1000).toFixed(1)} kN, about ${(v / 9806.65).toFixed(1)} tonnes` : `${v.toFixed(0)} N`
    else text.value = String(+v.toFixed(Math.abs(v) >= 1000 ? 0 : Math.abs(v) >= 100 ? 1 : 4))
  },
  { immediate: true },
)
</script>

<template>
  <span v-if="Array.isArray(value)" class="lines">{{ text }}</span>
  <Frac v-else :text="text" :lies="lies" />
</template>

<style scoped>
.lines {
  white-space: pre-line;
  font-size: 1.1rem;
  text-align: right;
}
</style>
