<script setup lang="ts">
// Weld maps of the job: of its welded joints, frames, bodies, parts with welded corners.
import { computed, ref } from 'vue'
import { words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { useHolding } from '@/api/queries'
import PickOne from '@/kit/PickOne.vue'
import WholeRow from './WholeRow.vue'

const props = defineProps<{ job: string; paper: string }>()
const { data: view } = useHolding(() => props.job)
const things = computed(() => [
  ...(view.value?.holding.welded ?? []).map((w) => ({ value: w.id, text: w.name || 'Welded joint' })),
  ...(view.value?.weldings ?? []).map((w) => ({ value: w.id, text: w.name })),
])
const chosen = ref('')
const of = computed(() => things.value.find((t) => t.value === chosen.value) ?? things.value[0])
const wrong = ref('')
const said = ref('')
async function get() {
  wrong.value = said.value = ''
  try {
    said.value = `${await fetchFile(`/api/v1/jobs/${props.job}/weld-map?of=${encodeURIComponent(of.value!.value)}&paper=${props.paper}`)} is in your downloads.`
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <WholeRow v-if="of" name="Weld maps" says="runs and seams by number, tacks, boxes for tacked, welded, looked at">
    <PickOne label="Of" hide-label :choices="things" :model-value="of.value" @update:model-value="(v) => (chosen = v)" />
    <button type="button" class="press" data-weld-map @click="get"><span class="hidden-label">Weld map as </span>PDF</button>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p role="status" class="small">{{ said }}</p>
  </WholeRow>
</template>
