<script setup lang="ts">
// A number of an answer, written as the page writes lengths.
import { ref, watch } from 'vue'
import Frac from '@/kit/Frac.vue'
import { api, take, words } from '@/api/client'
import { percent } from '@/kit/percent'
import { type Amount, isAmount, type Kind, type Style, write, writeAmount } from '@/kit/readLength'

const props = defineProps<{ value: unknown; kind: string; lengths: Style }>()
const text = ref('')
const lies = ref('')
const off = ref('')
const more = ref('') // what is read after the number itself
let turn = 0 // the latest value's text stands, whichever is written first

type Written = { text: string; lies?: string; off?: string; more?: string }
const inches = () => props.lengths.unit !== 'mm'
const amount = (v: number, kind: Amount) => writeAmount(v, kind, props.lengths, undefined, true)

async function one(v: number, kind: string): Promise<Written> {
  if (kind === 'length') return write(v, props.lengths)
  if (kind === 'fine') return { text: (await write(v, props.lengths)).fine }
  if (kind === 'drill') {
    const { text } = await take(api.POST('/api/v1/calc/drill', { body: { diameter: v, inches: inches() } }))
    const [name, ...more] = text.split(', ')
    return { text: name!, more: more.join(', ') }
  }
  if (kind === 'share') return { text: `${percent(v)} %` }
  if (kind === 'angle') return { text: `${v.toFixed(2)}°` }
  if (isAmount(kind as Kind)) return { text: await amount(v, kind as Amount) }
  return { text: String(+v.toFixed(Math.abs(v) >= 1000 ? 0 : Math.abs(v) >= 100 ? 1 : 4)) }
}
async function inRow(v: number, kind: string) {
  if (kind !== 'lengths') return amount(v, 'force')
  const w = await write(v, props.lengths)
  return w.off ? `${w.text} ${w.lies} ${w.off}` : w.text
}
async function said(value: unknown, kind: string): Promise<Written> {
  if (kind === 'text') {
    if (value === null) return { text: 'none of them' }
    return { text: Array.isArray(value) ? value.join('\n') || 'as they are' : String(value) }
  }
  if (kind === 'place' && Array.isArray(value))
    return { text: (await Promise.all((value as number[]).map((v) => inRow(v, 'lengths')))).join(', ') }
  if (Array.isArray(value)) {
    const rows = value.map((x) => (Array.isArray(x) ? x : [x]) as number[])
    const texts = await Promise.all(rows.map(async (row) => (await Promise.all(row.map((v) => inRow(v, kind)))).join(', ')))
    return { text: texts.map((t, i) => `${i + 1}: ${t}`).join('\n') }
  }
  if (value === null || value === undefined) return { text: 'no meaning here' }
  return one(value as number, kind)
}
watch(
  () => [props.value, props.kind, props.lengths.unit] as const,
  async ([value, kind]) => {
    const mine = ++turn
    let now: Written
    try {
      now = await said(value, kind)
    } catch (e) {
      now = { text: words(e) }
    }
    if (mine !== turn) return
    text.value = now.text
    lies.value = now.lies ?? ''
    off.value = now.off ?? ''
    more.value = now.more ?? ''
  },
  { immediate: true },
)
</script>

<template>
  <span v-if="Array.isArray(value)" class="lines">{{ text }}</span>
  <template v-else>
    <Frac :text="text" :lies="lies" :off="off" /><span v-if="more" class="more">{{ more }}</span>
  </template>
</template>

<style scoped>
.more {
  display: block;
  font-size: 0.875rem;
  font-weight: 400;
  color: var(--ink-soft);
}
.lines {
  white-space: pre-line;
  font-size: 1.1rem;
  text-align: right;
}
</style>
