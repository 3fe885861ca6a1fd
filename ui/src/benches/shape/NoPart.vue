<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import { blankPart } from '@/jobs/starter'
import TextField from '@/kit/TextField.vue'

const props = defineProps<{ job: JobView }>()
const router = useRouter()
const name = ref('')
const wrong = ref('')

async function start() {
  try {
    const body = { name: name.value, quantity: 1, recipe: blankPart(props.job.brief.unit) }
    const part = await take(api.POST('/api/v1/jobs/{id}/parts', { params: { path: { id: props.job.id } }, body }))
    refreshJobs()
    await router.push(`/jobs/${props.job.id}/shape/${part.id}`)
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <div class="page">
    <h1>{{ job.brief.name }}</h1>
    <p>This job has no part yet. A part starts as a plain plate; then an edge is tapped to bend a flange, a face to set holes.</p>
    <form class="start" @submit.prevent="start">
      <TextField v-model="name" label="Name of the first part" :wrong="wrong" @enter="start" />
      <button type="submit" class="press main">Start the part</button>
    </form>
    <p>Or build it of tube, angle or bar:</p>
    <RouterLink class="press other" :to="`/jobs/${job.id}/shape/frame`">Start a frame</RouterLink>
  </div>
</template>

<style scoped>
.other {
  justify-self: start;
}
.start {
  display: grid;
  gap: 14px;
  max-width: 420px;
}
</style>
