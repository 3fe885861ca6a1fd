<script setup lang="ts">
// The room round the vehicle: what must not be touched, what is placed, how
// far they keep off each other, what is behind a hole, what follows a pattern.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed } from 'vue'
import { useSurvey } from '@/jobs/useSurvey'
import ResultLine from '@/kit/ResultLine.vue'
import ValueField from '@/kit/ValueField.vue'
import ClearTable from './ClearTable.vue'
import DrillList from './DrillList.vue'
import FollowList from './FollowList.vue'
import LineList from './LineList.vue'
import PlacedList from './PlacedList.vue'
import RoomSketch from './RoomSketch.vue'
import SheetFrame from './SheetFrame.vue'
import SpaceList from './SpaceList.vue'
import WholeJob from '../WholeJob.vue'
import PictureFrame from '@/kit/PictureFrame.vue'

const props = defineProps<{ job: string }>()
const open = useSurvey(() => props.job)
const { survey, worked, style } = open
const n = (list?: unknown[] | null) => list?.length || ''
const sections = computed(() => [
  { id: 'look', name: 'Seen from' },
  { id: 'clear', name: 'Clearances', says: n(worked.value?.clearances.filter((c) => c.verdict !== 'good')) },
  { id: 'placed', name: 'Placed', says: n(survey.value?.placed) },
  { id: 'spaces', name: 'No-go spaces', says: n(survey.value?.spaces) },
  { id: 'lines', name: 'Lines of the body', says: n(survey.value?.lines) },
  { id: 'follows', name: 'Following', says: n(survey.value?.follows) },
  { id: 'behind', name: 'What is behind', says: n(survey.value?.drillings) },
  { id: 'ground', name: 'Over the ground' },
])
const wheels = (key: string, v: number | boolean) =>
  open.set('/wheels', { front: 0, rear: -3000, radius: 350, ground: -600, ...survey.value!.wheels, [key]: v })
const fields = [
  { key: 'front', label: 'Front axle, forward of the datum' },
  { key: 'rear', label: 'Rear axle, forward of the datum' },
  { key: 'radius', label: 'Tyre radius, loaded' },
  { key: 'ground', label: 'Ground, up from the datum' },
] as const
</script>

<template>
  <SheetFrame
    :open="open"
    title="Room and placing"
    :sections="sections"
    :causes="['Room', 'Mating', 'Wrong way round', 'What is behind', 'Following', 'The other side']"
  >
    <section id="look">
      <WholeJob :job="job" show="room" />
      <details>
        <summary>Outlines and the shortest distances</summary>
        <PictureFrame name="spaces">
          <RoomSketch :drawn="worked!.sketch" :points="worked!.points" :clearances="worked!.clearances" />
        </PictureFrame>
      </details>
    </section>
    <section id="clear">
      <h2>Clearances, the shortest first</h2>
      <ClearTable :list="worked!.clearances" />
      <ValueField
        class="short"
        label="Placed things keep off each other"
        :model-value="survey!.between ?? 0"
        :lengths="style"
        :wrong="open.fault('/between')"
        @update:model-value="(v) => open.set('/between', v)"
      />
    </section>
    <section id="placed">
      <h2>Placed on the vehicle</h2>
      <PlacedList :open="open" />
    </section>
    <section id="spaces">
      <h2>No-go spaces and openings</h2>
      <SpaceList :open="open" />
    </section>
    <section id="lines">
      <h2>Lines of the body</h2>
      <LineList :open="open" />
    </section>
    <section id="follows">
      <h2>Hole patterns that follow</h2>
      <FollowList :open="open" :job="job" />
    </section>
    <section id="behind">
      <h2>What is behind this?</h2>
      <DrillList :open="open" />
    </section>
    <section id="ground">
      <h2>Over the ground</h2>
      <FieldGrid :min="170">
        <ValueField
          v-for="f in fields"
          :key="f.key"
          :label="f.label"
          :model-value="survey!.wheels?.[f.key] ?? null"
          :lengths="style"
          :wrong="open.fault(`/wheels/${f.key}`)"
          @update:model-value="(v) => wheels(f.key, v)"
        />
        <label class="tick"
          ><input
            type="checkbox"
            :checked="survey!.wheels?.trailer"
            @change="wheels('trailer', ($event.target as HTMLInputElement).checked)"
          />
          a trailer</label
        >
      </FieldGrid>
      <p v-if="!worked!.ground.length" class="soft">Place something and give the wheels.</p>
      <FieldGrid v-else :min="170">
        <div v-for="g in worked!.ground" :key="g.name">
          <p class="label">{{ g.name }}</p>
          <ResultLine :result="g" />
        </div>
      </FieldGrid>
      <p v-if="worked!.ground.length" class="soft small">Placed things only: the vehicle's own underside may touch first.</p>
    </section>
  </SheetFrame>
</template>

<style scoped>
.short {
  max-width: 260px;
}
</style>
