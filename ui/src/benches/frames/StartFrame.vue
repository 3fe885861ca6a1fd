<script setup lang="ts">
// A frame from a few numbers in shop words, or an empty one.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobView, take, words } from '@/api/client'
import { refreshJobs, useSections } from '@/api/queries'
import { shopOf } from '@/api/words'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import MaterialPick from './MaterialPick.vue'
import SectionPick from './SectionPick.vue'
import { once } from '@/kit/once'
import { readWhole } from '@/kit/readWhole'

const props = defineProps<{ job: JobView }>()
const router = useRouter()
const { data: lists } = useSections()
const key = ref('outriggers')
const name = ref('')
const wrong = ref('')
const material = ref('steel-s235')
const stock = ref('')
const values = ref<Record<string, number>>({})
const style = computed(() => ({ unit: props.job.brief.unit, grain: props.job.brief.grain }))
const starter = computed(() => lists.value?.starters.find((s) => s.key === key.value))
const inch = computed(() => props.job.brief.unit !== 'mm')
watch(inch, () => ((stock.value = shopOf(inch.value).stock), (material.value = shopOf(inch.value).recipe.material)), {
  immediate: true,
})
const usual = (a: { usual: number; inch: number }) => (inch.value ? a.inch : a.usual)
const kinds = { length: 'length', count: 'count', mass: 'mass' } as const
const choices = computed(() => [
  ...(lists.value?.starters ?? []).map((s) => ({ value: s.key, text: s.name })),
  { value: '', text: 'Nothing: an empty frame' },
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
      api.POST('/api/v1/jobs/{id}/frames', {
        params: { path: { id: props.job.id } },
        body: {
          name: name.value || starter.value?.name || 'Frame',
          starter: key.value || undefined,
          stock: stock.value,
          material: material.value,
          values: asks,
        },
      }),
    )
    refreshJobs()
    await router.push(`/jobs/${props.job.id}/shape/frame/${made.id}`)
  } catch (e) {
    wrong.value = words(e)
  }
})
</script>

<template>
  <div class="page">
    <header>
      <h1>A frame of tube, angle or bar</h1>
      <p class="soft">It starts from a few numbers and is an ordinary frame from then on: points, and members between them.</p>
    </header>
    <form v-if="lists" ref="form" class="start" @submit.prevent="start">
      <PickOne v-model="key" label="What it is" :choices="choices" />
      <p v-if="starter" class="soft">{{ starter.says }}</p>
      <TextField v-model="name" label="Its name" @enter="start" />
      <FieldGrid :min="200">
        <SectionPick v-model="stock" label="Made of" :inches="job.brief.unit !== 'mm'" />
        <MaterialPick v-model="material" />
      </FieldGrid>
      <FieldGrid v-if="starter" :min="200">
        <ValueField
          v-for="a in starter.asks"
          :key="key + a.key"
          :label="a.name"
          :kind="kinds[a.kind]"
          :model-value="values[`${key}.${a.key}`] ?? usual(a)"
          :lengths="style"
          @update:model-value="(v) => (values[`${key}.${a.key}`] = v)"
        />
      </FieldGrid>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <button type="submit" class="press main">Start the frame</button>
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
