<script setup lang="ts">
// A whole part from a few numbers in shop words, or a plain plate.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed, ref } from 'vue'
import { api, type JobView, type Recipe, Refused, take, words } from '@/api/client'
import { refreshJobs, usePartStarters } from '@/api/queries'
import { blankPart } from '@/jobs/starter'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import SheetFields from './SheetFields.vue'
import { once } from '@/kit/once'

const props = defineProps<{ job: JobView }>()
const emit = defineEmits<{ made: [id: string] }>()
const { data } = usePartStarters()
const key = ref('')
const name = ref('')
const wrong = ref('')
const faults = ref<Record<string, string>>({})
const recipe = ref<Recipe>(blankPart(props.job.brief.unit))
const values = ref<Record<string, number>>({})
const style = computed(() => ({ unit: props.job.brief.unit, grain: props.job.brief.grain }))
const starter = computed(() => data.value?.starters.find((s) => s.key === key.value))
const choices = computed(() => [
  { value: '', text: 'Plain plate' },
  ...(data.value?.starters ?? []).map((s) => ({ value: s.key, text: s.name })),
])
type Ask = NonNullable<typeof starter.value>['asks'][number]
const usual = (a: Ask) => (props.job.brief.unit === 'mm' ? a.usual : a.inch)
const of = (a: Ask) => values.value[`${key.value}.${a.key}`] ?? usual(a)
const put = (a: Ask, v: number) => (values.value = { ...values.value, [`${key.value}.${a.key}`]: v })
const kinds = { length: 'length', angle: 'angle', count: 'count', choice: 'count' } as const

const start = once(async () => {
  wrong.value = ''
  faults.value = {}
  const path = { id: props.job.id }
  try {
    if (!starter.value) {
      const body = { name: name.value || 'Part', quantity: 1, recipe: recipe.value }
      const made = await take(api.POST('/api/v1/jobs/{id}/parts', { params: { path }, body }))
      refreshJobs()
      return emit('made', made.id)
    }
    const body = {
      name: name.value || undefined,
      starter: key.value,
      values: Object.fromEntries(starter.value.asks.map((a) => [a.key, of(a)])),
      recipe: recipe.value,
    }
    const made = await take(api.POST('/api/v1/jobs/{id}/started-parts', { params: { path }, body }))
    refreshJobs()
    emit('made', made.parts[0]!.id)
  } catch (e) {
    wrong.value = words(e)
    if (e instanceof Refused) faults.value = Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message]))
  }
})
</script>

<template>
  <form v-if="data" class="start" @submit.prevent="start">
    <PickOne v-model="key" label="What it is" :choices="choices" />
    <p class="soft">
      {{ starter?.says ?? 'A flat plate: tap an edge to bend a flange, a face to set holes.' }}
    </p>
    <TextField v-model="name" label="Its name" :maxlength="100" @enter="start" />
    <SheetFields v-model="recipe" :lengths="style" />
    <FieldGrid v-if="starter" :min="200">
      <template v-for="a in starter.asks" :key="key + a.key">
        <PickOne
          v-if="a.kind === 'choice'"
          :label="a.name"
          :choices="(a.choices ?? []).map((c) => ({ value: String(c.value), text: c.text }))"
          :model-value="String(of(a))"
          @update:model-value="(v) => put(a, Number(v))"
        />
        <ValueField
          v-else
          :label="a.name"
          :kind="kinds[a.kind]"
          :model-value="of(a)"
          :lengths="style"
          :wrong="faults[`/values/${a.key}`]"
          @update:model-value="(v) => put(a, v)"
        />
      </template>
    </FieldGrid>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="submit" class="press main">Start the part</button>
  </form>
</template>

<style scoped>
.start {
  display: grid;
  gap: 16px;
  max-width: 760px;
}
.start > .press {
  justify-self: start;
}
</style>
