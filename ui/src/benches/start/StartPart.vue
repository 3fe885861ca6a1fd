<script setup lang="ts">
// A new part: from a picture of what it will be, a part of one's own, or a drawing from
// elsewhere.
import { Undo2 } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api, type JobPage, take, words } from '@/api/client'
import { places } from '@/documents/reach'
import { refreshJobs, useJob } from '@/api/queries'
import { useRail } from '@/device'
import { provideInches } from '@/kit/amounts'
import FromDrawing from './FromDrawing.vue'
import FromNumbers from './FromNumbers.vue'
import OwnPart from './OwnPart.vue'
import StartGallery from './StartGallery.vue'

const props = defineProps<{ job: string }>()
const router = useRouter()
const { data: page, error } = useJob(() => props.job)
provideInches(() => (page.value?.job.brief.unit ?? 'mm') !== 'mm')
const from = ref('cleat')
const rail = useRail()
watch(
  page,
  (p) => {
    if (!p) return
    rail.job = p.job.id
    rail.jobName = p.job.brief.name
  },
  { immediate: true },
)
const names = computed(() => (page.value?.parts ?? []).map((p) => p.name))
const wrong = ref('')
async function bringBack(x: JobPage['away'][number]) {
  wrong.value = ''
  const body = { params: { path: { id: x.id } }, body: { archived: false } }
  try {
    const kinds = { sheet: places.part, frame: places.frame, facets: places.facets }
    await take(api.POST(`${kinds[x.kind as 'sheet']}/archive`, body))
    refreshJobs()
    const under = { sheet: '', frame: 'frame/', facets: 'body/' }[x.kind as 'sheet']
    await router.push(`/jobs/${props.job}/shape/${under}${x.id}`)
  } catch (e) {
    wrong.value = words(e)
  }
}
const open = (id: string) => router.push(`/jobs/${props.job}/shape/${id}`)
</script>

<template>
  <p v-if="error" class="page wrong" role="alert">{{ words(error) }}</p>
  <div v-else-if="page" class="page wide">
    <header>
      <h1>A new part</h1>
      <p class="soft">
        <RouterLink to="/jobs">{{ page.job.brief.name }}</RouterLink>. Whatever it starts from, it is an ordinary part from then
        on. Of tube, angle or bar: <RouterLink :to="`/jobs/${job}/shape/frame`">start a frame</RouterLink>. Of flat panels that
        one sheet does not fold into: <RouterLink :to="`/jobs/${job}/shape/body`">start a body</RouterLink>.
      </p>
      <p v-if="page.away.length" class="away small">
        Put away:
        <button v-for="x in page.away.slice(0, 8)" :key="x.id" type="button" class="press tight" @click="bringBack(x)">
          <Undo2 :size="16" aria-hidden="true" />{{ x.name }}<span class="hidden-label">, bring it back</span>
        </button>
      </p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    </header>
    <div class="two">
      <StartGallery v-model="from" />
      <FromDrawing v-if="from === 'drawing'" :job="page.job" :parts="page.parts" @made="open" />
      <OwnPart v-else-if="from === 'own'" :job="page.job" :names="names" @made="open" />
      <FromNumbers v-else :key="from" :job="page.job" :starter="from" :names="names" @made="open" />
    </div>
  </div>
  <p v-else class="page soft">Fetching the job.</p>
</template>

<style scoped>
.away {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.wide {
  max-width: none;
}
.two {
  display: grid;
  grid-template-columns: minmax(250px, 400px) minmax(0, 760px);
  gap: 28px;
  align-items: start;
}
@media (max-width: 900px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
  .two > :first-child {
    max-height: 46vh;
    overflow-y: auto;
  }
}
</style>
