<script setup lang="ts">
import { computed } from 'vue'
import type { Working } from '@/api/client'
import { wordOf } from '@/api/words'
import type { Style } from '@/kit/readLength'
import WhyButton from '@/kit/WhyButton.vue'
import Shown from './Shown.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{ answer: Record<string, unknown>; lengths: Style }>()
type Row = {
  school: string
  kFactor: number | null
  bendAllowance: number | null
  bendDeduction: number | null
  flat: number | null
  why?: string
  working: Working | null
}
const rows = computed(() => (props.answer.schools as Row[] | undefined) ?? [])
const name = (school: string) => wordOf('Rule', 'school', school)?.text
</script>

<template>
  <TableFrame name="Schools side by side">
    <thead>
      <tr>
        <th scope="col">School</th>
        <th scope="col">Flat</th>
        <th scope="col">K</th>
        <th scope="col">BA</th>
        <th scope="col">BD</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="r in rows" :key="r.school">
        <th scope="row">{{ name(r.school) }}</th>
        <template v-if="r.working">
          <td class="num lead">
            <Shown :value="r.flat" kind="length" :lengths="lengths" />
            <WhyButton :name="`${name(r.school)} flat length`" :working="r.working" />
          </td>
          <td>{{ r.kFactor?.toFixed(3) }}</td>
          <td><Shown :value="r.bendAllowance" kind="fine" :lengths="lengths" /></td>
          <td><Shown :value="r.bendDeduction" kind="fine" :lengths="lengths" /></td>
        </template>
        <td v-else colspan="4" class="soft">{{ r.why }}</td>
      </tr>
    </tbody>
  </TableFrame>
</template>

<style scoped>
.lead {
  font-size: 1.25rem;
}
</style>
