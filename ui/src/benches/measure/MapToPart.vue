<script setup lang="ts">
// The holes of a map made in a part by one press: in a new plate around them, or in a panel
// of a part there is. They follow the map from then on.
import { computed, ref, watch } from 'vue'
import { RouterLink } from 'vue-router'
import { api, type HoleMap, type MapTold, take, words } from '@/api/client'
import { refreshJobs } from '@/api/queries'
import { blankPart } from '@/jobs/starter'
import type { OpenSurvey } from '@/jobs/useSurvey'
import { once } from '@/kit/once'
import PickOne from '@/kit/PickOne.vue'
import { usePartHoles } from './partHoles'

const props = defineProps<{ open: OpenSurvey; map: HoleMap; told?: MapTold; job: string }>()
const part = ref('')
const panel = ref('')
const behind = ref(false)
const wrong = ref('')
const made = ref<{ id: string; name: string }>()
const parts = computed(() => [
  { value: '', text: 'a new plate around them' },
  ...(props.open.page.value?.parts ?? []).map((p) => ({ value: p.id, text: p.name })),
])
const known = usePartHoles(() => [part.value])
const panels = computed(() => known.value[part.value]?.panels ?? [])
watch(panels, (list) => {
  if (!list.some((p) => p.value === panel.value)) panel.value = list[0]?.value ?? ''
})
const make = once(async () => {
  wrong.value = ''
  made.value = undefined
  try {
    await props.open.send()
    const unit = props.open.page.value!.job.brief.unit
    made.value = await take(
      api.POST('/api/v1/jobs/{id}/map-holes', {
        params: { path: { id: props.job } },
        body: {
          map: props.map.id,
          behind: behind.value || undefined,
          ...(part.value ? { part: part.value, panel: panel.value } : { recipe: blankPart(unit) }),
        },
      }),
    )
    refreshJobs()
  } catch (e) {
    wrong.value = words(e)
  }
  await props.open.refetch()
})
</script>

<template>
  <div v-if="told && !told.why && map.holes.length > 1" class="into">
    <h3>Make these holes in a part</h3>
    <div class="row">
      <PickOne v-model="part" label="In" :choices="parts" />
      <PickOne v-if="part && panels.length > 1" v-model="panel" label="Panel" :choices="panels" />
      <label class="tick"><input v-model="behind" type="checkbox" /> the part is drawn from behind</label>
      <button type="button" class="press" :disabled="!!part && !panel" @click="make">
        Make the {{ map.holes.length }} holes
      </button>
    </div>
    <p v-if="made" role="status">
      Made in <RouterLink :to="`/jobs/${job}/shape/${made.id}`">{{ made.name }}</RouterLink>. They follow this map from now on.
    </p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </div>
</template>

<style scoped>
.into {
  display: grid;
  gap: 4px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.row > * {
  min-width: 0;
}
p {
  margin: 0;
}
</style>
