<script setup lang="ts">
// Says that the part's holes are not where the survey has them any more.
import { computed } from 'vue'
import { useSurveyed } from '@/jobs/useSurvey'

const props = defineProps<{ job: string; part: string }>()
const { data } = useSurveyed(() => props.job)
const stale = computed(() => data.value?.worked.follows.filter((f) => f.part === props.part && f.stale) ?? [])
</script>

<template>
  <p v-for="f in stale" :key="f.id" class="stale" role="note">
    <strong>Out of date.</strong> {{ f.name }}: its holes lie up to <b class="num">{{ f.most }}</b> from where they were measured.
    <RouterLink :to="`/jobs/${job}/measure/room`">Show the difference</RouterLink>
  </p>
</template>

<style scoped>
.stale {
  padding: 6px 12px;
  border-left: 4px solid var(--stop);
  background: var(--stop-wash);
}
</style>
