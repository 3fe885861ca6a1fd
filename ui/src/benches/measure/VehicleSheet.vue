<script setup lang="ts">
// The vehicle as measured: datum, points, hole maps, level and square, what
// was assumed, and the papers.
import FieldGrid from '@/kit/FieldGrid.vue'
import { Plus } from '@lucide/vue'
import { computed } from 'vue'
import { newId } from '@/api/ids'
import { useSurvey } from '@/jobs/useSurvey'
import ResultLine from '@/kit/ResultLine.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { trustWord } from '@/kit/trust'
import LevelList from './LevelList.vue'
import MapCard from './MapCard.vue'
import PaperRow from './PaperRow.vue'
import PointList from './PointList.vue'
import ReadingRows from './ReadingRows.vue'
import { rows } from './rows'
import SheetFrame from './SheetFrame.vue'

const props = defineProps<{ job: string }>()
const open = useSurvey(() => props.job)
const { survey, worked, style } = open
const n = (list?: unknown[] | null) => list?.length || ''
const sections = computed(() => [
  { id: 'datum', name: 'Datum' },
  { id: 'points', name: 'Points', says: n(survey.value?.points) },
  { id: 'maps', name: 'Hole maps', says: n(survey.value?.maps) },
  { id: 'levels', name: 'Level', says: n(survey.value?.levels) },
  ...rows.map((r) => ({ id: r.list, name: r.title, says: n(survey.value?.[r.list]) })),
  ...(n(worked.value?.repeats) ? [{ id: 'repeats', name: 'Read again', says: n(worked.value?.repeats) }] : []),
  { id: 'assumed', name: 'Not measured here', says: n(worked.value?.assumed) },
  { id: 'papers', name: 'Papers' },
])
const tools = [
  { key: 'tape', name: 'Tape' },
  { key: 'caliper', name: 'Caliper' },
  { key: 'rule', name: 'Rule' },
  { key: 'string', name: 'String' },
  { key: 'scan', name: 'Scan' },
]
const addMap = () =>
  open.set('/maps', [
    ...(survey.value?.maps ?? []),
    { id: newId(), name: '', holes: [1, 2, 3].map(() => ({ id: newId() })), readings: [] },
  ])
</script>

<template>
  <SheetFrame
    :open="open"
    title="The vehicle as it is"
    :sections="sections"
    :causes="['Hole map', 'Place', 'Reading', 'Level', 'Square']"
  >
    <section id="datum">
      <h2>Datum and instruments</h2>
      <div class="three">
        <TextField
          label="Origin: everything is measured from"
          :rows="2"
          :model-value="survey!.datum.origin ?? ''"
          @update:model-value="(v) => open.set('/datum/origin', v)"
        />
        <TextField
          label="x forward runs along"
          :rows="2"
          :model-value="survey!.datum.forward ?? ''"
          @update:model-value="(v) => open.set('/datum/forward', v)"
        />
        <TextField
          label="z up is square to"
          :rows="2"
          :model-value="survey!.datum.up ?? ''"
          @update:model-value="(v) => open.set('/datum/up', v)"
        />
        <div class="shop">
          <ValueField
            label="The tape's hook is"
            :model-value="survey!.hook ?? null"
            :lengths="style"
            :wrong="open.fault('/hook')"
            @update:model-value="(v) => open.set('/hook', v)"
          />
          <ValueField
            v-for="t in tools"
            :key="t.key"
            :label="`${t.name} is good to ±`"
            :model-value="survey!.instruments?.[t.key] ?? null"
            :lengths="style"
            :note="survey!.instruments?.[t.key] ? '' : `not given: ${worked?.tools[t.key]?.usual ?? ''} by practice`"
            :wrong="open.fault(`/instruments/${t.key}`)"
            @update:model-value="(v) => open.set(`/instruments/${t.key}`, v)"
          />
        </div>
      </div>
      <p class="soft small">x runs forward, y to the left, z up. Negative is rearward, right, down.</p>
    </section>
    <section id="points">
      <h2>Points</h2>
      <PointList :open="open" />
    </section>
    <section id="maps">
      <h2>Hole maps</h2>
      <p v-if="!survey!.maps?.length" class="soft">
        A pattern of holes is measured hole to hole: any distances will do, the map comes out of them and a wrong one is named.
      </p>
      <MapCard v-for="(m, i) in survey!.maps ?? []" :key="m.id" :open="open" :index="i" :job="job" />
      <button type="button" class="press" @click="addMap"><Plus :size="18" aria-hidden="true" />Add a hole map</button>
    </section>
    <section id="levels">
      <h2>Level</h2>
      <LevelList :open="open" />
    </section>
    <section v-for="r in rows" :id="r.list" :key="r.list">
      <h2>{{ r.title }}</h2>
      <ReadingRows :open="open" :kind="r" />
    </section>
    <section v-if="worked!.repeats.length" id="repeats">
      <h2>Read more than once</h2>
      <FieldGrid :min="260">
        <div v-for="r in worked!.repeats" :key="r.name">
          <p class="label">{{ r.name }}</p>
          <ResultLine :result="r" />
        </div>
      </FieldGrid>
    </section>
    <section id="assumed">
      <h2>Not measured here</h2>
      <p v-if="!worked!.assumed.length" class="soft">Everything was measured here.</p>
      <ul v-else>
        <li v-for="a in worked!.assumed" :key="a.name">
          <strong>{{ a.name }}</strong> is {{ trustWord(a.trust) }}. On it {{ a.under.length === 1 ? 'stands' : 'stand' }}
          {{ a.under.join(', ') }}.
        </li>
      </ul>
    </section>
    <section id="papers">
      <h2>Papers and lists</h2>
      <PaperRow :open="open" :job="job" />
    </section>
  </SheetFrame>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 12px;
  align-items: start;
}
.three > * {
  grid-column: span 2;
}
.three > .shop {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(120px, 1fr));
  gap: 12px;
  align-items: start;
}
section > .press {
  justify-self: start;
}
@media (max-width: 760px) {
  .three > * {
    grid-column: 1 / -1;
  }
}
</style>
