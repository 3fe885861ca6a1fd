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
/** What one way asks for the other does not know. */
function setWay(way: Form['way']) {
  const pressed = way === 'pressed'
  put({
    way,
    pinch: pressed ? undefined : form.value.pinch,
    depth: pressed ? 0.5 : undefined,
    radius: pressed ? thickness.value : undefined,
  })
}
function setCut(end: 'cut' | 'foot', on: boolean) {
  const c = form.value.cone!
  const high = end === 'cut' ? c.height * 0.75 : c.height * 0.25
  put({ cone: { ...c, [end]: on ? { angle: 15, height: high } : undefined } })
}
const shiftable = computed(() => form.value.cone ?? form.value.transition)
function setShift(on: boolean) {
  const offset = on ? [0, 0] : undefined
  if (form.value.cone) put({ cone: { ...form.value.cone, offset } })
  else put({ transition: { ...form.value.transition!, offset } })
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
  <label v-if="shiftable" class="tick">
    <input type="checkbox" :checked="!!shiftable.offset" @change="setShift(ticked($event))" /> Top shifted sideways
  </label>
  <p class="small soft">
    The drawn side is the outside. What is curved both ways at once, a dome or a bowl, no sheet bends into.
  </p>
</template>
