<script setup lang="ts">
// What was on the vehicle before, and what people found who tried what is to come.
import { computed } from 'vue'
import { useSurvey } from '@/jobs/useSurvey'
import OldList from './OldList.vue'
import SheetFrame from './SheetFrame.vue'
import TrialList from './TrialList.vue'

const props = defineProps<{ job: string }>()
const open = useSurvey(() => props.job)
const { survey } = open
const sections = computed(() => [
  { id: 'olds', name: 'Old parts', says: survey.value?.olds?.length || '' },
  { id: 'trials', name: 'Trials', says: survey.value?.trials?.length || '' },
])
</script>

<template>
  <SheetFrame :open="open" title="Old parts and trials" :sections="sections" :causes="['Old part', 'Trying it']">
    <section id="olds">
      <h2>Parts that were on it</h2>
      <OldList :open="open" :job="job" />
    </section>
    <section id="trials">
      <h2>Tried by a person: seat, step, controls</h2>
      <TrialList :open="open" />
    </section>
  </SheetFrame>
</template>
