<script setup lang="ts">
// What would help a welded joint, or how little of it would do: asked through the whole job when wanted.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, take, type WeldedTold, words } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import VerdictLine from '@/kit/VerdictLine.vue'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{ open: OpenBrief; at: number; told: WeldedTold; job: string }>()
const needs = computed(() => props.told.verdict !== 'holds')
const asked = ref(false)
watch(
  () => props.told.id,
  () => (asked.value = false),
)
const {
  data: list,
  error,
  isFetching,
} = useQuery({
  queryKey: ['holding', 'weld-ways', () => props.told.id, () => props.told.result?.hardest, () => props.told.verdict],
  queryFn: () =>
    take(api.GET('/api/v1/jobs/{id}/weld-ways', { params: { path: { id: props.job }, query: { joint: props.told.id } } })),
  enabled: asked,
})
</script>

<template>
  <section class="stack" data-ways>
    <button v-if="!asked" type="button" class="press tight own" @click="asked = true">
      {{ needs ? 'What would help?' : 'How little weld would do?' }}
    </button>
    <template v-else>
      <h2>{{ needs ? 'What would help' : 'How little weld would do' }}</h2>
      <p v-if="isFetching && !list" class="soft">Each is asked through the whole job.</p>
      <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
      <p v-if="list && !list.length" class="soft">
        No single change of sides, legs or stitches {{ needs ? 'helps' : 'saves and still holds' }}.
        {{ needs ? 'A second seam beside it, a gusset or a doubler is another part of the joint.' : '' }}
      </p>
      <div v-for="w in list ?? []" :key="w.label" class="one">
        <p class="what">{{ w.label }}</p>
        <VerdictLine :utilisation="w.use" :verdict="w.verdict" :label="w.label" />
        <p class="small"><Shown :value="w.laid" kind="length" :lengths="open.style.value" /> to lay</p>
        <button type="button" class="press tight" @click="open.set(`/welded/${at}`, w.joint)">Take it</button>
      </div>
    </template>
  </section>
</template>

<style scoped>
.own {
  justify-self: start;
}
.one {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(220px, 1.2fr) minmax(120px, 0.6fr) auto;
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
