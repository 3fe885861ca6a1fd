<script setup lang="ts">
import { Box, Drill, FileText, FoldVertical, Ruler, Scissors, Sheet } from '@lucide/vue'
import { computed, ref } from 'vue'
import { type JobView, type PartHead, words } from '@/api/client'
import { fetchFile } from '@/api/file'
import type { OpenSurvey } from '@/jobs/useSurvey'
import FirstPiece from './FirstPiece.vue'
import ReleaseCard from './ReleaseCard.vue'

const props = defineProps<{
  part: PartHead
  job: JobView
  units: 'mm' | 'in'
  paper: 'a4' | 'letter'
  board: number
  open: OpenSurvey
}>()
const wrong = ref('')
const said = ref('')
const hands = computed(() => (props.part.pair ? (['left', 'right'] as const) : ([''] as const)))
const first = computed(() => props.open.worked.value?.checks.find((c) => c.part === props.part.id)?.first.held)
const kinds = computed(() => [
  { kind: 'dxf', name: 'DXF', about: 'cut, bend up, bend down, mark', icon: Scissors },
  { kind: 'pdf', name: 'Paper template', about: `full size on ${props.paper === 'a4' ? 'A4' : 'Letter'}`, icon: Ruler },
  { kind: 'bends', name: 'Bend sheet', about: 'order, stops, angles', icon: FoldVertical },
  { kind: 'drills', name: 'Drill sheet', about: 'running dimensions', icon: Drill },
  { kind: 'svg', name: 'SVG', about: 'true millimetres', icon: Sheet },
  { kind: 'csv', name: 'Cut ticket', about: 'CSV', icon: FileText },
  { kind: 'r12', name: 'DXF, old form', about: 'R12, for old machines', icon: Scissors },
  { kind: 'stl', name: 'Body', about: 'STL in millimetres', icon: Box },
  { kind: 'mockup', name: 'Mock-up', about: 'paper, for the board above', icon: Ruler },
  { kind: 'mockup-dxf', name: 'Mock-up', about: 'DXF, for the board above', icon: Scissors },
])

/** Fetches first, so that a refusal is said here and not on a blank page. */
async function get(kind: string, hand: string) {
  wrong.value = said.value = ''
  const q = new URLSearchParams({
    paper: props.paper,
    units: props.units,
    board: String(props.board),
    ...(hand ? { hand } : {}),
    piece: 'first',
  })
  try {
    if (props.open.state.value !== 'saved') await props.open.send() // what was measured again counts
    said.value = `${await fetchFile(`/api/v1/parts/${props.part.id}/files/${kind}?${q}`)} is in your downloads.`
  } catch (e) {
    wrong.value = words(e)
  }
}
</script>

<template>
  <section class="part">
    <div class="head">
      <h2>
        <RouterLink :to="`/jobs/${job.id}/shape/${part.id}`">{{ part.name }}</RouterLink>
        <span v-if="part.stops" class="stops">{{ part.stops }} stop</span>
      </h2>
      <p class="soft">
        {{ part.quantity * job.brief.quantity }}{{ part.pair ? ' of each hand' : '' }} · {{ part.material }} · blank
        <span class="num">{{ part.blank }}</span> · {{ part.mass }} · r{{ part.revision }}
      </p>
    </div>
    <ReleaseCard :open="open" :part="part.id" />
    <FirstPiece :open="open" :part="part.id" />
    <p v-if="first" class="label">Files of the first piece</p>
    <div v-for="h in hands" :key="h" class="files">
      <strong v-if="h" class="hand">{{ h }} hand</strong>
      <button
        v-for="k in kinds"
        :key="k.kind"
        type="button"
        class="press file"
        :data-file="`${k.kind}${h ? '-' + h : ''}`"
        @click="get(k.kind, h)"
      >
        <component :is="k.icon" :size="20" aria-hidden="true" />
        <span
          >{{ k.name }}<span class="hidden-label"> of {{ part.name }}{{ h ? `, ${h} hand` : '' }}. </span
          ><span class="small soft about">{{ k.about }}</span></span
        >
      </button>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <p role="status" class="small">{{ said }}</p>
  </section>
</template>

<style scoped>
.part {
  border-top: 2px solid var(--ink);
  padding-top: 10px;
  display: grid;
  gap: 10px;
}
h2 a {
  color: var(--ink);
}
.stops {
  margin-left: 8px;
  padding: 0 8px;
  background: var(--stop);
  color: var(--paper);
  font-size: 0.9rem;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.hand {
  width: 92px;
}
.file {
  min-height: 58px;
  justify-content: flex-start;
  text-align: left;
}
.about {
  display: block;
  font-weight: 400;
}
</style>
