<script setup lang="ts">
// Files and papers of a frame.
import { CornerDownRight, FileText, Ruler, Scissors, Table, Tag, Box } from '@lucide/vue'
import { computed, ref } from 'vue'
import { words } from '@/api/client'
import { fetchFile } from '@/api/file'
import { paperOf } from '@/jobs/paper'
import type { OpenFrame } from './useFrame'

const props = defineProps<{ open: OpenFrame }>()
const wrong = ref('')
const files = [
  { kind: 'saw', icon: Scissors, name: 'Saw sheet', says: 'PDF with a drawing of each piece' },
  { kind: 'bends', icon: CornerDownRight, name: 'Bending sheets', says: 'PDF, a page for each bent piece' },
  { kind: 'wraps', icon: Ruler, name: 'End templates', says: 'PDF, full size, to wrap round' },
  { kind: 'plan', icon: FileText, name: 'Plan and elevations', says: 'PDF with dimensions' },
  { kind: 'labels', icon: Tag, name: 'Labels', says: 'PDF, one for each piece' },
  { kind: 'csv', icon: Table, name: 'Cut list', says: 'CSV' },
  { kind: 'xlsx', icon: Table, name: 'Cut list', says: 'XLSX' },
  { kind: 'plates', icon: FileText, name: 'Plates', says: 'DXF, 1:1, side by side' },
  { kind: 'jig', icon: FileText, name: 'Jig from above', says: 'DXF, 1:1' },
  { kind: 'jig-side', icon: FileText, name: 'Jig from the side', says: 'DXF, 1:1' },
  { kind: 'jig-behind', icon: FileText, name: 'Jig from behind', says: 'DXF, 1:1' },
  { kind: 'stl', icon: Box, name: 'Body', says: 'STL in millimetres' },
]
const bent = computed(() => props.open.worked.value?.cut.rows.some((r) => r.bend))
const plates = computed(() => props.open.worked.value?.cut.plates.length)
const shown = computed(() => files.filter((f) => (f.kind !== 'bends' || bent.value) && (f.kind !== 'plates' || plates.value)))
const paper = paperOf(props.open.style.value.unit !== 'mm')
async function get(kind: string) {
  wrong.value = ''
  try {
    await props.open.send()
    await fetchFile(`/api/v1/frames/${props.open.view.value!.id}/files/${kind}?paper=${paper}&piece=first`)
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <section>
    <h2>Files and paper</h2>
    <div class="row">
      <button v-for="f in shown" :key="f.kind" type="button" class="press file" @click="get(f.kind)">
        <component :is="f.icon" :size="20" aria-hidden="true" />
        <span
          >{{ f.name }}<small>{{ f.says }}</small></span
        >
      </button>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.file {
  min-height: 56px;
  text-align: left;
}
small {
  display: block;
  font-weight: 400;
  color: var(--ink-soft);
}
</style>
