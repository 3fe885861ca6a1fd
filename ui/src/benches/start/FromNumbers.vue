<script setup lang="ts">
// A whole part from a picture of what it will be and a few numbers in shop words.
import FieldGrid from '@/kit/FieldGrid.vue'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api, type JobView, type Recipe, Refused, take, words } from '@/api/client'
import { refreshJobs, usePartStarters } from '@/api/queries'
import { blankPart } from '@/jobs/starter'
import { once } from '@/kit/once'
import { readWhole } from '@/kit/readWhole'
import PickOne from '@/kit/PickOne.vue'
import TextField from '@/kit/TextField.vue'
import ValueField from '@/kit/ValueField.vue'
import PartSketch from './PartSketch.vue'
import SheetFields from './SheetFields.vue'
import { freeName } from '@/kit/freeName'

const props = defineProps<{ job: JobView; starter: string; names: string[] }>()
const emit = defineEmits<{ made: [id: string] }>()
const { data } = usePartStarters()
const wrong = ref('')
const faults = ref<Record<string, string>>({})
const recipe = ref<Recipe>(blankPart(props.job.brief.unit))
const values = ref<Record<string, number>>({})
const style = computed(() => ({ unit: props.job.brief.unit, grain: props.job.brief.grain }))
const starter = computed(() => data.value?.starters.find((s) => s.key === props.starter))
type Ask = NonNullable<typeof starter.value>['asks'][number]
const usual = (a: Ask) => (props.job.brief.unit === 'mm' ? a.usual : a.inch)
const of = (a: Ask) => values.value[`${props.starter}.${a.key}`] ?? usual(a)
const put = (a: Ask, v: number) => (values.value = { ...values.value, [`${props.starter}.${a.key}`]: v })
const kinds = { length: 'length', angle: 'angle', count: 'count', choice: 'count' } as const
const asked = computed(() => Object.fromEntries((starter.value?.asks ?? []).map((a) => [a.key, of(a)])))

const proposed = computed(() => freeName(starter.value?.name ?? 'Plate', props.names))
const named = ref<string>() // by hand
const name = computed({ get: () => named.value ?? proposed.value, set: (n) => (named.value = n) })

// What it will be, as the numbers are typed.
const picture = shallowRef<{ lines: number[][][]; size: string; many: number }>()
let turn = 0
watch(
  [() => props.starter, asked, recipe],
  async () => {
    const mine = ++turn
    const body = { starter: props.starter || undefined, values: asked.value, recipe: recipe.value, ...style.value }
    try {
      const got = await take(api.POST('/api/v1/part-sketch', { body }))
      if (mine !== turn) return
      picture.value = got
      faults.value = {}
      wrong.value = ''
    } catch (e) {
      if (mine === turn) told(e)
    }
  },
  { immediate: true },
)
function told(e: unknown) {
  picture.value = undefined
  wrong.value = words(e)
  faults.value = e instanceof Refused ? Object.fromEntries((e.problem?.errors ?? []).map((f) => [f.path, f.message])) : {}
}

const form = useTemplateRef<HTMLFormElement>('form')
const start = once(async () => {
  wrong.value = ''
  faults.value = {}
  await nextTick()
  if (!(await readWhole(form.value))) return
  const path = { id: props.job.id }
  try {
    if (!starter.value) {
      const body = { name: name.value || 'Plate', quantity: 1, recipe: recipe.value }
      const made = await take(api.POST('/api/v1/jobs/{id}/parts', { params: { path }, body }))
      refreshJobs()
      return emit('made', made.id)
    }
    const body = { name: name.value || undefined, starter: props.starter, values: asked.value, recipe: recipe.value }
    const made = await take(api.POST('/api/v1/jobs/{id}/started-parts', { params: { path }, body }))
    refreshJobs()
    emit('made', made.parts[0]!.id)
  } catch (e) {
    told(e)
  }
})
</script>

<template>
  <form v-if="data" ref="form" class="start" @submit.prevent="start">
    <header>
      <h2>{{ starter?.name ?? 'Plain plate' }}</h2>
      <p class="soft">
        {{ starter?.says ?? 'A flat plate: tap an edge to bend a flange, a face to set holes.' }}
      </p>
    </header>
    <div class="beside">
      <figure>
        <div class="picture"><PartSketch v-if="picture" :lines="picture.lines" :name="`${name} as it will be`" /></div>
        <figcaption class="num">
          {{ picture?.size }}<span v-if="picture && picture.many > 1" class="soft">, the first of {{ picture.many }} parts</span>
        </figcaption>
      </figure>
      <div class="sizes">
        <template v-if="starter">
          <template v-for="a in starter.asks" :key="starter.key + a.key">
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
        </template>
        <FieldGrid v-else :min="130">
          <ValueField
            v-for="k in ['length', 'width'] as const"
            :key="k"
            :label="k === 'length' ? 'Length' : 'Width'"
            :model-value="recipe.base[k] ?? null"
            :lengths="style"
            :wrong="faults[`/recipe/base/${k}`]"
            @update:model-value="(v) => (recipe = { ...recipe, base: { ...recipe.base, [k]: v } })"
          />
        </FieldGrid>
      </div>
    </div>
    <SheetFields v-model="recipe" :lengths="style" :faults="faults" />
    <TextField v-model="name" label="Its name" :maxlength="100" @enter="start" />
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="submit" class="press main">Start the part</button>
  </form>
</template>

<style scoped>
.start {
  display: grid;
  gap: 16px;
  align-content: start;
}
.start > .press {
  justify-self: start;
}
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1.3fr) minmax(180px, 1fr);
  gap: 20px;
  align-items: start;
}
figure {
  margin: 0;
  background: var(--sheet);
  border: 1px solid var(--rule);
  padding: 12px;
}
.picture {
  height: 260px;
}
figcaption {
  text-align: center;
  min-height: 1.5em;
}
.sizes {
  display: grid;
  gap: 10px;
}
@media (max-width: 760px) {
  .beside {
    grid-template-columns: minmax(0, 1fr);
  }
  .picture {
    height: 180px;
  }
}
</style>
