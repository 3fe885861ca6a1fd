<script setup lang="ts">
// A body of flat panels from a few numbers in shop words, or an empty one.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import { shopOf } from '@/api/words'
import MaterialPick from '@/benches/frames/MaterialPick.vue'
import FieldGrid from '@/kit/FieldGrid.vue'
import { once } from '@/kit/once'
import PickOne from '@/kit/PickOne.vue'
import { readWhole } from '@/kit/readWhole'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'

const props = defineProps<{ job: JobView }>()
const router = useRouter()
const { data: list } = useQuery({
  queryKey: ['facet-starters'],
  queryFn: () => take(api.GET('/api/v1/facet-starters')),
  staleTime: Infinity,
})
const key = ref('hopper')
const name = ref('')
const wrong = ref('')
const material = ref('steel-s235')
const thickness = ref(2)
const values = ref<Record<string, number>>({})
const style = computed(() => ({ unit: props.job.brief.unit, grain: props.job.brief.grain }))
const starter = computed(() => list.value?.find((s) => s.key === key.value))
const inch = computed(() => props.job.brief.unit !== 'mm')
watch(
  inch,
  () => {
    material.value = shopOf(inch.value).recipe.material
    thickness.value = shopOf(inch.value).recipe.thickness
  },
  { immediate: true },
)
const usual = (a: { usual: number; inch: number }) => (inch.value ? a.inch : a.usual)
const choices = computed(() => [
  ...(list.value ?? []).map((s) => ({ value: s.key, text: s.name })),
  { value: '', text: 'Nothing: an empty body' },
])
const form = useTemplateRef<HTMLFormElement>('form')
const start = once(async () => {
  wrong.value = ''
  if (!(await readWhole(form.value))) return
  const asks = Object.fromEntries(
    (starter.value?.asks ?? []).map((a) => [a.key, values.value[`${key.value}.${a.key}`] ?? usual(a)]),
  )
  try {
    const made = await take(
      api.POST('/api/v1/jobs/{id}/facets', {
        params: { path: { id: props.job.id } },
        body: {
          name: name.value || starter.value?.name || 'Body',
          starter: key.value || undefined,
          material: material.value,
          thickness: thickness.value,
          values: asks,
        },
      }),
    )
    refreshJobs()
    await router.push(`/jobs/${props.job.id}/shape/body/${made.id}`)
  } catch (e) {
    wrong.value = words(e)
  }
})
</script>

<template>
  <div class="page">
    <header>
      <h1>A body of flat panels</h1>
      <p class="soft">
        Hoppers, guards, cases, ramps: what one sheet does not fold into. Points, panels between them, and edges that are welded
        or bent; every blank becomes a part that follows the body. A face that is drawn already, as DXF or SVG, is
        <RouterLink :to="`/jobs/${job.id}/shape/new`">read as a drawing</RouterLink> and begins a body there.
      </p>
    </header>
    <form v-if="list" ref="form" class="start" @submit.prevent="start">
      <PickOne v-model="key" label="What it is" :choices="choices" />
      <p v-if="starter" class="soft">{{ starter.says }}</p>
      <TextField v-model="name" label="Its name" :maxlength="80" @enter="start" />
      <FieldGrid :min="200">
        <MaterialPick v-model="material" />
        <ValueField label="Sheet, thick" :model-value="thickness" :lengths="style" @update:model-value="(v) => (thickness = v)" />
        <ValueField
          v-for="a in starter?.asks ?? []"
          :key="key + a.key"
          :label="a.name"
          :model-value="values[`${key}.${a.key}`] ?? usual(a)"
          :lengths="style"
          @update:model-value="(v) => (values[`${key}.${a.key}`] = v)"
        />
      </FieldGrid>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <button type="submit" class="press main">Start the body</button>
    </form>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  gap: 16px;
  max-width: 720px;
}
.start > .press {
  justify-self: start;
}
</style>
