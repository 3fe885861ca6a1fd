<script setup lang="ts">
// What the changes made here since the page was opened have done to the jobs' parts.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, take } from '@/api/client'

const props = defineProps<{ since: number; now: number }>()
const { data, isFetching } = useQuery({
  queryKey: ['shop-effects', () => props.since, () => props.now],
  queryFn: ({ signal }) => take(api.POST('/api/v1/shop/effects', { body: { revision: props.since }, signal })),
  enabled: () => props.now !== props.since,
})
const jobs = computed(() => (props.now === props.since ? [] : (data.value?.jobs ?? [])))
</script>

<template>
  <div role="status" class="effects">
    <p v-if="now === since" class="soft">Nothing was changed here yet.</p>
    <p v-else-if="isFetching && !data" class="soft">The parts of all jobs are looked at …</p>
    <p v-else-if="!jobs.length" class="soft">Of no part of any job is anything else said.</p>
    <div v-for="j in jobs" :key="j.job">
      <h3>{{ j.name }}</h3>
      <ul>
        <li v-for="p in j.parts" :key="p.part" :data-moved="p.name">
          <RouterLink :to="p.joint ? `/jobs/${j.job}/hold` : `/jobs/${j.job}/shape/${p.frame ? 'frame/' : ''}${p.part}`">{{
            p.name
          }}</RouterLink>
          <p v-if="p.blank">{{ p.blank }}</p>
          <p v-for="f in p.new" :key="f.code + f.feature" :class="f.severity">{{ f.severity }}: {{ f.reason }}</p>
          <p v-for="f in p.gone" :key="f.code + f.feature" class="soft">Not any more: {{ f.reason }}</p>
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.effects,
.effects ul {
  display: grid;
  gap: 10px;
}
.effects ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.effects li p {
  margin: 2px 0 0;
}
.stop {
  color: var(--stop);
}
</style>
