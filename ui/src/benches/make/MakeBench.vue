<script setup lang="ts">
// From the flat pattern to files and paper.
import WholeJob from '../WholeJob.vue'
import { computed, ref, watch } from 'vue'
import { words } from '@/api/client'
import { useFrames, useJob } from '@/api/queries'
import { useRail } from '@/device'
import DocumentBar from '@/documents/DocumentBar.vue'
import { choosePaper, type Paper, paperOf, papers } from '@/jobs/paper'
import { provideInches } from '@/kit/amounts'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import { keepHere } from '@/kit/keepHere'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import { useSurvey } from '@/jobs/useSurvey'
import AskOutside from './AskOutside.vue'
import DummyRow from './DummyRow.vue'
import EffortCard from './EffortCard.vue'
import FromStock from './FromStock.vue'
import FrameRow from './FrameRow.vue'
import PackAll from './PackAll.vue'
import PartFiles from './PartFiles.vue'
import PartsList from './PartsList.vue'
import WeldMaps from './WeldMaps.vue'

const props = defineProps<{ job: string }>()
const { data: page, error } = useJob(() => props.job)
const { data: frames } = useFrames(() => props.job)
const open = useSurvey(() => props.job)
const rail = useRail()
const units = ref<'mm' | 'in'>()
watch(
  page,
  (p) => {
    if (!p) return
    rail.job = props.job
    rail.jobName = p.job.brief.name
    units.value ??= p.job.brief.unit === 'mm' ? 'mm' : 'in'
  },
  { immediate: true },
)
const inches = computed(() => page.value?.job.brief.unit !== 'mm')
provideInches(() => inches.value)
const paper = ref<Paper>('a4')
watch(inches, (i) => (paper.value = paperOf(i)), { immediate: true })
function setPaper(p: Paper) {
  paper.value = p
  choosePaper(inches.value, p)
}
// What board lies in the shop differs where inches are spoken, and is kept apart:
// neither reads roundly in the other's unit.
const boardKey = computed(() => `warmanvil.board.${page.value?.job.brief.unit === 'mm' ? 'mm' : 'in'}`)
const board = ref(2) // mm
watch(boardKey, (k) => (board.value = Number(localStorage.getItem(k)) || (k.endsWith('mm') ? 2 : 1.5875)), { immediate: true })
function setBoard(mm: number) {
  board.value = mm
  void keepHere(boardKey.value, () => board.value)
}
const lengths = computed(() => ({ unit: page.value!.job.brief.unit, grain: page.value!.job.brief.grain }))
const stops = computed(() => page.value?.parts.reduce((n, p) => n + p.stops, 0) ?? 0)
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }} <RouterLink to="/jobs">Back to the jobs</RouterLink></p>
  <div v-else-if="page" class="page">
    <header class="head">
      <h1>Files and paper</h1>
      <DocumentBar v-if="open.survey.value" :open="open" of="What was measured:" />
      <p class="soft">
        {{ page.job.brief.name }}, for {{ page.job.brief.quantity }}. File names say job, part, hand and revision.
      </p>
    </header>
    <p v-if="stops" class="caution" role="note">
      {{ stops === 1 ? 'One flag says' : `${stops} flags say` }} do not cut. Look at them on the Shape bench first.
    </p>
    <div class="row settings">
      <ChoiceRow
        v-if="units"
        v-model="units"
        label="Drawing units in the DXF"
        :choices="[
          { value: 'mm', text: 'mm' },
          { value: 'in', text: 'inch' },
        ]"
      />
      <ChoiceRow label="Paper of the templates" :choices="papers(inches)" :model-value="paper" @update:model-value="setPaper" />
      <ValueField
        class="board"
        label="Board of mock-ups"
        :model-value="board"
        :lengths="lengths"
        @update:model-value="setBoard"
      />
    </div>
    <TextField
      v-if="open.survey.value && (page.parts.length || frames?.length)"
      data-drawn
      class="drawn"
      label="If nothing of this job is measured on a vehicle, why (it is printed)"
      :model-value="open.survey.value.drawn ?? ''"
      @update:model-value="(v) => open.set('/drawn', v || undefined)"
    />
    <PartsList v-if="page.parts.length || frames?.length" :job="job" />
    <WeldMaps v-if="page.parts.length || frames?.length" :job="job" :paper="paper" />
    <FromStock v-if="page.parts.length" :job="job" />
    <AskOutside v-if="page.parts.length" :job="job" />
    <EffortCard v-if="page.parts.length || frames?.length" :job="job" />
    <PackAll v-if="page.parts.length || frames?.length" :job="job" :units="units ?? 'mm'" :paper="paper" />
    <section v-if="page.job.brief.devices?.length" class="dummies">
      <h2>Devices in board</h2>
      <DummyRow
        v-for="d in page.job.brief.devices"
        :key="d.id"
        :job="job"
        :device="d"
        :units="units ?? 'mm'"
        :paper="paper"
        :board="board"
      />
    </section>
    <p v-if="!page.parts.length && !frames?.length" class="soft">
      No part yet. <RouterLink :to="`/jobs/${job}/shape`">Start one on the Shape bench.</RouterLink>
    </p>
    <PartFiles
      v-for="p in page.parts"
      :key="p.id"
      :part="p"
      :job="page.job"
      :units="units ?? 'mm'"
      :paper="paper"
      :board="board"
      :open="open"
    />
    <FrameRow v-for="f in frames ?? []" :key="f.id" :frame="f" :job="job" :wanted="page.job.brief.quantity" :open="open" />
    <div v-if="page.parts.length || frames?.length" class="stands">
      <h2>How far it has come</h2>
      <WholeJob :job="job" show="make" />
    </div>
  </div>
  <p v-else class="page soft">Fetching the job.</p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
.head > .soft {
  flex: 1 0 100%;
}
.caution {
  padding: 12px 14px;
  border-left: 4px solid var(--stop);
  background: var(--stop-wash);
}
.settings {
  gap: 24px;
  align-items: flex-start;
}
.stands,
.dummies {
  border-top: 2px solid var(--ink);
  padding-top: 10px;
  display: grid;
  gap: 10px;
}
.drawn {
  max-width: 720px;
}
.board {
  width: 170px;
}
</style>
