<script setup lang="ts">
// Forces along one member: one diagram at a time, largest values written.
import { computed, ref } from 'vue'
import type { MemberHeld } from '@/api/client'
import { useAmounts } from '@/kit/amounts'
import ChoiceRow from '@/kit/ChoiceRow.vue'

const props = defineProps<{ along: MemberHeld['along'] }>()
type Key = 'my' | 'mz' | 'vz' | 'vy' | 'n' | 't' | 'mpa'
const kinds: { value: Key; text: string; hint: string }[] = [
  { value: 'my', text: 'M up', hint: 'bending in height' },
  { value: 'mz', text: 'M side', hint: 'bending sideways' },
  { value: 'vz', text: 'V up', hint: 'shear in height' },
  { value: 'vy', text: 'V side', hint: 'shear sideways' },
  { value: 'n', text: 'N', hint: 'pull and push' },
  { value: 't', text: 'T', hint: 'torque' },
  { value: 'mpa', text: 'stress', hint: 'equivalent stress' },
]
const kind = ref<Key>('my')
const { inches } = useAmounts()
const moment = computed(() => ['my', 'mz', 't'].includes(kind.value))
// One unit of what is drawn, in N, N·mm or MPa.
const unit = computed(() => {
  if (inches()) return kind.value === 'mpa' ? 'ksi' : moment.value ? 'lbf·ft' : 'lbf'
  return kind.value === 'mpa' ? 'MPa' : moment.value ? 'N·m' : 'N'
})
const size = computed(() => ({ MPa: 1, 'N·m': 1000, N: 1, ksi: 6.894757, 'lbf·ft': 1355.818, lbf: 4.448222 })[unit.value])
const points = computed(() => props.along.map((s) => [s.at, s[kind.value] / size.value] as const))
const span = computed(() => points.value.at(-1)?.[0] || 1)
const most = computed(() => Math.max(1e-9, ...points.value.map((p) => Math.abs(p[1]))))
const high = computed(() => points.value.reduce((a, b) => (b[1] > a[1] ? b : a), [0, 0] as readonly [number, number]))
const low = computed(() => points.value.reduce((a, b) => (b[1] < a[1] ? b : a), [0, 0] as readonly [number, number]))
const x = (v: number) => 20 + (360 * v) / span.value
const y = (v: number) => 60 - (40 * v) / most.value
const path = computed(
  () => 'M20 60' + points.value.map((p) => `L${x(p[0]).toFixed(1)} ${y(p[1]).toFixed(1)}`).join('') + 'L380 60Z',
)
const tags = computed(() => [high.value, low.value].filter((p) => Math.abs(p[1]) > 0.02 * most.value && Math.abs(p[1]) > 0.005))
</script>

<template>
  <div class="plot">
    <ChoiceRow v-model="kind" label="Along the member" :choices="kinds" />
    <svg
      viewBox="0 0 400 120"
      role="img"
      :aria-label="`${kinds.find((k) => k.value === kind)?.hint} from ${low[1].toFixed(0)} to ${high[1].toFixed(0)} ${unit}`"
    >
      <path :d="path" class="area" />
      <path d="M20 60H380" class="axis" />
      <g v-for="(t, i) in tags" :key="i">
        <circle :cx="x(t[0])" :cy="y(t[1])" r="3" class="dot" />
        <text :x="Math.min(Math.max(x(t[0]), 40), 350)" :y="y(t[1]) + (t[1] > 0 ? -6 : 15)" text-anchor="middle">
          {{ t[1].toFixed(Math.abs(t[1]) < 10 ? 1 : 0) }} {{ unit }}
        </text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.plot {
  display: grid;
  gap: 6px;
  margin-top: 10px;
}
svg {
  width: 100%;
  background: var(--board);
  border: 1px solid var(--rule);
}
.area {
  fill: var(--zone);
  stroke: var(--line);
}
.axis {
  stroke: var(--line);
  stroke-width: 2;
}
.dot {
  fill: var(--pick);
}
text {
  font-size: 13px;
  font-weight: 600;
  fill: var(--line);
}
</style>
