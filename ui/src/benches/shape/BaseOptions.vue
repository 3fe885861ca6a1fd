<script setup lang="ts">
// The base: its shape, how it was measured, its corners.
import { computed } from 'vue'
import type { Shape } from '@/api/client'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import CornerOptions from './CornerOptions.vue'
import MeetOptions from './MeetOptions.vue'
import RoundOptions from './RoundOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const base = computed(() => part.value.recipe.value!.base)
const kind = computed(() => base.value.shape?.kind ?? 'rectangle')
/** Another shape about as large as the one there is. */
function setKind(to: Shape['kind']) {
  const box = part.value.built.value!.bounds
  void props.bench.changeTo('/base', { base: base.value, long: box.max.x - box.min.x, wide: box.max.y - box.min.y }, to)
}
const list = computed(() => (kind.value === 'sides' ? (base.value.shape!.sides ?? []) : (base.value.shape?.points ?? [])))
const more = () => void props.bench.changeTo('/base', { base: base.value }, '')
</script>

<template>
  <PickOne label="Shape" :choices="wordsOf('Shape', 'kind')" :model-value="kind" @update:model-value="setKind" />
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
  <RoundOptions v-if="kind === 'developed'" :bench="bench" />
  <ChoiceRow
    v-if="kind !== 'developed'"
    label="Sizes measured"
    :model-value="base.measure ?? 'outside'"
    :choices="wordsOf('Base', 'measure')"
    @update:model-value="(v) => part.set('/base/measure', v)"
  />
  <CornerOptions v-if="kind !== 'developed'" :bench="bench" path="/base" />
  <MeetOptions v-if="kind !== 'developed'" :bench="bench" path="/base" />
  <label class="tick">
    <input
      type="checkbox"
      :checked="part.recipe.value!.ticks"
      @change="part.set('/ticks', ($event.target as HTMLInputElement).checked || undefined)"
    />
    Ticks at the edges where bend lines end
  </label>
</template>
