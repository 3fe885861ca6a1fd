<script setup lang="ts">
// A table of readings: each row comes to one line.
import FieldGrid from '@/kit/FieldGrid.vue'
import CardList from '@/kit/CardList.vue'
import { computed } from 'vue'
import type { Reading, Survey } from '@/api/client'
import { newId } from '@/api/ids'
import { wordsOf } from '@/api/words'
import type { OpenSurvey } from '@/jobs/useSurvey'
import PickOne from '@/kit/PickOne.vue'
import ReadingField from '@/kit/ReadingField.vue'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import AngleSketch from './AngleSketch.vue'
import { usePoints } from './points'
import type { RowKind } from './rows'

const props = defineProps<{ open: OpenSurvey; kind: RowKind }>()
const list = computed(
  () => (props.open.survey.value?.[props.kind.list] ?? []) as ({ id: string; name: string } & Record<string, unknown>)[],
)
const told = computed(() => props.open.worked.value?.[props.kind.list] ?? [])
const points = usePoints(props.open)
const blank = () =>
  props.kind.list === 'measures'
    ? { id: newId(), name: '', kind: 'headroom', from: '', to: '' }
    : { id: newId(), name: '', ...Object.fromEntries(props.kind.fields.filter((f) => !f.plain).map((f) => [f.key, {}])) }
/** Where a field lies is said by the table of rows. */
type Cell = '/slopes/0/reading'
const put = (i: number, key: string, v: unknown) => props.open.set(`/${props.kind.list}/${i}/${key}` as Cell, v as Reading)
const kinds = computed(() => wordsOf('MeasureRow', 'kind'))
const targets = computed(() => [
  { value: '', text: 'no target' },
  ...(props.open.page.value?.job.brief.targets ?? []).filter((t) => t.unit === 'mm').map((t) => ({ value: t.id, text: t.text })),
])
type Kind = NonNullable<Survey['measures']>[number]['kind']
const result = (id: string) => told.value.find((t) => t.id === id)
</script>

<template>
  <div class="stack">
    <p class="soft small">{{ kind.about }}</p>
    <CardList
      :rows="list"
      word="row"
      :name="(row) => row.name"
      :add="kind.add"
      :make="blank"
      @change="(v) => open.set(`/${kind.list}` as '/measures', v as never)"
      v-slot="{ row: row, i }"
    >
      <article class="item" :data-row="row.id">
        <FieldGrid :min="150">
          <TextField
            class="name"
            label="What"
            :model-value="row.name"
            @update:model-value="(v) => open.set(`/${kind.list}/${i}/name`, v)"
          />
          <template v-for="f in kind.fields" :key="f.key">
            <ValueField
              v-if="f.plain"
              :label="f.label"
              :kind="f.kind"
              :model-value="(row[f.key] as number) ?? null"
              :lengths="open.style.value"
              :wrong="open.fault(`/${kind.list}/${i}/${f.key}`)"
              @update:model-value="(v) => put(i, f.key, v)"
            />
            <ReadingField
              v-else
              :label="f.label"
              :kind="f.kind"
              :model-value="row[f.key] as Reading"
              :lengths="open.style.value"
              :wrong="(n) => open.fault(`/${kind.list}/${i}/${f.key}/values/${n}`)"
              @update:model-value="(v) => put(i, f.key, v)"
            />
          </template>
          <template v-if="kind.list === 'measures'">
            <PickOne
              label="Kind"
              :choices="kinds"
              :model-value="row.kind as Kind"
              @update:model-value="(v) => open.set(`/measures/${i}/kind`, v)"
            />
            <PickOne
              label="From"
              :choices="points"
              :model-value="row.from as string"
              @update:model-value="(v) => open.set(`/measures/${i}/from`, v)"
            />
            <PickOne
              label="To"
              :choices="points"
              :model-value="row.to as string"
              @update:model-value="(v) => open.set(`/measures/${i}/to`, v)"
            />
            <PickOne
              label="Target"
              :choices="targets"
              :model-value="(row.target as string) ?? ''"
              @update:model-value="(v) => open.set(`/measures/${i}/target`, v)"
            />
          </template>
        </FieldGrid>
        <div class="came">
          <ResultLine :result="result(row.id)" />
          <AngleSketch
            v-if="kind.list === 'slopes'"
            :own="(row.own as Reading)?.values?.[0]"
            :read="(row.reading as Reading)?.values?.[0]"
          />
        </div>
      </article>
    </CardList>
  </div>
</template>

<style scoped>
.item {
  grid-template-columns: minmax(0, 3fr) minmax(200px, 2fr);
}
.name {
  grid-column: 1 / -1;
}
.came {
  display: grid;
  gap: 8px;
  padding-top: 22px;
}
@media (max-width: 760px) {
  .item {
    grid-template-columns: 1fr;
  }
}
</style>
