<script setup lang="ts">
// What lies between two faces, and what goes into what.
import { computed } from 'vue'
import { useSurvey } from '@/jobs/useSurvey'
import FitList from './FitList.vue'
import SheetFrame from './SheetFrame.vue'
import StackList from './StackList.vue'

const props = defineProps<{ job: string }>()
const open = useSurvey(() => props.job)
const { survey } = open
const sections = computed(() => [
  { id: 'stacks', name: 'Stacks', says: survey.value?.stacks?.length || '' },
  { id: 'fits', name: 'Fits', says: survey.value?.fits?.length || '' },
])
</script>

<template>
  <SheetFrame :open="open" title="Stacks and fits" :sections="sections" :causes="['Stack', 'Fit']">
    <section id="stacks">
      <h2>Stacks: standoffs, spacers, shims, legs</h2>
      <StackList :open="open" />
    </section>
    <section id="fits">
      <h2>Sliding fits and pockets</h2>
      <FitList :open="open" />
    </section>
  </SheetFrame>
</template>
