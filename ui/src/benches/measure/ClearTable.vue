<script setup lang="ts">
// What keeps off what, the shortest first, with its place.
import { computed, ref } from 'vue'
import type { Surveyed } from '@/api/client'
import Frac from '@/kit/Frac.vue'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ list: Surveyed['clearances'] }>()
const all = ref(false)
const rows = computed(() => (all.value ? props.list : props.list.slice(0, 8)))
const word = (c: Surveyed['clearances'][number]) =>
  c.verdict === 'bad' ? (c.depth ? 'runs into it' : 'too near') : c.verdict === 'doubtful' ? 'look' : 'clear'
</script>

<template>
  <p v-if="!list.length" class="soft">Nothing is placed yet, or nothing is in its way.</p>
  <TableFrame v-else name="Clearances">
    <thead>
      <tr>
        <th>what</th>
        <th>keeps off</th>
        <th>least</th>
        <th>wanted</th>
        <th>state</th>
        <th>where</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(c, i) in rows" :key="i" :class="c.verdict" :data-clear="`${c.thing} | ${c.with}`" :data-verdict="c.verdict">
        <td>{{ c.thing }}</td>
        <td>{{ c.with }}</td>
        <td>
          <span class="num big"><Frac :text="c.depth ? `− ${c.depth}` : c.text" /></span> <strong>{{ word(c) }}</strong>
          <WhyButton v-if="c.working" :name="`clearance of ${c.thing} from ${c.with}`" :working="c.working" />
        </td>
        <td class="num"><Frac :text="c.need" /></td>
        <td>{{ c.state }}</td>
        <td class="small">
          {{ c.place.replace(/^, /, '') }}<br /><span class="soft">places known to ± {{ c.within }}</span>
          <template v-if="c.way"><br />{{ c.way }}</template>
        </td>
      </tr>
    </tbody>
  </TableFrame>
  <button v-if="list.length > 8" type="button" class="press tight" @click="all = !all">
    {{ all ? 'Only the shortest' : `All ${list.length}` }}
  </button>
</template>

<style scoped>
.big {
  font-size: 1.2rem;
}
.bad strong,
.bad .big {
  color: var(--stop);
}
.doubtful strong,
.doubtful .big {
  color: var(--mind);
}
.good strong {
  font-weight: 400;
}
</style>
