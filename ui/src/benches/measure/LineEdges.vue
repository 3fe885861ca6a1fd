<script setup lang="ts">
// Edges of placed things that run along a line of the body: the gap, the step and how even they are.
import { computed } from 'vue'
import { newId } from '@/api/ids'
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import PickOne from '@/kit/PickOne.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenSurvey } from '@/jobs/useSurvey'

const props = defineProps<{ open: OpenSurvey; index: number }>()
const at = computed(() => `/lines/${props.index}/edges` as const)
const list = computed(() => props.open.survey.value?.lines?.[props.index]?.edges ?? [])
const placed = computed(() => [
  { value: '', text: 'choose a placed thing' },
  ...(props.open.worked.value?.placed ?? []).map((p) => ({ value: p.id, text: p.name })),
])
const ends = (id?: string) => [
  { value: '', text: 'choose an end' },
  ...(props.open.worked.value?.placed.find((p) => p.id === id)?.holes ?? []).map((h) => ({ value: h.id, text: h.name })),
]
/** Another thing has other ends. */
const setPlaced = (k: number, v: string) =>
  props.open.set(`${at.value}/${k}`, { ...list.value[k]!, placed: v || undefined, from: undefined, to: undefined })
const sizes = { gap: 'Gap asked', within: 'Even within', step: 'Step at most' } as const
</script>

<template>
  <CardList
    small
    :rows="list"
    word="edge along it"
    add="An edge that runs along it"
    :make="() => ({ id: newId() })"
    @change="(v) => open.set(at, v)"
    v-slot="{ row: e, i: k }"
  >
    <FieldGrid :min="140">
      <PickOne label="Edge of" :choices="placed" :model-value="e.placed ?? ''" @update:model-value="(v) => setPlaced(k, v)" />
      <PickOne
        v-for="(name, key) in { from: 'from', to: 'to' } as const"
        :key="key"
        :label="name"
        :choices="ends(e.placed)"
        :model-value="e[key] ?? ''"
        @update:model-value="(v) => open.set(`${at}/${k}/${key}`, v || undefined)"
      />
      <ValueField
        v-for="(name, key) in sizes"
        :key="key"
        :label="name"
        :model-value="e[key] ?? null"
        :lengths="open.style.value"
        optional
        @clear="open.set(`${at}/${k}/${key}`, undefined)"
        :wrong="open.fault(`${at}/${k}/${key}`)"
        @update:model-value="(v) => open.set(`${at}/${k}/${key}`, v)"
      />
    </FieldGrid>
  </CardList>
</template>
