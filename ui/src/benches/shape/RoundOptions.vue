<script setup lang="ts">
// A round's choices that are not numbers: what its sizes are of, how it is made round, its cuts.
import { computed } from 'vue'
import type { components } from '@/api/schema'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import type { Bench } from './useBench'

type Form = components['schemas']['Form']
const props = defineProps<{ bench: Bench }>()
const at = '/base/shape/round'
const part = computed(() => props.bench.part.value!)
const form = computed(() => part.value.recipe.value!.base.shape!.round as Form)
const put = (change: Partial<Form>) => part.value.set(at, { ...form.value, ...change })
const thickness = computed(() => part.value.recipe.value!.thickness)
const inch = computed(() => props.bench.style().unit !== 'mm')
/** What one way asks for the other does not know. */
function setWay(way: Form['way']) {
  const pressed = way === 'pressed'
  put({
    way,
    pinch: pressed ? undefined : form.value.pinch,
    depth: pressed ? (inch.value ? 0.508 : 0.5) : undefined,
    radius: pressed ? thickness.value : undefined,
  })
}
function setCut(end: 'cut' | 'foot', on: boolean) {
  const c = form.value.cone!
  const step = inch.value ? 6.35 : 1
  const high = Math.round((c.height * (end === 'cut' ? 0.75 : 0.25)) / step) * step || c.height / 2
  put({ cone: { ...c, [end]: on ? { angle: 15, height: high } : undefined } })
}
const shiftable = computed(() => form.value.cone ?? form.value.transition)
function setShift(on: boolean) {
  const offset = on ? [0, 0] : undefined
  if (form.value.cone) put({ cone: { ...form.value.cone, offset } })
  else put({ transition: { ...form.value.transition!, offset } })
}
/** The ends of a transition: a rectangle, a round, or any outline by its corners. */
type Transition = NonNullable<Form['transition']>
type Corners = [number, number][]
const ends = [
  { list: 'bottom', form: 'below', name: 'Its bottom is' },
  { list: 'top', form: 'above', name: 'Its top is' },
] as const
type End = (typeof ends)[number]
const kinds = [
  { value: 'rectangle', text: 'a rectangle' },
  { value: 'round', text: 'a round' },
  { value: 'corners', text: 'by its corners' },
] as const
const kindOf = (end: End) => {
  const f = form.value.transition![end.form]
  return !f ? 'corners' : f.round ? 'round' : 'rectangle'
}
/** How large an end is, along x and y. */
function sizeOf(end: End): [number, number] {
  const t = form.value.transition!
  const f = t[end.form]
  if (f) return f.round ? [f.round, f.round] : [f.long ?? 0, f.wide ?? 0]
  const list = (t[end.list] ?? []) as Corners
  const reach = (k: 0 | 1) => Math.max(...list.map((c) => c[k])) - Math.min(...list.map((c) => c[k]))
  return [reach(0), reach(1)]
}
function setEnd(end: End, kind: (typeof kinds)[number]['value']) {
  const [x, y] = sizeOf(end)
  const next = { ...form.value.transition!, seam: undefined } as Transition
  const square: Corners = [
    [-x / 2, -y / 2],
    [x / 2, -y / 2],
    [x / 2, y / 2],
    [-x / 2, y / 2],
  ]
  next[end.list] = kind === 'corners' ? square : undefined
  next[end.form] = kind === 'corners' ? undefined : kind === 'round' ? { round: Math.min(x, y), sides: 6 } : { long: x, wide: y }
  // Corners are those of the middle of the plate: the server takes no other.
  put({ transition: next, ...(kind === 'corners' ? { face: 'middle' } : {}) })
}
/** One corner more, half way between the last and the first, a little outside; or the last one less. */
function setCorners(end: End, more: boolean) {
  const list = form.value.transition![end.list] as Corners
  const [a, b] = [list.at(-1)!, list[0]!]
  const out: [number, number] = [(a[0] + b[0]) / 2 + (b[1] - a[1]) / 8, (a[1] + b[1]) / 2 - (b[0] - a[0]) / 8]
  put({ transition: { ...form.value.transition!, [end.list]: more ? [...list, out] : list.slice(0, -1) } })
}
const ticked = (e: Event) => (e.target as HTMLInputElement).checked
</script>

<template>
  <ChoiceRow
    v-if="!form.band?.wheel"
    label="Its sizes are of"
    :model-value="form.face"
    :choices="wordsOf('Form', 'face')"
    @update:model-value="(v) => put({ face: v })"
  />
  <ChoiceRow
    v-if="form.kind !== 'transition'"
    label="Made round"
    :model-value="form.way"
    :choices="wordsOf('Form', 'way')"
    @update:model-value="setWay"
  />
  <template v-if="form.cone">
    <label class="tick"
      ><input type="checkbox" :checked="!!form.cone.cut" @change="setCut('cut', ticked($event))" /> Cut leaning at the top</label
    >
    <label class="tick"
      ><input type="checkbox" :checked="!!form.cone.foot" @change="setCut('foot', ticked($event))" /> Cut leaning at the
      foot</label
    >
  </template>
  <template v-if="form.transition">
    <template v-for="end in ends" :key="end.list">
      <ChoiceRow
        :label="end.name"
        :model-value="kindOf(end)"
        :choices="[...kinds]"
        @update:model-value="(v) => setEnd(end, v as 'round')"
      />
      <div v-if="kindOf(end) === 'corners'" class="row">
        <button type="button" class="press tight" @click="setCorners(end, true)">One corner more</button>
        <button
          type="button"
          class="press tight"
          :disabled="(form.transition[end.list]?.length ?? 0) < 4"
          @click="setCorners(end, false)"
        >
          One less
        </button>
      </div>
    </template>
  </template>
  <label v-if="shiftable" class="tick">
    <input type="checkbox" :checked="!!shiftable.offset" @change="setShift(ticked($event))" /> Top shifted sideways
  </label>
  <p class="small soft">
    The drawn side is the outside. What is curved both ways at once, a dome or a bowl, no sheet bends into.
  </p>
</template>
