<script setup lang="ts">
// The base: its shape, how it was measured, its corners.
import { computed } from 'vue'
import type { Recipe, Shape } from '@/api/client'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import CornerOptions from './CornerOptions.vue'
import MeetOptions from './MeetOptions.vue'
import { measures } from './measures'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const base = computed(() => part.value.recipe.value!.base)
const kind = computed(() => base.value.shape?.kind ?? 'rectangle')
const kinds = [
  { value: 'rectangle' as const, text: 'rectangle' },
  { value: 'trapezoid' as const, text: 'trapezoid' },
  { value: 'triangle' as const, text: 'triangle' },
  { value: 'sides' as const, text: 'sides and angles' },
  { value: 'polygon' as const, text: 'corners by their places' },
  { value: 'disc' as const, text: 'disc' },
  { value: 'ring' as const, text: 'ring sector' },
  { value: 'slot' as const, text: 'slot shape' },
]
/** Another shape about as large as the one there is. */
function setKind(to: Shape['kind']) {
  const b: Recipe['base'] = base.value
  const box = part.value.built.value!.bounds
  const l = b.length || Math.round(box.max.x - box.min.x)
  const w = b.width || Math.round(box.max.y - box.min.y)
  const shapes: Record<string, Shape | undefined> = {
    trapezoid: { kind: 'trapezoid', back: Math.round(l * 0.6), shift: Math.round(l * 0.2) },
    triangle: { kind: 'triangle', shift: 0 },
    sides: {
      kind: 'sides',
      sides: [
        { length: l, angle: 90 },
        { length: w, angle: 90 },
        { length: l, angle: 90 },
      ],
    },
    polygon: {
      kind: 'polygon',
      points: [
        { x: 0, y: 0 },
        { x: l, y: 0 },
        { x: l, y: w },
        { x: 0, y: w },
      ],
    },
    disc: { kind: 'disc' },
    ring: { kind: 'ring', sweep: 90 },
    slot: { kind: 'slot' },
  }
  const sizes =
    to === 'ring'
      ? { length: l, width: Math.min(w, Math.round(l / 4)) }
      : to === 'slot'
        ? { length: Math.max(l, w + 20), width: w }
        : { length: l, width: w }
  part.value.set('/base', { ...b, ...sizes, shape: shapes[to] })
}
const list = computed(() => (kind.value === 'sides' ? (base.value.shape!.sides ?? []) : (base.value.shape?.points ?? [])))
function more() {
  if (kind.value === 'sides') part.value.set('/base/shape/sides', [...list.value, { length: 50, angle: 120 }])
  else {
    const p = base.value.shape!.points!
    const a = p[p.length - 1]!
    const b = p[0]!
    part.value.set('/base/shape/points', [...p, { x: (a.x + b.x) / 2 - 10, y: (a.y + b.y) / 2 }])
  }
}
</script>

<template>
  <PickOne label="Shape" :choices="kinds" :model-value="kind" @update:model-value="setKind" />
  <div v-if="kind === 'sides' || kind === 'polygon'" class="row">
    <button type="button" class="press tight" @click="more">{{ kind === 'sides' ? 'One side more' : 'One corner more' }}</button>
    <button
      type="button"
      class="press tight"
      :disabled="list.length < (kind === 'sides' ? 3 : 4)"
      @click="part.set(kind === 'sides' ? '/base/shape/sides' : '/base/shape/points', list.slice(0, -1))"
    >
      One less
    </button>
  </div>
  <p v-if="kind === 'sides'" class="small soft">Anticlockwise, good side up; the last side closes it by itself.</p>
  <ChoiceRow
    label="Sizes measured"
    :model-value="base.measure ?? 'outside'"
    :choices="measures"
    @update:model-value="(v) => part.set('/base/measure', v)"
  />
  <CornerOptions :bench="bench" path="/base" />
  <MeetOptions :bench="bench" path="/base" />
  <label class="tick">
    <input
      type="checkbox"
      :checked="part.recipe.value!.ticks"
      @change="part.set('/ticks', ($event.target as HTMLInputElement).checked || undefined)"
    />
    Ticks at the edges where bend lines end
  </label>
</template>
