<script setup lang="ts">
// Which vehicle of its kind it is, and the options that decide whether something fits.
import CardList from '@/kit/CardList.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenBrief } from '@/jobs/useBrief'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import { useThings } from './things'

const props = defineProps<{ open: OpenBrief; job: string }>()
const things = useThings(() => props.job, 'nothing yet')
const is = computed(() => props.open.brief.value?.identity)
const fitted = computed(() => is.value?.fitted ?? [])
const states = computed(() => wordsOf('Fitted', 'state'))
</script>

<template>
  <div class="stack">
    <FieldGrid :min="180">
      <TextField
        label="Variant: body, wheelbase, drive"
        :model-value="is?.variant ?? ''"
        :wrong="open.fault('/identity/variant')"
        @update:model-value="(v) => open.set('/identity/variant', v || undefined)"
      />
      <TextField
        label="Year of the model"
        :model-value="is?.year ?? ''"
        :wrong="open.fault('/identity/year')"
        @update:model-value="(v) => open.set('/identity/year', v || undefined)"
      />
      <TextField
        label="Number on its plate"
        :model-value="is?.number ?? ''"
        :wrong="open.fault('/identity/number')"
        @update:model-value="(v) => open.set('/identity/number', v || undefined)"
      />
    </FieldGrid>
    <p class="soft small">Options that decide whether something fits. One nobody looked for holds back what depends on it.</p>
    <CardList
      :rows="fitted"
      word="option"
      :name="(f) => f.text"
      add="Add an option of the vehicle"
      :make="() => ({ id: newId(), text: '', state: 'unknown' as const })"
      @change="(v) => open.set('/identity/fitted', v)"
      v-slot="{ row: f, i }"
    >
      <div class="item">
        <TextField
          label="Option"
          :model-value="f.text"
          :wrong="open.fault(`/identity/fitted/${i}`)"
          @update:model-value="(v) => open.set(`/identity/fitted/${i}/text`, v)"
        />
        <PickOne
          label="This vehicle"
          :choices="states"
          :model-value="f.state"
          @update:model-value="(v) => open.set(`/identity/fitted/${i}/state`, v)"
        />
        <PickOne
          label="It decides"
          :choices="things"
          :model-value="f.of ?? ''"
          @update:model-value="(v) => open.set(`/identity/fitted/${i}/of`, v || undefined)"
        />
        <TextField
          label="Who looked, and where"
          :model-value="f.seen ?? ''"
          @update:model-value="(v) => open.set(`/identity/fitted/${i}/seen`, v || undefined)"
        />
      </div>
    </CardList>
  </div>
</template>

<style scoped>
.item {
  grid-template-columns: minmax(180px, 1fr) 150px 190px minmax(150px, 1fr);
}
@media (max-width: 980px) {
  .item {
    grid-template-columns: 1fr 1fr;
  }
}
@media (max-width: 760px) {
  .item {
    grid-template-columns: 1fr;
  }
}
</style>
