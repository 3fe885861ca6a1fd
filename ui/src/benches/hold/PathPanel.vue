<script setup lang="ts">
// The load path: what pushes on what, case by case, with arrows and numbers.
import { computed, ref, watch } from 'vue'
import type { HoldingView } from '@/api/client'
import { useAmounts } from '@/kit/amounts'
import FlagList from '@/kit/FlagList.vue'
import PickOne from '@/kit/PickOne.vue'
import WhyButton from '@/kit/WhyButton.vue'
import WholeJob from '../WholeJob.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ path: HoldingView['holding']['path']; job: string }>()
const emit = defineEmits<{ joint: [id: string] }>()
const chosen = ref('')
watch(
  () => props.path,
  (p) => {
    if (!p.cases.includes(chosen.value)) chosen.value = p.cases[p.worst] ?? ''
  },
  { immediate: true },
)
const at = computed(() => Math.max(props.path.cases.indexOf(chosen.value), 0))
const { force: kn, mass } = useAmounts()
const words = (f: number[]) => {
  const said = (
    [
      [f[0]!, 'forward', 'rearward'],
      [f[1]!, 'left', 'right'],
      [f[2]!, 'up', 'down'],
    ] as const
  )
    .filter(([v]) => Math.abs(v) >= 5)
    .map(([v, plus, minus]) => `${kn(Math.abs(v))} ${v > 0 ? plus : minus}`)
  return said.join(', ') || 'nothing'
}
</script>

<template>
  <section class="stack" data-path-panel>
    <h1>Load path</h1>
    <p v-if="path.why" class="lead" role="status">{{ path.why }}</p>
    <template v-else>
      <div class="row top">
        <PickOne v-model="chosen" label="Case" :choices="path.cases.map((c) => ({ value: c, text: c }))" class="case" />
      </div>
      <WholeJob :job="job" show="hold" :at="at" @joint="(id) => emit('joint', id)" />
      <TableFrame name="Load path, step by step">
        <thead>
          <tr>
            <th scope="col">From</th>
            <th scope="col">on to</th>
            <th scope="col">through</th>
            <th scope="col" class="num">Force</th>
            <th scope="col">which way</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(l, i) in path.links" :key="i">
            <td>{{ l.from }}</td>
            <td>{{ l.onto }}</td>
            <td>
              <button type="button" class="press tight bare name" @click="emit('joint', l.joint)">{{ l.name }}</button>
              <span v-if="l.place" class="soft small"> {{ l.place }}</span>
            </td>
            <td class="num most">{{ kn(l.most[at]!) }}</td>
            <td>{{ words(l.forces[at]!) }}</td>
          </tr>
          <tr>
            <th scope="row" colspan="3">
              The vehicle gets, all together <WhyButton v-if="path.working" name="Load path" :working="path.working" />
            </th>
            <td class="num most">{{ kn(Math.hypot(...path.ground[at]!)) }}</td>
            <td>{{ words(path.ground[at]!) }}</td>
          </tr>
        </tbody>
      </TableFrame>
      <p class="small soft">
        In it:
        {{
          path.things
            .filter((t) => t.mass)
            .map((t) => `${t.name} ${mass(t.mass)}`)
            .join(', ')
        }}.
      </p>
    </template>
    <FlagList :findings="path.findings" firm />
  </section>
</template>

<style scoped>
.top {
  gap: 24px;
  align-items: end;
}
.case {
  min-width: 300px;
}
.most {
  font-weight: 680;
  white-space: nowrap;
}
.name {
  padding: 0;
  text-align: left;
  color: var(--ink);
}
.name + .soft {
  margin-left: 6px;
}
.lead {
  font-size: 1.1rem;
}
</style>
