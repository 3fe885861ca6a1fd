<script setup lang="ts">
// A part of one's own as the start of another: the same recipe, a part of this job.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs, useJobs } from '@/api/queries'
import { once } from '@/kit/once'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import PartSketch from './PartSketch.vue'
import { freeName } from '@/kit/freeName'

const props = defineProps<{ job: JobView; names: string[] }>()
const emit = defineEmits<{ made: [id: string] }>()
const { data: jobs } = useJobs(false)
const from = ref(props.job.id)
const { data: page } = useQuery({
  queryKey: ['job', from],
  queryFn: () => take(api.GET('/api/v1/jobs/{id}', { params: { path: { id: from.value } } })),
})
const part = ref('')
watch(page, (p) => (part.value = p?.parts[0]?.id ?? ''), { immediate: true })
const name = ref('')
watch(part, () => (name.value = freeName(page.value?.parts.find((p) => p.id === part.value)?.name ?? 'Part', props.names)), {
  immediate: true,
})
const { data: own } = useQuery({
  queryKey: ['own-part', part],
  enabled: () => part.value !== '',
  queryFn: async () => {
    const { state } = await take(api.GET('/api/v1/parts/{id}', { params: { path: { id: part.value } } }))
    // It is a part for itself: what it is drilled through or was split from is not here, and
    // what was set aside there is judged anew.
    const recipe = { ...state.recipe, master: undefined, piece: undefined, setAside: undefined }
    const { unit, grain } = props.job.brief
    const picture = await take(api.POST('/api/v1/part-sketch', { body: { recipe, unit, grain } }))
    return { state: { ...state, recipe }, picture }
  },
})
const jobChoices = computed(() => (jobs.value ?? []).map((j) => ({ value: j.id, text: j.brief.name })))
const wrong = ref('')
const start = once(async () => {
  if (!own.value) return
  wrong.value = ''
  try {
    const body = { ...own.value.state, name: name.value }
    const made = await take(api.POST('/api/v1/jobs/{id}/parts', { params: { path: { id: props.job.id } }, body }))
    refreshJobs()
    emit('made', made.id)
  } catch (e) {
    wrong.value = words(e)
  }
})
</script>

<template>
  <form class="own" @submit.prevent="start">
    <PickOne v-if="jobChoices.length > 1" v-model="from" label="A part of the job" :choices="jobChoices" />
    <p v-if="page && !page.parts.length" class="soft">That job has no folded part yet.</p>
    <template v-else-if="page">
      <PickOne v-model="part" label="The part" :choices="page.parts.map((p) => ({ value: p.id, text: p.name }))" />
      <div class="picture">
        <PartSketch v-if="own" :lines="own.picture.lines" :name="own.state.name" />
      </div>
      <p v-if="own" class="num">{{ own.picture.size }}</p>
      <TextField v-model="name" label="Its name" :maxlength="100" @enter="start" />
    </template>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="submit" class="press main" :disabled="!own">Start the part</button>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  gap: 14px;
  max-width: 520px;
  justify-items: start;
}
.own > :not(.press, p) {
  width: 100%;
}
.picture {
  height: 220px;
}
</style>
