<script setup lang="ts">
// A new part: a plain plate, a whole part from a few numbers, or a drawing from
// elsewhere.
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { words } from '@/api/client'
import { useJob } from '@/api/queries'
import { useRail } from '@/device'
import ChoiceRow from '@/kit/ChoiceRow.vue'
import FromDrawing from './FromDrawing.vue'
import FromNumbers from './FromNumbers.vue'

const props = defineProps<{ job: string }>()
const router = useRouter()
const { data: page, error } = useJob(() => props.job)
const way = ref<'numbers' | 'drawing'>('numbers')
const rail = useRail()
watch(
  page,
  (p) => {
    if (!p) return
    rail.job = p.job.id
    rail.jobName = p.job.brief.name
  },
  { immediate: true },
)
const open = (id: string) => router.push(`/jobs/${props.job}/shape/${id}`)
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }}</p>
  <div v-else-if="page" class="page">
    <header>
      <h1>A new part</h1>
      <p class="soft">
        <RouterLink to="/jobs">{{ page.job.brief.name }}</RouterLink>. Whatever it starts from, it is an ordinary part from then
        on. Of tube, angle or bar: <RouterLink :to="`/jobs/${job}/shape/frame`">start a frame</RouterLink>.
      </p>
    </header>
    <ChoiceRow
      v-model="way"
      label="It starts from"
      :choices="[
        { value: 'numbers', text: 'a few numbers' },
        { value: 'drawing', text: 'a drawing: DXF or SVG' },
      ]"
    />
    <FromNumbers v-if="way === 'numbers'" :job="page.job" @made="open" />
    <FromDrawing v-else :job="page.job" :parts="page.parts" @made="open" />
  </div>
  <p v-else class="page soft">Fetching the job.</p>
</template>
