<script setup lang="ts">
// What would help, or what could be saved: each change was built and checked.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, type Held, type Suggestion, take, words } from '@/api/client'
import { put } from '@/api/pointer'
import { refreshJobs } from '@/api/queries'
import type { OpenBrief } from '@/jobs/useBrief'
import { alter } from '@/documents/alter'
import { useAmounts } from '@/kit/amounts'
import VerdictLine from '@/kit/VerdictLine.vue'

const props = defineProps<{ open: OpenBrief; at: number; held: Held; job: string }>()
const wanted = computed(() => {
  const u = props.held.result.hardest
  return u != null && (u >= 0.85 || u < 0.25)
})
const spare = computed(() => (props.held.result.hardest ?? 1) < 0.25)
const { data: list } = useQuery({
  queryKey: ['holding', 'suggestions', () => props.held.mount.id, () => props.held.result.hardest],
  queryFn: () =>
    take(
      api.GET('/api/v1/jobs/{id}/suggestions', { params: { path: { id: props.job }, query: { mount: props.held.mount.id } } }),
    ),
  enabled: wanted,
})
const trouble = ref('')
const taking = ref(false)

/** Takes a change: the part becomes a new revision, the mount is saved. */
async function takeIt(s: Suggestion) {
  taking.value = true
  trouble.value = ''
  try {
    if (s.edits.length) {
      await alter('part', props.held.mount.part, (part) => ({
        ...part,
        recipe: s.edits.reduce((recipe, e) => put(recipe, e.path, e.value ?? undefined), part.recipe),
      }))
    }
    props.open.set(`/mounts/${props.at}/hold`, s.mount)
    await props.open.send()
    refreshJobs()
  } catch (e) {
    trouble.value = words(e)
  } finally {
    taking.value = false
  }
}
const { mass } = useAmounts()
const kg = (v: number) => `${v > 0 ? '+' : v < 0 ? '−' : '±'}${mass(Math.abs(v), 2)}`
</script>

<template>
  <div v-if="wanted" class="stack" data-suggestions>
    <h2>{{ spare ? 'Over-strong: what could be saved' : 'What would help' }}</h2>
    <p v-if="spare" class="soft">It works at under a quarter of what it can. Worked out anew with each change:</p>
    <p v-if="list && !list.length" class="soft">
      No single change of bolts, spacing or plate {{ spare ? 'saves and still holds' : 'helps' }}.
    </p>
    <div v-for="s in list ?? []" :key="s.label" class="one">
      <p class="what">{{ s.label }}</p>
      <VerdictLine :utilisation="s.utilisation" :verdict="s.verdict" :label="s.label" />
      <p class="small">{{ kg(s.massChange) }} each · then first: {{ s.first.toLowerCase() }}</p>
      <button type="button" class="press tight" :disabled="taking" @click="takeIt(s)">Take it</button>
    </div>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.one {
  display: grid;
  grid-template-columns: minmax(180px, 1fr) minmax(240px, 1.2fr) minmax(180px, 1fr) auto;
  gap: 12px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding-bottom: 8px;
}
.what {
  font-weight: 560;
}
@media (max-width: 900px) {
  .one {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
