<script setup lang="ts">
// Everything the job makes in one table: how many, of what, how heavy.
import { ref } from 'vue'
import { words } from '@/api/client'
import { fetchFile } from '@/api/file'
import WholeRow from './WholeRow.vue'

const props = defineProps<{ job: string }>()
const wrong = ref('')
const said = ref('')
async function get(kind: 'csv' | 'xlsx') {
  wrong.value = said.value = ''
  try {
    said.value = `${await fetchFile(`/api/v1/jobs/${props.job}/parts-list/${kind}`)} is in your downloads.`
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <WholeRow name="Parts list" says="every part and frame: how many, material, blank, mass, centre of gravity">
    <button type="button" class="press" data-list="csv" @click="get('csv')">
      <span class="hidden-label">Parts list as </span>CSV
    </button>
    <button type="button" class="press" data-list="xlsx" @click="get('xlsx')">
      <span class="hidden-label">Parts list as </span>XLSX
    </button>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p role="status" class="small">{{ said }}</p>
  </WholeRow>
</template>
