<script setup lang="ts">
// What happens when it fails, how strength is counted, how it is driven.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import { useStock } from '@/api/queries'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief }>()
const { data: stock } = useStock()
const brief = computed(() => props.open.brief.value!)
const usual = computed(() => stock.value?.roads.find((r) => r.use === (brief.value.use ?? 'rough')))
const road = computed(() => brief.value.road ?? usual.value?.road)
const ways = [
  { key: 'down' as const, label: 'Down, gravity included' },
  { key: 'up' as const, label: 'Up, net lift' },
  { key: 'along' as const, label: 'Forward and rearward' },
  { key: 'side' as const, label: 'To either side' },
]
const setRoad = (key: (typeof ways)[number]['key'], v: number) => props.open.set('/road', { ...road.value!, [key]: v })
</script>

<template>
  <div class="stack">
    <ChoiceRow
      label="When it fails"
      :choices="wordsOf('Brief', 'criticality')"
      :model-value="brief.criticality ?? 'load'"
      @update:model-value="(v) => open.set('/criticality', v)"
    />
    <p v-if="brief.criticality === 'people'" class="caution">
      Where people can be hurt nothing says holds here before fatigue, crash and every input are answered for. Local rules and a
      licensed engineer decide.
    </p>
    <ChoiceRow
      label="Strength is counted as"
      :choices="wordsOf('StrengthRule', 'school')"
      :model-value="brief.strength?.school ?? 'allowable'"
      @update:model-value="(v) => open.set('/strength/school', v)"
    />
    <ValueField
      v-if="brief.strength?.school === 'g-case'"
      class="narrow"
      label="Margin on yield, 1.5 or more"
      kind="number"
      :model-value="brief.strength.margin ?? 1.5"
      :lengths="open.style.value"
      :wrong="open.fault('/strength/margin')"
      @update:model-value="(v) => open.set('/strength/margin', v)"
    />
    <ChoiceRow
      label="Driven on"
      :choices="wordsOf('Brief', 'use')"
      :model-value="brief.use ?? 'rough'"
      @update:model-value="(v) => open.change({ ...brief, use: v, road: undefined })"
    />
    <FieldGrid v-if="road" :min="150" low>
      <ValueField
        v-for="w in ways"
        :key="w.key"
        :label="`${w.label}, g`"
        kind="number"
        :model-value="road[w.key]"
        :lengths="open.style.value"
        :wrong="open.fault(`/road/${w.key}`)"
        @update:model-value="(v) => setRoad(w.key, v)"
      />
    </FieldGrid>
    <p class="soft small">
      {{
        brief.road
          ? 'Typed here, net load in g.'
          : 'Usual values, shop practice and no standard: net load in g, gravity included.'
      }}
      Each vertical case is taken with each horizontal one, both signs.
      <button v-if="brief.road" type="button" class="press tight" @click="open.set('/road', undefined)">Back to the usual</button>
    </p>
    <TextField
      label="Fatigue: who answers for it, and what they say"
      :model-value="brief.answers?.fatigue ?? ''"
      @update:model-value="(v) => open.set('/answers/fatigue', v || undefined)"
    />
    <TextField
      label="Crash: who answers for it, and what they say"
      :model-value="brief.answers?.crash ?? ''"
      @update:model-value="(v) => open.set('/answers/crash', v || undefined)"
    />
  </div>
</template>

<style scoped>
.narrow {
  max-width: 260px;
}
</style>
