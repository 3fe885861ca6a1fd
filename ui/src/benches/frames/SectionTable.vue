<script setup lang="ts">
// Other sections tried in the frame, lightest first; one press takes one.
import { useAmounts } from '@/kit/amounts'
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, type Option, take, words } from '@/api/client'
import VerdictLine from '@/kit/VerdictLine.vue'
import type { OpenFrame } from './useFrame'
import TableFrame from '@/kit/TableFrame.vue'

const { mass, demand } = useAmounts()
const props = defineProps<{ open: OpenFrame; stock: string }>()
const emit = defineEmits<{ taken: [stock: string] }>()
const id = computed(() => props.open.view.value!.id)
const { data, error, isFetching } = useQuery({
  queryKey: ['compare', id, () => props.stock, () => props.open.view.value?.revision],
  queryFn: () =>
    take(api.POST('/api/v1/frames/{id}/sections', { params: { path: { id: id.value } }, body: { stock: props.stock } })),
})
const all = ref(false)
// Near the lightest that holds and what is in now; the rest on demand.
const shown = computed(() => {
  const list = data.value ?? []
  if (all.value) return list
  const best = list.findIndex((o) => o.lightest)
  return list.filter((o, i) => o.now || (best >= 0 ? Math.abs(i - best) < 4 : i >= list.length - 4))
})
function pick(o: Option) {
  const members = props.open.doc.value!.members ?? []
  props.open.set(
    '/members',
    members.map((m) => (m.stock === props.stock ? { ...m, stock: o.stock, section: o.section } : m)),
  )
  emit('taken', o.stock)
}
</script>

<template>
  <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
  <p v-else-if="!data" class="soft" role="status">{{ isFetching ? 'Trying sections.' : '' }}</p>
  <template v-else>
    <TableFrame name="Sections tried">
      <thead>
        <tr>
          <th>section</th>
          <th>frame</th>
          <th>hardest</th>
          <th>moves</th>
          <th v-if="data.some((o) => o.cost)">steel</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="o in shown" :key="o.stock" :class="{ best: o.lightest, now: o.now }">
          <td>
            {{ o.stock }}<span v-if="o.now" class="soft"> in now</span><b v-if="o.lightest"> lightest that holds</b
            ><span v-if="o.why" class="why">{{ o.why }}</span>
          </td>
          <td class="num">{{ mass(o.mass, 1) }}</td>
          <td><VerdictLine :utilisation="o.use" :verdict="o.verdict" :label="o.stock" /></td>
          <td class="num">{{ demand(o.moves, 'mm') }}</td>
          <td v-if="data.some((x) => x.cost)" class="num">{{ o.cost?.toFixed(0) }}</td>
          <td>
            <button v-if="!o.now" type="button" class="press tight" :class="{ main: o.lightest }" @click="pick(o)">
              Take<span class="hidden-label"> {{ o.stock }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </TableFrame>
    <p v-if="!data.some((o) => o.lightest)" class="small">None of this kind holds: brace it, shorten it, or carry less.</p>
    <button type="button" class="press tight" @click="all = !all">{{ all ? 'Only the near ones' : `All ${data.length}` }}</button>
  </template>
</template>

<style scoped>
.why {
  display: block;
  max-width: 34ch;
  font-size: 0.86rem;
  white-space: normal;
}
.best td {
  background: var(--ember-wash);
}
td :deep(.line) {
  grid-template-columns: 52px 70px;
}
td :deep(.bar) {
  display: none;
}
</style>
