<script setup lang="ts">
// What the job takes as it stands: hours, what is used up, money.
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import type { components } from '@/api/schema'
import { wordOf } from '@/api/words'
import { api, take, words } from '@/api/client'
import TableFrame from '@/kit/TableFrame.vue'
import WhyButton from '@/kit/WhyButton.vue'

const props = defineProps<{ job: string }>()
const { data, error } = useQuery({
  queryKey: computed(() => ['effort', props.job]),
  queryFn: () => take(api.GET('/api/v1/jobs/{id}/effort', { params: { path: { id: props.job } } })),
})
const wide = ref(false)
const money = (v: number | undefined) => (v == null ? 'not known' : `${v.toFixed(2)} ${data.value?.currency ?? ''}`.trim())
type Use = components['schemas']['MachineUse']
const away = computed(() => data.value?.machines.filter((m) => m.where !== 'own') ?? [])
const lacks = computed(() => data.value?.machines.filter((m) => m.where === 'own' && m.lacks.length) ?? [])
const doing = (m: Use) => m.work.map((w) => `${wordOf('MachineWork', 'op', w.op)?.text} ${w.of.join(', ')}`).join('; ')
const sentence = (x: string) => x.charAt(0).toUpperCase() + x.slice(1) + (x.endsWith('.') ? '' : '.')
const lacking = computed(() => data.value?.usedUp.filter((u) => u.short) ?? [])
</script>

<template>
  <section v-if="data?.lines.length || error" class="effort">
    <h2>Hours and what is used up</h2>
    <p v-if="error" class="wrong" role="alert">{{ words(error) }}</p>
    <template v-if="data">
      <p class="figures">
        <span
          ><b class="num big">{{ data.hours }}</b> of work
          <WhyButton name="hours of the job" :working="data.working" />
        </span>
        <span v-if="data.days != null"
          ><b class="num big">{{ Math.ceil(data.days) }}</b> {{ Math.ceil(data.days) === 1 ? 'day' : 'days' }} of the people
          there</span
        >
        <span v-else class="soft">nobody’s hours a week are said in the <RouterLink to="/shop">Shop</RouterLink></span>
        <span
          >labour <b class="num">{{ money(data.labour) }}</b></span
        >
        <span
          >metal <b class="num">{{ money(data.metal) }}</b></span
        >
      </p>
      <p v-if="data.spoiled" class="soft">{{ data.spoiled }} are in it.</p>
      <p v-if="data.usual" class="soft">
        {{ data.usual === data.lines.length ? 'All' : data.usual }} of its rates
        {{ data.usual === 1 ? 'is a usual one' : 'are usual ones' }}: time your own and type them in the Shop.
      </p>
      <p v-if="data.unpriced.length" class="soft">No price by weight in the Shop: {{ data.unpriced.join(', ') }}.</p>
      <p v-if="data.outside.length" class="soft">
        Cut outside, so that no hour of cutting is counted: {{ data.outside.join(', ') }}.
      </p>
      <p v-if="lacking.length">
        <b>To have at hand:</b>{{ ' '
        }}<template v-for="(u, i) in lacking" :key="u.key"
          ><template v-if="i">; </template>{{ u.text }} {{ u.need }}<template v-if="u.lies">, {{ u.lies }} here</template
          ><template v-else>, none in stock under that name</template></template
        >.
      </p>
      <div v-if="away.length" class="away">
        <b>Made elsewhere, in one go each:</b>
        <p v-for="m in away" :key="m.name" :data-machine="m.name">
          {{ m.name }}, {{ wordOf('MachineUse', 'where', m.where)?.text }}<template v-if="m.of"> ({{ m.of }})</template>:
          {{ doing(m) }}.
          <span v-if="m.booked.length" class="soft">Booked {{ m.booked.join('; ') }}.</span>
          <span v-for="x in m.lacks" :key="x" class="short">{{ ' ' + sentence(x) }}</span>
        </p>
      </div>
      <p v-for="m in lacks" :key="m.name">
        {{ m.name }}: <span v-for="x in m.lacks" :key="x" class="short">{{ sentence(x) }}</span>
      </p>
      <button type="button" class="press tight" :aria-expanded="wide" @click="wide = !wide">
        {{ wide ? 'Close' : 'Work by work' }}
      </button>
      <div v-if="wide" class="tables">
        <TableFrame name="Work by work">
          <thead>
            <tr>
              <th>work</th>
              <th>how much</th>
              <th>each</th>
              <th>set up</th>
              <th>takes</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="l in data.works" :key="l.op" :data-work="l.op">
              <td>{{ l.text }}<span v-if="!l.own" class="soft small">, usual</span></td>
              <td class="num">{{ l.many }}</td>
              <td class="num">{{ l.each }}</td>
              <td class="num">{{ l.setUp }}</td>
              <td class="num">{{ l.takes }}</td>
            </tr>
          </tbody>
        </TableFrame>
        <TableFrame name="Machines">
          <thead>
            <tr>
              <th>machine</th>
              <th>stands</th>
              <th>for</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="m in data.machines" :key="m.id ?? m.name">
              <td>{{ m.name }}<span v-if="m.usual" class="soft small">, the Shop names none</span></td>
              <td>{{ wordOf('MachineUse', 'where', m.where)?.text }}</td>
              <td>{{ doing(m) }}</td>
            </tr>
          </tbody>
        </TableFrame>
        <TableFrame v-if="data.usedUp.length" name="What is used up">
          <thead>
            <tr>
              <th>used up</th>
              <th>about</th>
              <th>here</th>
              <th>by</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="u in data.usedUp" :key="u.key" :data-used="u.key">
              <td>{{ u.text }}</td>
              <td class="num">{{ u.need }}</td>
              <td class="num" :class="{ short: u.short }">{{ u.lies || 'none' }}</td>
              <td class="small soft">{{ u.says }}</td>
            </tr>
          </tbody>
        </TableFrame>
      </div>
    </template>
  </section>
</template>

<style scoped>
.effort {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  align-items: baseline;
}
.big {
  font-size: 1.3rem;
}
.tables {
  display: grid;
  gap: 16px;
  width: 100%;
}
.away p {
  margin-top: 2px;
}
.short {
  color: var(--mind);
  font-weight: 600;
}
</style>
