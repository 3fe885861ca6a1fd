<script setup lang="ts">
// What a hole or mark is measured from, one way.
import { computed } from 'vue'
import type { Hole } from '@/api/client'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string; axis: 'x' | 'y' }>()
const at = computed(() => `${props.path}/${props.axis}`)
const offset = computed(() => props.bench.part.value?.get(at.value) as Hole['x'])
const owner = computed(() => props.path.replace(/\/(holes|marks)\/\d+$/, ''))
const panel = computed(() => props.bench.panels().find((p) => p.path === owner.value))
const own = computed(() => (props.bench.part.value?.get(props.path) as { id: string }).id)
const others = computed(() => {
  const list = (props.bench.part.value?.get(`${owner.value}/holes`) as Hole[] | undefined) ?? []
  const names = new Map((props.bench.part.value?.built.value?.holes ?? []).map((h) => [h.feature, h.name]))
  return list.filter((h) => h.id !== own.value).map((h) => ({ value: h.id, text: names.get(h.id) ?? 'a hole' }))
})
/** Where it is on a round, of a part that is unrolled from one. */
const built = computed(() => props.bench.part.value?.built.value)
const made = computed(() =>
  [...(built.value?.holes ?? []).map((h) => ({ id: h.feature, on: h.on })), ...(built.value?.marks ?? [])].find(
    (m) => m.id === own.value,
  ),
)
const across = ['left', 'right']
const along = ['front', 'back']
const places = computed(() => {
  const edges = (panel.value?.edges ?? []).filter((e) => e.role !== 'round').map((e) => e.edge)
  const other = props.axis === 'x' ? along : across
  return [
    ...edges.filter((e) => !other.includes(e)).map((e) => ({ value: e, text: /^\d/.test(e) ? `side ${e}` : `the ${e} edge` })),
    ...(built.value?.round
      ? [props.axis === 'x' ? { value: 'around', text: 'round the form' } : { value: 'up', text: 'up the form' }]
      : []),
    { value: 'middle', text: 'the middle' },
    ...(others.value.length ? [{ value: 'feature', text: 'another hole' }] : []),
  ]
})
const shown = computed(() =>
  places.value.some((p) => p.value === offset.value.edge)
    ? places.value
    : [...places.value, { value: offset.value.edge, text: offset.value.edge }],
)
/** Round and up go together: one says nothing without the other. */
function setPlace(edge: string) {
  const part = props.bench.part.value!
  const round = edge === 'around' || edge === 'up'
  const on = made.value?.on
  const whole = part.get(props.path) as object
  const x = round ? { edge: 'around', distance: on?.around ?? -90 } : { edge: 'middle', distance: 0 }
  const y = round ? { edge: 'up', distance: on?.up ?? 0 } : { edge: 'middle', distance: 0 }
  const next = { ...whole, x, y, [props.axis]: round ? (props.axis === 'x' ? x : y) : { edge, distance: 0 } }
  part.set(props.path, next)
}
function setEdge(edge: string) {
  const now = offset.value.edge
  if ([edge, now].some((e) => e === 'around' || e === 'up') && edge !== now) return setPlace(edge)
  const v = { ...offset.value, edge, from: undefined, feature: edge === 'feature' ? others.value[0]?.value : undefined }
  props.bench.part.value?.set(at.value, v)
}
const bent = computed(() =>
  panel.value?.edges.some((e) => e.edge === offset.value.edge && (e.role === 'bent' || e.role === 'bend')),
)
</script>

<template>
  <PickOne
    :label="axis === 'x' ? 'Across, from' : 'Front to back, from'"
    :choices="shown"
    :model-value="offset.edge"
    @update:model-value="setEdge"
  />
  <PickOne
    v-if="offset.edge === 'feature'"
    label="which hole"
    :choices="others"
    :model-value="offset.feature ?? ''"
    @update:model-value="(v) => bench.part.value?.set(`${at}/feature`, v)"
  />
  <ChoiceRow
    v-if="bent"
    label="That edge is bent: from its"
    :model-value="offset.from || 'outside'"
    :choices="wordsOf('Offset', 'from')"
    @update:model-value="(v) => bench.part.value?.set(`${at}/from`, v)"
  />
</template>
