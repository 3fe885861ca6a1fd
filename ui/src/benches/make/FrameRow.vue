<script setup lang="ts">
// A frame on the Make bench: to its cut list, sticks and papers.
import type { components } from '@/api/schema'
import type { OpenSurvey } from '@/jobs/useSurvey'
import FirstPiece from './FirstPiece.vue'
import ReleaseCard from './ReleaseCard.vue'

defineProps<{ frame: components['schemas']['FrameHead']; job: string; wanted: number; open: OpenSurvey }>()
</script>

<template>
  <article class="framed">
    <h2>
      <RouterLink :to="`/jobs/${job}/shape/frame/${frame.id}/cut`">{{ frame.name }}</RouterLink>
      <span v-if="frame.stops" class="stops"> {{ frame.stops }} stop</span>
    </h2>
    <p class="soft">
      {{ frame.quantity * wanted }} · {{ frame.members }} members of {{ frame.stocks.join(', ') || 'no section yet' }} ·
      {{ frame.mass }} · {{ frame.verdict }} · r{{ frame.revision }}
    </p>
    <ReleaseCard :open="open" :part="frame.id" />
    <FirstPiece :open="open" :part="frame.id" />
    <RouterLink class="press" :to="`/jobs/${job}/shape/frame/${frame.id}/cut`">
      Cut list, sticks and papers<span class="hidden-label"> of {{ frame.name }}</span>
    </RouterLink>
  </article>
</template>

<style scoped>
.framed {
  display: grid;
  gap: 8px;
  border-top: 2px solid var(--ink);
  padding-top: 10px;
}
.framed .press {
  justify-self: start;
}
.stops {
  color: var(--stop);
}
</style>
