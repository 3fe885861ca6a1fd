<script setup lang="ts">
// A part of one's own as the start of another: the same recipe, a part of this job.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs, useJobs, useShopSaid } from '@/api/queries'
import { forItself } from './forItself'
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
  queryKey: ['parts-of', from], // not the job's own: the shop stands among them
  queryFn: ({ queryKey }) => take(api.GET('/api/v1/jobs/{id}', { params: { path: { id: queryKey[1] as string } } })),
  enabled: () => from.value !== 'shop',
})
const part = ref('')
/** What the shop makes again and again is chosen from as the parts of a job are. */
const { data: shop } = useShopSaid()
const ofShop = computed(() => shop.value?.state.starters ?? [])
const parts = computed(() => (from.value === 'shop' ? ofShop.value : (page.value?.parts ?? [])))
watch(parts, (p) => (part.value = p[0]?.id ?? ''), { immediate: true })
const name = ref('')
watch(part, () => (name.value = freeName(parts.value.find((p) => p.id === part.value)?.name ?? 'Part', props.names)), {
  immediate: true,
})
const { data: own } = useQuery({
  queryKey: ['own-part', part],
  enabled: () => part.value !== '',
  queryFn: async () => {
    const kept = ofShop.value.find((s) => s.id === part.value)
    const state = kept
      ? { name: kept.name, quantity: 1, recipe: kept.recipe }
      : (await take(api.GET('/api/v1/parts/{id}', { params: { path: { id: part.value } } }))).state
    const recipe = forItself(state.recipe)
    const { unit, grain } = props.job.brief
    const picture = await take(api.POST('/api/v1/part-sketch', { body: { recipe, unit, grain } }))
    return { state: { ...state, recipe }, picture }
  },
})
const jobChoices = computed(() => [
  ...(ofShop.value.length ? [{ value: 'shop', text: 'starters of the Shop' }] : []),
  ...(jobs.value ?? []).map((j) => ({ value: j.id, text: j.brief.name })),
])
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
    <p v-if="(page || from === 'shop') && !parts.length" class="soft">That job has no folded part yet.</p>
    <template v-else-if="parts.length">
      <PickOne v-model="part" label="The part" :choices="parts.map((p) => ({ value: p.id, text: p.name }))" />
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
