<script setup lang="ts">
// How flanges of one panel meet at its corners.
import { computed } from 'vue'
import type { Flange, Meet } from '@/api/client'
import { wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const get = <T,>(tail: string) => props.bench.part.value?.get(props.path + tail) as T | undefined
const panel = computed(() => props.bench.panels().find((p) => p.path === props.path))
const made = computed(() => new Map(props.bench.panels().map((p) => [p.id, p.name])))
/** Flanges on neighbouring edges, corner by corner. */
const corners = computed(() => {
  const flanges = get<Flange[]>('/flanges') ?? []
  const edges = panel.value?.edges ?? []
  const out: { a: string; b: string; name: string }[] = []
  edges.forEach((e, i) => {
    const next = edges[(i + 1) % edges.length]!
    const ends = flanges.filter((f) => f.edge === e.edge && made.value.has(f.id))
    const starts = flanges.filter((f) => f.edge === next.edge && made.value.has(f.id))
    const a = ends[0]
    const b = starts[0]
    if (a && b && a.id !== b.id)
      out.push({ a: a.id, b: b.id, name: `${made.value.get(a.id)} and ${made.value.get(b.id)?.toLowerCase()}` })
  })
  return out
})
const meets = computed(() => get<Meet[]>('/meets') ?? [])
const of = (c: { a: string; b: string }) => meets.value.find((m) => (m.a === c.a && m.b === c.b) || (m.a === c.b && m.b === c.a))
function change(list: { a: string; b: string }[], more: (c: { a: string; b: string }, was?: Meet) => Meet | undefined) {
  const touched = list.map((c) => ({ was: of(c), now: more(c, of(c)) }))
  const rest = meets.value.filter((m) => !touched.some((t) => t.was === m))
  props.bench.part.value?.set(`${props.path}/meets`, [...rest, ...touched.flatMap((t) => (t.now ? [t.now] : []))])
}
/** Why the gap of a corner was refused. */
const faultOf = (c: { a: string; b: string }) =>
  props.bench.part.value?.faults.value.find((f) => f.path === `/recipe${props.path}/meets/${meets.value.indexOf(of(c)!)}/gap`)
    ?.message
const kinds = computed(() => wordsOf('Meet', 'kind'))
const setKind = (list: { a: string; b: string }[], kind: Meet['kind']) =>
  change(list, (c, was) => (kind === 'open' ? undefined : { a: was?.a ?? c.a, b: was?.b ?? c.b, kind }))
</script>

<template>
  <fieldset v-if="corners.length" class="meets">
    <legend class="label">Corners where flanges meet</legend>
    <div v-if="corners.length > 1" class="all">
      <span class="small soft">All of them</span>
      <button v-for="k in kinds" :key="k.value" type="button" class="press tight" @click="setKind(corners, k.value)">
        {{ k.text }}
      </button>
    </div>
    <div v-for="c in corners" :key="c.a + c.b" class="one">
      <PickOne
        :label="c.name"
        :choices="kinds"
        :model-value="of(c)?.kind ?? 'open'"
        @update:model-value="(v) => setKind([c], v)"
      />
      <ValueField
        v-if="of(c)"
        label="Gap"
        :model-value="of(c)!.gap ?? null"
        :lengths="bench.style()"
        note="usual when empty"
        :wrong="faultOf(c)"
        @update:model-value="(v) => change([c], (_, was) => ({ ...was!, gap: v || undefined }))"
      />
      <ChoiceRow
        v-if="of(c)?.kind === 'lap'"
        label="Which covers the other's end"
        :model-value="of(c)!.a"
        :choices="[c.a, c.b].map((id) => ({ value: id, text: made.get(id) ?? id }))"
        @update:model-value="(v) => change([c], (_, was) => ({ ...was!, a: v, b: v === c.a ? c.b : c.a }))"
      />
    </div>
  </fieldset>
</template>

<style scoped>
.meets {
  border: 0;
  border-top: 1px solid var(--rule);
  padding: 8px 0 0;
  margin: 0;
  min-width: 0;
  display: grid;
  gap: 10px;
}
.all {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
}
.one {
  display: grid;
  gap: 6px;
}
</style>
