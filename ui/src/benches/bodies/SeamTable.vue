<script setup lang="ts">
// Every edge with its length and angle, and how it is made: welded one way or another, or bent.
import { computed, ref } from 'vue'
import { wordsOf } from '@/api/words'
import Frac from '@/kit/Frac.vue'
import PickOne from '@/kit/PickOne.vue'
import TableFrame from '@/kit/TableFrame.vue'
import ValueField from '@/kit/ValueField.vue'
import type { FacetEdge, OpenBody } from './useBody'

const props = defineProps<{ open: OpenBody }>()
const emit = defineEmits<{ look: [edge: string[] | undefined] }>()
const edges = computed(() => props.open.worked.value?.edges ?? [])
const joined = computed(() => edges.value.filter((e) => !e.free))
const free = computed(() => edges.value.filter((e) => e.free))
const kinds = computed(() => wordsOf('FacetSeam', 'kind'))
const seam = (e: FacetEdge) => props.open.doc.value?.seams?.[props.open.seamAt(e.a, e.b)]
const all = ref(false)
const shown = computed(() => (all.value ? joined.value : joined.value.slice(0, 24)))
/** What a row shows: rows that show the same are not looked at again while a point is moved. */
const memo = (e: FacetEdge) => {
  const k = props.open.seamAt(e.a, e.b)
  const own = [e.number, e.kind, e.name, e.panels, e.hollow, e.long, e.opens, JSON.stringify(seam(e))]
  return [
    ...own,
    props.open.fault(`/seams/${k}/gap`),
    props.open.fault(`/seams/${k}/tabs`),
    props.open.fault(`/seams/${k}/blend`),
    props.open.style.value.unit,
  ]
}
const ends = (e: FacetEdge) => {
  const list = props.open.doc.value?.panels ?? []
  return list
    .filter((p) => p.points.includes(e.a) && p.points.includes(e.b))
    .map((p) => ({ value: p.id, text: props.open.panel(p.id) }))
}
</script>

<template>
  <p v-if="!joined.length" class="soft">No two panels meet yet.</p>
  <TableFrame v-else name="Edges">
    <thead>
      <tr>
        <th>no.</th>
        <th>edge</th>
        <th>long</th>
        <th>between</th>
        <th>made</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="e in shown"
        :key="e.a + e.b"
        v-memo="memo(e)"
        :data-edge="e.number"
        :data-kind="e.kind"
        @mouseenter="emit('look', [e.a, e.b])"
        @mouseleave="emit('look', undefined)"
        @focusin="emit('look', [e.a, e.b])"
      >
        <td class="num">{{ e.number }}</td>
        <td>
          {{ e.name }}<br /><span class="small soft">{{ e.panels }}{{ e.hollow ? ', hollow' : '' }}</span>
        </td>
        <td class="num"><Frac :text="e.long" /></td>
        <td class="num">{{ e.opens }}</td>
        <td>
          <PickOne
            :label="`How edge ${e.number} is made`"
            hide-label
            :choices="kinds"
            :model-value="e.kind ?? 'corner'"
            @update:model-value="(kind) => open.setSeam(e.a, e.b, { kind, over: undefined, gap: undefined, tabs: undefined })"
          />
          <ValueField
            v-if="e.kind === 'open'"
            :label="`Gap of edge ${e.number}`"
            :model-value="seam(e)?.gap ?? 0"
            :lengths="open.style.value"
            :wrong="open.fault(`/seams/${open.seamAt(e.a, e.b)}/gap`)"
            @update:model-value="(gap) => open.setSeam(e.a, e.b, { gap })"
          />
          <button
            v-if="e.kind && e.kind !== 'bend' && !seam(e)?.blend"
            type="button"
            class="press tight bare"
            @click="open.setSeam(e.a, e.b, { blend: open.doc.value!.thickness })"
          >
            Grind it round
          </button>
          <ValueField
            v-else-if="seam(e)?.blend"
            :label="`Edge ${e.number} ground round to`"
            :model-value="seam(e)?.blend ?? 0"
            :lengths="open.style.value"
            :wrong="open.fault(`/seams/${open.seamAt(e.a, e.b)}/blend`)"
            @update:model-value="(blend) => open.setSeam(e.a, e.b, { blend: blend || undefined })"
          />
          <PickOne
            v-if="e.kind === 'lap'"
            label="On top"
            :choices="ends(e)"
            :model-value="seam(e)?.over ?? ends(e)[0]?.value ?? ''"
            @update:model-value="(over) => open.setSeam(e.a, e.b, { over })"
          />
          <ValueField
            v-if="e.kind === 'lap'"
            :label="`Tabs in notches of edge ${e.number}`"
            kind="count"
            :model-value="seam(e)?.tabs ?? 0"
            :lengths="open.style.value"
            :wrong="open.fault(`/seams/${open.seamAt(e.a, e.b)}/tabs`)"
            @update:model-value="(tabs) => open.setSeam(e.a, e.b, { tabs: tabs || undefined })"
          />
        </td>
      </tr>
    </tbody>
  </TableFrame>
  <button v-if="joined.length > 24" type="button" class="press tight" @click="all = !all">
    {{ all ? 'Only the longest' : `All ${joined.length}` }}
  </button>
  <p v-if="free.length" class="soft small">
    Free edges:
    <template v-for="(e, i) in free.slice(0, 12)" :key="e.number">{{ i ? '; ' : '' }}{{ e.name }}, {{ e.long }}</template
    >{{ free.length > 12 ? ' …' : '' }}.
  </p>
</template>
