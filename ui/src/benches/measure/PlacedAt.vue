<script setup lang="ts">
// A thing placed by numbers: from which point they count, and to which face, edge or corner of
// it they run. Choosing another leaves the thing where it stands.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import type { Placed } from '@/api/client'
import { mayBe, wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import { usePoints } from './points'

type Key = 'x' | 'y' | 'z'
type End = NonNullable<NonNullable<Placed['to']>[Key]>
const props = defineProps<{ open: OpenSurvey; placed: Placed; i: number }>()
const points = usePoints(props.open, 'the datum')
const told = computed(() => props.open.worked.value?.placed.find((p) => p.id === props.placed.id))
const at = computed(() => props.placed.at ?? [0, 0, 0])
const axes = [
  { key: 'x', name: 'forward', text: 'Forward' },
  { key: 'y', name: 'left', text: 'Left' },
  { key: 'z', name: 'up', text: 'Up' },
] as const
const ends = (k: Key) => mayBe('Reached', k, 'origin')
const named = (k: Key) => {
  const end = props.placed.to?.[k]
  return end ? `${wordsOf('Reached', k).find((w) => w.value === end)?.text}` : 'origin'
}
function setAt(k: number, v: number) {
  props.open.set(`/placed/${props.i}/at`, at.value.map((x, m) => (m === k ? v : x)) as [number, number, number])
}
const put = (change: Partial<Placed>) => props.open.set(`/placed/${props.i}`, { ...props.placed, ...change })
/** Another face of it: the number becomes where that lies now, which the server says. */
async function setEnd(k: number, v: string) {
  if (props.open.state.value !== 'saved') await props.open.send()
  const end = (v || undefined) as End | undefined
  const lies = told.value?.lies[k]
  put({
    to: { ...props.placed.to, [axes[k]!.key]: end },
    at: at.value.map((x, m) => (m === k && lies ? lies[end ?? 'origin'] : x)) as [number, number, number],
  })
}
/** Another point: the numbers become what they are from there. */
function setFrom(id: string) {
  const place = (of?: string) => (of && props.open.worked.value?.points.find((p) => p.id === of)?.at) || [0, 0, 0]
  const [was, is] = [place(props.placed.from), place(id)]
  put({ from: id || undefined, at: at.value.map((x, k) => x + was[k]! - is[k]!) as [number, number, number] })
}
</script>

<template>
  <FieldGrid :min="150">
    <PickOne label="Measured from" :choices="points" :model-value="placed.from ?? ''" @update:model-value="setFrom" />
    <template v-for="(a, k) in axes" :key="a.key">
      <PickOne
        :label="`${a.text}, to its`"
        :choices="ends(a.key)"
        :model-value="(placed.to?.[a.key] ?? '') as 'low'"
        @update:model-value="(v) => setEnd(k, v)"
      />
      <ValueField
        :label="`${a.text} to its ${named(a.key)}`"
        :model-value="at[k]!"
        :lengths="open.style.value"
        :wrong="open.fault(`/placed/${i}/at/${k}`)"
        @update:model-value="(v) => setAt(k, v)"
      />
    </template>
    <ValueField
      v-for="n in ['yaw', 'pitch', 'roll'] as const"
      :key="n"
      :label="{ yaw: 'Turned left', pitch: 'Nose low', roll: 'Left side up' }[n]"
      kind="angle"
      :model-value="placed[n] ?? 0"
      :lengths="open.style.value"
      :wrong="open.fault(`/placed/${i}/${n}`)"
      @update:model-value="(v) => open.set(`/placed/${i}/${n}`, v)"
    />
  </FieldGrid>
</template>
