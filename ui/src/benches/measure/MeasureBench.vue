<script setup lang="ts">
// Measure: the task, the vehicle as it is, the room round it, what fits in it.
import { computed, defineAsyncComponent } from 'vue'
import BriefSheet from './BriefSheet.vue'

const props = defineProps<{ job: string; sheet?: string }>()
const sheets = [
  { id: '', name: 'The task', view: BriefSheet },
  { id: 'vehicle', name: 'The vehicle', view: defineAsyncComponent(() => import('./VehicleSheet.vue')) },
  { id: 'room', name: 'Room and placing', view: defineAsyncComponent(() => import('./RoomSheet.vue')) },
  { id: 'tried', name: 'Old parts, trials', view: defineAsyncComponent(() => import('./TriedSheet.vue')) },
  { id: 'fits', name: 'Stacks and fits', view: defineAsyncComponent(() => import('./FitSheet.vue')) },
]
const here = computed(() => sheets.find((s) => s.id === (props.sheet ?? '')) ?? sheets[0]!)
</script>

<template>
  <div>
    <nav class="sheets" aria-label="Sheets of Measure">
      <RouterLink
        v-for="s in sheets"
        :key="s.id"
        :to="`/jobs/${job}/measure${s.id ? '/' + s.id : ''}`"
        :aria-current="s === here ? 'page' : undefined"
        >{{ s.name }}</RouterLink
      >
    </nav>
    <component :is="here.view" :key="job + here.id" :job="job" />
  </div>
</template>

<style scoped>
.sheets {
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  padding: 6px 16px 0;
  border-bottom: 2px solid var(--ink);
}
.sheets a {
  min-height: var(--touch);
  display: inline-flex;
  align-items: center;
  padding: 0 14px;
  font: 600 0.95rem var(--head);
  font-stretch: 112%;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 5px solid transparent;
}
.sheets a[aria-current] {
  color: var(--ink);
  border-color: var(--ember);
}
</style>
