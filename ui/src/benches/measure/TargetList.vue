<script setup lang="ts">
// What is to be reached, in numbers, and whether it was.
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { HoldingView } from '@/api/client'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import GivenField from '@/kit/GivenField.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ open: OpenBrief; told?: HoldingView['told'] }>()
const list = computed(() => props.open.brief.value?.targets ?? [])
const met = (id: string) => props.told?.targets.find((t) => t.id === id)?.met
const blank = () => ({ id: newId(), text: '', unit: '', sense: 'atMost' as const })
</script>

<template>
  <div class="stack">
    <CardList
      :rows="list"
      word="target"
      :name="(t) => t.text"
      add="Add a target"
      :make="blank"
      @change="(v) => open.set('/targets', v)"
      v-slot="{ row: t, i }"
    >
      <div class="item target">
        <TextField label="Target" :model-value="t.text" @update:model-value="(v) => open.set(`/targets/${i}/text`, v)" />
        <ChoiceRow
          label="Met when it is"
          :choices="wordsOf('Target', 'sense')"
          :model-value="t.sense"
          @update:model-value="(v) => open.set(`/targets/${i}/sense`, v)"
        />
        <ValueField
          label="Wanted"
          kind="number"
          :model-value="t.wanted ?? null"
          :lengths="open.style.value"
          :wrong="open.fault(`/targets/${i}/wanted`)"
          @update:model-value="(v) => open.set(`/targets/${i}/wanted`, v)"
        />
        <TextField label="Unit" :model-value="t.unit ?? ''" @update:model-value="(v) => open.set(`/targets/${i}/unit`, v)" />
        <GivenField
          label="Came out"
          :model-value="t.got"
          :lengths="open.style.value"
          :wrong="open.fault(`/targets/${i}/got/value`)"
          @update:model-value="(v) => open.set(`/targets/${i}/got`, v)"
        />
        <p class="met" :class="{ missed: met(t.id) === false }" :data-met="met(t.id) ?? 'open'">
          {{ met(t.id) === true ? 'met' : met(t.id) === false ? 'not met' : 'open' }}
        </p>
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.target {
  grid-template-columns: minmax(150px, 2fr) auto 90px 80px 120px 64px;
}
.met {
  font-weight: 600;
  padding-top: 32px;
}
.missed {
  color: var(--stop);
}
@media (max-width: 760px) {
  .target {
    grid-template-columns: 1fr;
  }
}
</style>
