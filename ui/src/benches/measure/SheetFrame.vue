<script setup lang="ts">
// A sheet of the survey: index at the left, head with the state of saving, what
// must be seen first.
import { words } from '@/api/client'
import DocumentBar from '@/documents/DocumentBar.vue'
import type { OpenSurvey } from '@/jobs/useSurvey'
import SaySo from '@/kit/SaySo.vue'
import SheetIndex from './SheetIndex.vue'

defineProps<{
  open: OpenSurvey
  title: string
  sections: { id: string; name: string; says?: string | number }[]
  causes: string[]
}>()
</script>

<template>
  <p v-if="open.error.value" class="page wrong" role="alert">
    {{ words(open.error.value) }} <RouterLink to="/jobs">Back to the jobs</RouterLink>
  </p>
  <SheetIndex v-else-if="open.survey.value && open.worked.value" :label="`Sections of ${title}`" :sections="sections">
    <header class="head">
      <h1>{{ title }}</h1>
      <DocumentBar :open="open" />
    </header>
    <SaySo label="What the survey says" :list="open.worked.value.findings.filter((f) => causes.includes(f.cause))" />
    <slot />
  </SheetIndex>
  <p v-else class="page soft">Fetching the survey.</p>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: baseline;
  gap: 4px 16px;
}
.head h1 {
  flex: 1 1 0;
  min-width: 12ch;
}
:slotted(section) {
  scroll-margin-top: 12px;
  display: grid;
  gap: 12px;
}
:slotted(section > h2) {
  border-bottom: 2px solid var(--ink);
  padding-bottom: 6px;
}
</style>
