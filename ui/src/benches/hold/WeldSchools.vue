<script setup lang="ts">
// The usual ways to weld a joint beside each other, each worked out through the whole job, when asked.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, take, type WeldedTold, words } from '@/api/client'
import type { OpenBrief } from '@/jobs/useBrief'
import TableFrame from '@/kit/TableFrame.vue'
import VerdictLine from '@/kit/VerdictLine.vue'
import Shown from '@/quick/Shown.vue'

const props = defineProps<{ open: OpenBrief; at: number; told: WeldedTold; job: string }>()
const revision = computed(() => props.open.page.value?.job.revision)
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
  queryKey: ['holding', 'weld-schools', () => props.told.id, revision],
  queryFn: () =>
    take(api.GET('/api/v1/jobs/{id}/weld-schools', { params: { path: { id: props.job }, query: { joint: props.told.id } } })),
  enabled: asked,
  placeholderData: (before) => before,
})
const heads = { long: 'How far along', left: 'How it is left', where: 'Where it is welded' }
const groups = computed(() =>
  (['long', 'left', 'where'] as const)
    .map((g) => ({ key: g, head: heads[g], rows: (list.value ?? []).filter((s) => s.group === g) }))
    .filter((g) => g.rows.length),
)
/** What one way brings that the others of its group do not. */
const brings = (rows: { brings: string[] }[], own: string[]) => own.filter((b) => rows.some((r) => !r.brings.includes(b)))
/** What one uses, where that is what decides: a seam that opens at its root is over whatever it uses. */
const used = (s: { verdict: string; use: number | null }) =>
  s.verdict === 'cannot say' || (s.verdict === 'over' && (s.use ?? 0) < 1) ? null : s.use
</script>

<template>
  <section class="stack" data-schools>
    <button v-if="!asked" type="button" class="press tight own" @click="asked = true">Ways to weld it, side by side</button>
    <template v-else>
      <h2>Ways to weld it</h2>
      <p v-if="isFetching && !list" class="soft">Each is worked out through the whole job.</p>
      <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
      <TableFrame v-if="groups.length" name="Ways to weld it">
        <tbody v-for="g in groups" :key="g.key">
          <tr class="head">
            <th>{{ g.head }}</th>
            <th class="bar">does it hold</th>
            <th class="n">to lay</th>
            <th class="n">minutes</th>
            <th class="n">bows at most</th>
            <th class="n">in the end</th>
            <th class="n">turns</th>
          </tr>
          <template v-for="s in g.rows" :key="s.label">
            <tr :data-school="s.label" :class="{ now: s.now }">
              <td>
                <b v-if="s.now">{{ s.label }}, as now</b><template v-else>{{ s.label }}</template>
              </td>
              <td><VerdictLine :utilisation="used(s)" :verdict="s.verdict" :label="s.label" /></td>
              <td class="n num"><Shown :value="s.laid" kind="length" :lengths="open.style.value" /></td>
              <td class="n num">{{ Math.ceil(s.minutes) }}</td>
              <td class="n num">
                <Shown v-if="s.peak != null" :value="s.peak" kind="length" :lengths="open.style.value" /><template v-else
                  >–</template
                >
              </td>
              <td class="n num">
                <Shown v-if="s.last != null" :value="s.last" kind="length" :lengths="open.style.value" /><template v-else
                  >–</template
                >
              </td>
              <td class="n num">{{ s.peak != null ? s.turns : '–' }}</td>
            </tr>
            <tr class="more" :class="{ now: s.now }">
              <td colspan="7" class="small">
                <button
                  v-if="!s.now"
                  type="button"
                  class="press tight take"
                  :aria-label="`Take ${s.label}`"
                  @click="open.set(`/welded/${at}`, s.joint)"
                >
                  Take it
                </button>
                <span v-if="s.metal" class="soft">{{ s.metal }}. </span>
                <span v-if="s.why">{{ s.why }} </span>
                <span v-if="s.verdict === 'cannot say' && s.silent">{{ s.silent }} </span>
                <span v-if="s.worse">{{ s.worse }} </span>
                <span v-for="b in brings(g.rows, s.brings)" :key="b">{{ b }} </span>
              </td>
            </tr>
          </template>
        </tbody>
      </TableFrame>
    </template>
  </section>
</template>

<style scoped>
.own {
  justify-self: start;
}
.n {
  text-align: right;
}
.bar {
  min-width: 180px;
}
.now td {
  background: var(--sheet);
}
.more td {
  border-top: 0;
  padding-top: 0;
}
tr:has(+ .more) td {
  border-bottom: 0;
}
.head th {
  padding-top: 18px;
}
.more td {
  white-space: normal;
}
.take {
  float: right;
  margin-left: 12px;
  white-space: nowrap;
}
</style>
