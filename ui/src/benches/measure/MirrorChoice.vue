<script setup lang="ts">
// Two places fit: the sketch shows both, one press chooses.
import { computed } from 'vue'
import type { Located, SurveyPoint } from '@/api/client'
import { wordOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'

const props = defineProps<{ open: OpenSurvey; index: number; told?: Located }>()
const p = computed(() => props.open.survey.value!.points![props.index]!)
const axes = computed(() => ({ plan: [0, 1], side: [0, 2], end: [1, 2] })[p.value.in ?? 'plan'] as [number, number])
const space = computed(() => p.value.way === 'distances')
const place = (id?: string) => props.open.worked.value?.points.find((q) => q.id === id)?.at
const sides = computed(() => (space.value ? (['upper', 'lower'] as const) : (['left', 'right'] as const)))
const drawing = computed(() => {
  const choices = props.told?.choices ?? []
  const a = place(space.value ? p.value.many?.[0]?.point : p.value.a)
  const b = place(space.value ? p.value.many?.[1]?.point : p.value.b)
  if (choices.length < 2 || !a || !b) return undefined
  const [u, v] = space.value ? [0, 2] : axes.value
  const pick = (q: number[]) => ({ x: q[u]!, y: -q[v]! })
  const all = [pick(a), pick(b), ...choices.map(pick)]
  const x0 = Math.min(...all.map((q) => q.x))
  const y0 = Math.min(...all.map((q) => q.y))
  const scale = Math.min(
    300 / Math.max(1, Math.max(...all.map((q) => q.x)) - x0),
    130 / Math.max(1, Math.max(...all.map((q) => q.y)) - y0),
  )
  return all.map((q) => ({ x: 30 + (q.x - x0) * scale, y: 24 + (q.y - y0) * scale }))
})
type Side = NonNullable<SurveyPoint['side']>
const choose = (side: Side) => props.open.set(`/points/${props.index}/side`, side)
</script>

<template>
  <div class="choice">
    <svg v-if="drawing" viewBox="0 0 360 178" role="img" aria-label="The two places that fit" class="sketch">
      <template v-for="(s, k) in sides" :key="s">
        <path
          :d="`M${drawing[0]!.x} ${drawing[0]!.y}L${drawing[k + 2]!.x} ${drawing[k + 2]!.y}L${drawing[1]!.x} ${drawing[1]!.y}`"
          :class="['leg', { taken: p.side === s }]"
        />
        <circle
          :cx="drawing[k + 2]!.x"
          :cy="drawing[k + 2]!.y"
          r="9"
          :class="['spot', { taken: p.side === s }]"
          @click="choose(s)"
        />
        <text :x="drawing[k + 2]!.x + 13" :y="drawing[k + 2]!.y + 5">{{ s }}</text>
      </template>
      <path :d="`M${drawing[0]!.x} ${drawing[0]!.y}L${drawing[1]!.x} ${drawing[1]!.y}`" class="base" />
      <g v-for="(n, k) in ['A', 'B']" :key="n">
        <rect :x="drawing[k]!.x - 5" :y="drawing[k]!.y - 5" width="10" height="10" class="known" />
        <text :x="drawing[k]!.x + 8" :y="drawing[k]!.y + 18">{{ n }}</text>
      </g>
    </svg>
    <div class="row" role="group" aria-label="Which of the two">
      <button
        v-for="s in sides"
        :key="s"
        type="button"
        class="press"
        :class="{ main: p.side === s }"
        :aria-pressed="p.side === s"
        @click="choose(s)"
      >
        {{ wordOf('SurveyPoint', 'side', s)?.text }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  gap: 8px;
}
.sketch {
  max-width: 420px;
  font-size: 12px;
  fill: var(--ink);
}
.leg {
  fill: none;
  stroke: var(--rule-strong);
  stroke-dasharray: 4 4;
}
.leg.taken {
  stroke: var(--ember);
  stroke-dasharray: none;
}
.base {
  stroke: var(--ink);
  stroke-width: 2;
}
.spot {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
  cursor: pointer;
}
.spot.taken {
  fill: var(--ember);
}
.known {
  fill: var(--ink);
}
</style>
