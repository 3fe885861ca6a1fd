<script setup lang="ts">
// A job without parts: the ways to begin.
import type { JobView } from '@/api/client'

defineProps<{ job: JobView }>()
</script>

<template>
  <div class="page">
    <h1>{{ job.brief.name }}</h1>
    <p>This job has no part yet. A part is of sheet or plate; a frame is of tube, angle or bar.</p>
    <div class="row">
      <RouterLink class="press main" :to="`/jobs/${job.id}/shape/new`">Start a part</RouterLink>
      <RouterLink class="press" :to="`/jobs/${job.id}/shape/frame`">Start a frame</RouterLink>
    </div>
  </div>
</template>
