<script setup lang="ts">
// Every way to cut the blank side by side: what takes it, how true it comes out, what it brings.
import { computed, ref } from 'vue'
import { api, take, words } from '@/api/client'
import type { components } from '@/api/schema'
import { once } from '@/kit/once'
import TableFrame from '@/kit/TableFrame.vue'
import type { Bench } from './useBench'

const props = defineProps<{ bench: Bench }>()
const part = computed(() => props.bench.part.value!)
const routes = ref<components['schemas']['CutRoute'][]>()
const trouble = ref('')
const look = once(async () => {
  trouble.value = ''
  try {
    routes.value = (await take(api.POST('/api/v1/routes', { body: part.value.asked() }))).routes
  } catch (e) {
    trouble.value = words(e)
  }
})
function takeIt(process: string) {
  part.value.set('/process', process)
  routes.value = undefined
}
</script>

<template>
  <section class="routes">
    <h3>Ways to cut it</h3>
    <button v-if="!routes" type="button" class="press tight" @click="look">Set them side by side</button>
    <p v-if="trouble" class="wrong" role="alert">{{ trouble }}</p>
    <TableFrame v-if="routes" name="Ways to cut it">
      <thead>
        <tr>
          <th>way</th>
          <th>takes it</th>
          <th>true to</th>
          <th>kerf</th>
          <th>hole from</th>
          <th>cutting</th>
          <th></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="c in routes" :key="c.process" :class="{ on: c.now }" :data-route="c.process">
          <td>
            {{ c.name }}<span v-if="c.now" class="soft">, now</span>
            <span v-for="x in c.stops" :key="x" class="block small stop">{{ x }}</span>
            <span v-for="x in c.minds" :key="x" class="block small">{{ x }}</span>
          </td>
          <td :class="{ stop: !c.machine }">
            {{ c.machine || 'nothing there' }}<span v-if="c.usual" class="soft small">, the Shop names none</span>
          </td>
          <td class="num">± {{ c.within }}</td>
          <td class="num">{{ c.kerf }}</td>
          <td class="num">{{ c.hole }}<span v-if="c.own" class="soft small"> own</span></td>
          <td class="num">{{ c.outside ? 'outside' : c.minutes != null ? `${c.minutes.toFixed(1)} min` : '' }}</td>
          <td>
            <button v-if="!c.now && c.machine" type="button" class="press tight" @click="takeIt(c.process)">
              Take it<span class="hidden-label">, {{ c.name }}</span>
            </button>
          </td>
        </tr>
      </tbody>
    </TableFrame>
  </section>
</template>

<style scoped>
.routes {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.routes > [role='region'] {
  width: 100%;
}
.block {
  display: block;
}
.routes .press {
  white-space: nowrap;
}
.stop {
  color: var(--stop);
}
tr.on td {
  background: var(--ember-wash);
}
</style>
