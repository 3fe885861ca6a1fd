<script setup lang="ts">
// Choices of a flange, hem, jog or roll that are not numbers.
import { computed } from 'vue'
import type { Flange } from '@/api/client'
import { shows, shopOf, wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import ValueField from '@/kit/ValueField.vue'
import CornerOptions from './CornerOptions.vue'
import MeetOptions from './MeetOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const get = <T,>(tail: string) => props.bench.part.value?.get(props.path + tail) as T | undefined
const set = (tail: string, value: unknown) => props.bench.part.value?.set(props.path + tail, value)
const f = computed(() => get<Flange>('')!)
const kind = computed(() => f.value.kind || 'flange')
const thickness = computed(() => props.bench.part.value!.recipe.value!.thickness)

const asks = (field: string) => shows('Flange', 'kind', kind.value, field)
/** Another kind keeps what fits and takes usual sizes for the rest. */
const setKind = (to: NonNullable<Flange['kind']>) => void props.bench.changeTo(props.path, { flange: f.value }, to)
const sizes = () => shopOf(props.bench.style().unit !== 'mm')
const width = computed(() => (f.value.width ? 'centred' : f.value.setIn?.start || f.value.setIn?.end ? 'setIn' : 'full'))
function setWidth(to: string) {
  const wide = props.bench.part.value!.built.value!.bendLines.find((l) => l.id === f.value.id)?.length.mm ?? 50
  const grain = props.bench.style().grain
  if (to === 'full') set('', { ...f.value, width: undefined, setIn: undefined })
  else if (to === 'centred') set('', { ...f.value, setIn: undefined, width: Math.round((wide * 0.6) / grain) * grain })
  else set('', { ...f.value, width: undefined, setIn: { start: sizes().setIn, end: sizes().setIn } })
}
const tapered = computed(() => !!f.value.taper && (f.value.taper.start !== undefined || f.value.taper.end !== undefined))
</script>

<template>
  <ChoiceRow label="What it is" :model-value="kind" :choices="wordsOf('Flange', 'kind')" @update:model-value="setKind" />
  <ChoiceRow
    v-if="asks('hem')"
    label="The hem is"
    :model-value="f.hem ?? 'open'"
    :choices="wordsOf('Flange', 'hem')"
    @update:model-value="(v) => set('', { ...f, hem: v, insideRadius: v === 'teardrop' ? f.insideRadius || 2 * thickness : 0 })"
  />
  <ChoiceRow
    label="Bent"
    :model-value="f.up"
    :choices="[
      { value: true, text: 'up, to the good side' },
      { value: false, text: 'down' },
    ]"
    @update:model-value="(v) => set('/up', v)"
  />
  <ChoiceRow
    v-if="asks('measure')"
    label="Length measured"
    :model-value="f.measure ?? 'outside'"
    :choices="wordsOf('Flange', 'measure')"
    @update:model-value="(v) => set('/measure', v)"
  />
  <ChoiceRow
    label="Width"
    :model-value="width"
    :choices="[
      { value: 'full', text: 'the whole edge' },
      { value: 'setIn', text: 'set in' },
      { value: 'centred', text: 'in the middle' },
    ]"
    @update:model-value="setWidth"
  />
  <ChoiceRow
    label="Its ends"
    :model-value="tapered"
    :choices="[
      { value: false, text: 'square' },
      { value: true, text: 'tapered' },
    ]"
    @update:model-value="(v) => set('/taper', v ? { start: sizes().taper, end: sizes().taper } : undefined)"
  />
  <ChoiceRow
    label="Relief"
    :model-value="f.relief?.kind ?? 'rectangular'"
    :choices="wordsOf('Relief', 'kind')"
    @update:model-value="(v) => set('/relief/kind', v)"
  />
  <ValueField
    label="Bent back and again, times so far"
    kind="count"
    optional
    :model-value="f.rebent ?? null"
    :lengths="bench.style()"
    :wrong="bench.part.value?.faults.value.find((x) => x.path === `/recipe${path}/rebent`)?.message"
    @update:model-value="(v) => set('/rebent', v || undefined)"
    @clear="set('/rebent', undefined)"
  />
  <CornerOptions :bench="bench" :path="path" />
  <MeetOptions :bench="bench" :path="path" />
</template>
