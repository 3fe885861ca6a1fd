<script setup lang="ts">
// What this job keeps of the shop's stock, and what there would serve its blanks.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import { queryClient, refreshJobs } from '@/api/queries'
import { moveGoods } from '@/shop/useGoods'

const props = defineProps<{ job: string }>()
const { data, error } = useQuery({
  queryKey: computed(() => ['job-goods', props.job]),
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/goods', { params: { path: { id: props.job } } })),
})
const line = (id: string) => data.value?.lines.find((l) => l.id === id)
const kept = (id: string) => data.value?.kept.find((k) => k.line === id)?.count ?? 0
const trouble = ref('')
/** Bins and remnants typed here go where every job sees them. */
async function over() {
  trouble.value = ''
  try {
    await take(api.POST('/api/v1/jobs/{id}/goods/move-over', { params: { path: { id: props.job } } }))
    for (const key of ['job-goods', 'goods', 'job', 'frames', 'holding']) void queryClient.invalidateQueries({ queryKey: [key] })
    refreshJobs()
  } catch (e) {
    trouble.value = words(e)
  }
}
async function move(id: string, kind: 'kept' | 'freed' | 'taken', count: number) {
  trouble.value = ''
  try {
    await moveGoods(id, { kind, count, job: props.job })
  } catch (e) {
    trouble.value = words(e)
  }
}
</script>

<template>
  <section class="from">
    <h2>From stock</h2>
    <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <template v-if="data">
      <ul v-if="data.kept.length" aria-label="Kept for this job">
        <li v-for="k in data.kept" :key="k.line" :data-kept="k.line">
          <span class="what"
            >Kept: <b>{{ k.count }} × {{ line(k.line)?.called }}</b
            ><span v-if="line(k.line)?.place" class="soft"> · {{ line(k.line)!.place }}</span></span
          >
          <button type="button" class="press tight" @click="move(k.line, 'taken', k.count)">Taken: used up</button>
          <button type="button" class="press tight" @click="move(k.line, 'freed', k.count)">Give it back</button>
        </li>
      </ul>
      <p v-if="data.typed.bolts + data.typed.sticks" class="row over">
        <span
          >{{
            [
              data.typed.bolts ? `${data.typed.bolts} lengths of bolts` : '',
              data.typed.sticks ? `${data.typed.sticks} pieces of sticks` : '',
            ]
              .filter(Boolean)
              .join(' and ')
          }}
          stand in this job alone.</span
        >
        <button type="button" class="press tight" @click="over">Move them to the shop</button>
      </p>
      <p v-if="data.none" class="soft">
        No sheet is entered in the stock yet.
        <RouterLink to="/shop/stock" class="press tight bare">Enter what lies there</RouterLink>
      </p>
      <ul v-else aria-label="Blanks and what serves them">
        <li v-for="(b, i) in data.blanks" :key="i" :data-blank="b.name">
          <span class="what"
            ><b>{{ b.name }}{{ b.hand ? `, ${b.hand} hand` : '' }}</b
            ><span class="soft"> · {{ b.quantity }} × {{ b.size }}, {{ b.sheet }}</span></span
          >
          <span v-if="b.why" class="soft">{{ b.why }}</span>
          <span v-else-if="!b.choices.length" class="soft">nothing there takes it: buy a sheet</span>
          <span v-for="c in b.choices" :key="c.line" class="choice">
            {{ line(c.line)?.called
            }}<span class="soft"
              ><template v-if="c.turned">, turned {{ +c.turned.toFixed(1) }}°</template>,
              {{ c.free > 0 ? `${+c.free.toFixed(3)} free` : kept(c.line) ? 'kept for this job' : 'kept for others' }}</span
            >
            <button v-if="c.free > 0" type="button" class="press tight" @click="move(c.line, 'kept', 1)">Keep one</button>
          </span>
        </li>
      </ul>
      <p class="soft small">
        Each blank is looked at by itself, one on a sheet: several on one come from the cutting plan. A place on a remnant that is
        not found may still exist.
      </p>
    </template>
  </section>
</template>

<style scoped>
.from {
  display: grid;
  gap: 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: baseline;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
.what {
  flex: 1 1 280px;
}
.over {
  flex-wrap: wrap;
}
.choice {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: baseline;
  flex-basis: 100%;
  padding-left: 16px;
}
</style>
