<script setup lang="ts">
// A sheet of the survey: index at the left, head with the state of saving, what
// must be seen first.
import { words } from '@/api/client'
import type { OpenSurvey } from '@/jobs/useSurvey'
import SaySo from '@/kit/SaySo.vue'

defineProps<{
  open: OpenSurvey
  title: string
  sections: { id: string; name: string; says?: string | number }[]
  causes: string[]
}>()
const go = (id: string) => document.getElementById(id)?.scrollIntoView({ block: 'start' })
</script>

<template>
  <p v-if="open.error.value" class="page wrong" role="alert">
    {{ words(open.error.value) }} <RouterLink to="/jobs">Back to the jobs</RouterLink>
  </p>
  <div v-else-if="open.survey.value && open.worked.value" class="bench">
    <nav class="index" :aria-label="`Sections of ${title}`">
      <button v-for="s in sections" :key="s.id" type="button" class="press bare tight" @click="go(s.id)">
        {{ s.name }} <span class="soft">{{ s.says }}</span>
      </button>
    </nav>
    <div class="page">
      <header class="head">
        <h1>{{ title }}</h1>
        <span role="status" class="soft small" :data-survey="open.state.value">{{ open.state.value }}</span>
      </header>
      <p v-if="open.wrong.value" class="wrong" role="alert">
        {{ open.wrong.value }}
        <button v-if="open.state.value === 'not saved'" type="button" class="press tight" @click="open.anew">
          Load what was saved
        </button>
      </p>
      <SaySo label="What the survey says" :list="open.worked.value.findings.filter((f) => causes.includes(f.cause))" />
      <slot />
    </div>
  </div>
  <p v-else class="page soft">Fetching the survey.</p>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr);
}
.index {
  position: sticky;
  top: 0;
  align-self: start;
  display: grid;
  gap: 2px;
  padding: 20px 8px;
  justify-items: start;
}
.index .press {
  min-height: 44px;
  text-align: left;
}
.page {
  width: 100%;
  min-width: 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
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
@media (max-width: 900px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .index {
    position: static;
    display: flex;
    flex-wrap: wrap;
    padding: 10px 16px 0;
  }
}
</style>
