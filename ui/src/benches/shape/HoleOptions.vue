<script setup lang="ts">
// Choices of a hole that are not numbers: what it is for, how it is made, what
// it is measured from.
import { computed } from 'vue'
import type { Hole, Use } from '@/api/client'
import { useStock } from '@/api/queries'
import { mayBe, shows, wordsOf } from '@/api/words'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import PickOne from '@/kit/PickOne.vue'
import OffsetOptions from './OffsetOptions.vue'
import PatternOptions from './PatternOptions.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench; path: string }>()
const set = (tail: string, value: unknown) => props.bench.part.value?.set(props.path + tail, value)
const hole = computed(() => props.bench.part.value?.get(props.path) as Hole)
const use = computed(() => hole.value.use)
const { data: stock } = useStock()
const threads = computed(() => {
  const list = (stock.value?.threads ?? []).map((t) => {
    const name = t.system === 'metric' && t.coarse ? t.size : t.name
    return { value: name, text: name }
  })
  const own = use.value?.thread ?? ''
  return list.some((t) => t.value === own) ? list : [{ value: own, text: own || 'choose' }, ...list]
})
const setUse = (kind: Use['kind'] | '') => void props.bench.changeTo(props.path, { hole: hole.value }, kind)
const asks = (field: string) => shows('Use', 'kind', use.value?.kind, field)
</script>

<template>
  <PickOne
    v-if="hole.kind === 'round'"
    label="It is for"
    :choices="mayBe('Use', 'kind').filter((w) => w.value !== 'tab')"
    :model-value="use?.kind ?? ''"
    @update:model-value="setUse"
  />
  <PickOne
    v-if="use && asks('thread')"
    label="Thread"
    :choices="threads"
    :model-value="use.thread ?? ''"
    @update:model-value="(v) => set('/use/thread', v)"
  />
  <ChoiceRow
    v-if="asks('back')"
    label="On the"
    :model-value="use?.back ?? false"
    :choices="[
      { value: false, text: 'good side' },
      { value: true, text: 'back' },
    ]"
    @update:model-value="(v) => set('/use/back', v || undefined)"
  />
  <ChoiceRow
    v-if="use && asks('cover')"
    label="The edge is"
    :model-value="use.cover ?? 'none'"
    :choices="wordsOf('Use', 'cover')"
    @update:model-value="(v) => set('/use/cover', v)"
  />
  <ChoiceRow
    label="Made"
    :model-value="hole.made || 'cut'"
    :choices="wordsOf('Hole', 'made').filter((w) => hole.kind === 'round' || w.value !== 'pilot')"
    @update:model-value="(v) => set('/made', v)"
  />
  <PatternOptions v-if="hole.use?.kind !== 'tab'" :bench="bench" :path="path" />
  <OffsetOptions :bench="bench" :path="path" axis="x" />
  <OffsetOptions :bench="bench" :path="path" axis="y" />
</template>
