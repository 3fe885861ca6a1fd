<script setup lang="ts">
// Sheets to take to the vehicle and lists of points, out and in.
import { ref } from 'vue'
import { api, take, words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { paperOf } from '@/jobs/paper'
import FilePick from '@/kit/FilePick.vue'
import type { OpenSurvey } from '@/jobs/useSurvey'

const props = defineProps<{ open: OpenSurvey; job: string }>()
const said = ref('')
const wrong = ref('')
const refused = ref<{ line: number; text: string; why: string }[]>([])
async function get(kind: string) {
  said.value = wrong.value = ''
  const paper = paperOf(props.open.style.value.unit !== 'mm')
  try {
    said.value = `${await fetchFile(`/api/v1/jobs/${props.job}/sheets/${kind}?paper=${paper}`)} is in your downloads.`
  } catch (e) {
    wrong.value = words(e)
  }
}
async function bring(file: File) {
  said.value = wrong.value = ''
  refused.value = []
  try {
    const got = await take(api.POST('/api/v1/points', { body: { csv: await file.text() } }))
    const names = new Set((props.open.survey.value?.points ?? []).map((p) => p.name))
    const fresh = got.points.filter((p) => !names.has(p.name))
    refused.value = [
      ...got.refused,
      ...got.points
        .filter((p) => names.has(p.name))
        .map((p) => ({ line: 0, text: p.name, why: 'a point of this name is in the survey: rename one of them' })),
    ]
    if (fresh.length) props.open.set('/points', [...(props.open.survey.value?.points ?? []), ...fresh])
    said.value = `${fresh.length} points taken from ${file.name}.`
  } catch (err) {
    wrong.value = words(err)
  }
}
</script>

<template>
  <div class="stack">
    <div class="row">
      <button type="button" class="press" @click="get('blank')">Survey sheet to fill in</button>
      <button type="button" class="press" @click="get('results')">Survey with its results</button>
      <button type="button" class="press" @click="get('points')">Points as CSV</button>
      <button v-if="open.survey.value?.maps?.length" type="button" class="press" @click="get('holes')">Hole maps as CSV</button>
      <FilePick label="Bring points from CSV" accept=".csv,text/csv" @pick="bring" />
    </div>
    <p role="status" class="small">{{ said }}</p>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <ul v-if="refused.length" class="small" aria-label="Lines that were not taken">
      <li v-for="r in refused" :key="r.line + r.text">
        <template v-if="r.line">Line {{ r.line }}: </template>{{ r.why }}. <span class="soft">{{ r.text }}</span>
      </li>
    </ul>
  </div>
</template>
