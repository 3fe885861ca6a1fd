<script setup lang="ts">
// Everything of the job with a mass, together: sum, centre of gravity, lifts,
// and how a trailer balances.
import { useAmounts } from '@/kit/amounts'
import { useQuery } from '@tanstack/vue-query'
import { api, take, words } from '@/api/client'
import VerdictLine from '@/kit/VerdictLine.vue'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const { mass } = useAmounts()
const props = defineProps<{ job: string }>()
const { data, error } = useQuery({
  queryKey: ['holding', 'assembly', () => props.job],
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/assembly', { params: { path: { id: props.job } } })),
})
const kinds = { part: 'folded part', frame: 'frame', body: 'body of panels', device: 'device' }
</script>

<template>
  <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
  <section v-else-if="data" class="all">
    <header>
      <h1>Mass and balance</h1>
      <p v-if="!data.items.length" class="soft">Nothing has a mass yet: shape a part, start a frame or say what is carried.</p>
      <p v-else class="sum">
        <b class="num">{{ data.total }}</b> all together
      </p>
      <p v-if="data.gravity">
        Centre of gravity of what has a place: <b class="num">{{ data.gravity }}</b>
        <WhyButton v-if="data.working" name="mass and centre of gravity" :working="data.working" />
      </p>
    </header>
    <div v-for="c in data.checks" :key="c.key" class="check">
      <span>{{ c.name }}</span>
      <VerdictLine :utilisation="c.utilisation" :verdict="c.verdict" :label="c.name" />
      <span class="small soft">
        {{ mass(c.demand, 1) }} of {{ mass(c.capacity, 0) }}<WhyButton v-if="c.working" :name="c.name" :working="c.working" />
      </span>
    </div>
    <div v-if="data.trailer" class="trailer">
      <h2>Trailer</h2>
      <p v-if="data.trailer.why">{{ data.trailer.why }}</p>
      <template v-else>
        <p class="sum">
          <b class="num">{{ data.trailer.nose }}</b> on the coupling,
          <b class="num">{{ data.trailer.nosePercent.toFixed(1) }} %</b>; <b class="num">{{ data.trailer.axle }}</b> on the axle
          <WhyButton name="the trailer's balance" :working="data.trailer.working" />
        </p>
      </template>
      <p v-for="x in data.trailer.axles" :key="x.school" class="small">
        For {{ x.school }} on the nose the axle lies <b class="num">{{ x.text }}</b> behind the coupling.
      </p>
      <p v-for="f in data.findings" :key="f.reason" class="said" :class="f.severity">{{ f.reason }}</p>
      <p class="small soft">
        How far it turns before something touches, and what packs it level:
        <RouterLink to="/quick/tow">Quick numbers, on tow</RouterLink>.
      </p>
    </div>
    <TableFrame v-if="data.items.length" name="What it is made of">
      <thead>
        <tr>
          <th>what</th>
          <th>kind</th>
          <th>mass</th>
          <th>centre of gravity</th>
          <th>lift</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(i, k) in data.items" :key="k">
          <td>{{ i.name }}</td>
          <td class="soft">{{ kinds[i.kind] }}</td>
          <td class="num">{{ i.text }}</td>
          <td class="small">{{ i.where || i.why }}</td>
          <td class="small" :class="{ heavy: i.lift }">{{ i.lift || (i.people === 1 ? 'one' : '') }}</td>
        </tr>
      </tbody>
    </TableFrame>
    <p class="small soft">
      Parts and devices get their place under
      <RouterLink :to="`/jobs/${job}/measure/room`">Room and placing</RouterLink>; a frame that is not placed there stands in the
      vehicle's own axes. What is not known counts as nothing.
    </p>
  </section>
  <p v-else class="soft">Adding up.</p>
</template>

<style scoped>
.all {
  display: grid;
  min-width: 0;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
}
.sum {
  font-size: 1.15rem;
}
.sum b:first-child {
  font-size: 1.6rem;
}
.check {
  display: grid;
  grid-template-columns: minmax(160px, 1fr) minmax(0, 2fr) auto;
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid var(--rule);
  padding: 6px 0;
}
@media (max-width: 700px) {
  .check {
    grid-template-columns: minmax(0, 1fr);
  }
}
.trailer {
  display: grid;
  gap: 6px;
}
.said.mind {
  border-left: 4px solid var(--mind);
  padding-left: 10px;
}
.said.stop {
  border-left: 4px solid var(--stop);
  padding-left: 10px;
  color: var(--stop);
}
.heavy {
  color: var(--mind);
  font-weight: 600;
}
</style>
