<script setup lang="ts">
// What work takes here, kind by kind: usual minutes until the shop's own are typed. The hours
// of jobs are worked out with them.
import { computed } from 'vue'
import type { components } from '@/api/schema'
import TableFrame from '@/kit/TableFrame.vue'
import ValueField from '@/kit/ValueField.vue'
import type { OpenShop } from './useShop'

const props = defineProps<{ open: OpenShop }>()
type Rate = components['schemas']['Rate']
const own = computed(() => props.open.shop.value?.rates ?? [])
const at = (op: string) => own.value.findIndex((r) => r.op === op)
const usual = computed(() => props.open.rates.value)
const foot = 0.3048
/** How much of a unit one foot's worth is: rates are kept by the metre. */
const by = (unit: string) => (!props.open.inch.value ? 1 : unit === 'm' ? foot : unit === 'm²' ? foot * foot : 1)
const called = (unit: string) => (props.open.inch.value && unit.startsWith('m') ? unit.replace('m', 'ft') : unit)
const fine = (v: number) => Math.round(v * 1e4) / 1e4
function say(u: { op: Rate['op']; each: number; setUp: number }, more: Partial<Rate>) {
  const i = at(u.op)
  const next = { op: u.op, each: u.each, setUp: u.setUp, ...own.value[i], ...more }
  props.open.set('/rates', i < 0 ? [...own.value, next] : own.value.map((r, k) => (k === i ? next : r)))
}
const forget = (op: string) =>
  props.open.set(
    '/rates',
    own.value.filter((r) => r.op !== op),
  )
const fault = (op: string, key: string) => props.open.faults.value[`/rates/${at(op)}/${key}`]
</script>

<template>
  <ValueField
    class="hour"
    label="An hour of work costs"
    kind="number"
    optional
    :model-value="open.shop.value?.hour ?? null"
    :lengths="open.style.value"
    :wrong="open.faults.value['/hour']"
    @update:model-value="(v) => open.set('/hour', v)"
    @clear="open.set('/hour', undefined)"
  />
  <ValueField
    class="hour"
    label="Made again, of a hundred"
    kind="number"
    optional
    :model-value="open.shop.value?.again ?? null"
    :lengths="open.style.value"
    :wrong="open.faults.value['/again']"
    @update:model-value="(v) => open.set('/again', v)"
    @clear="open.set('/again', undefined)"
  />
  <TableFrame name="Rates of work">
    <thead>
      <tr>
        <th>work</th>
        <th>minutes each</th>
        <th>set up, minutes</th>
        <th></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="u in usual" :key="u.op" :data-rate="u.op">
        <td>
          {{ u.text }}<span class="soft">, {{ called(u.unit) }}</span>
        </td>
        <td>
          <ValueField
            :label="`Minutes each, ${u.text}`"
            hide-label
            kind="number"
            :model-value="fine((own[at(u.op)]?.each ?? u.each) * by(u.unit))"
            :lengths="open.style.value"
            :wrong="fault(u.op, 'each')"
            @update:model-value="(v) => say(u, { each: v / by(u.unit) })"
          />
        </td>
        <td>
          <ValueField
            :label="`Setting up, ${u.text}`"
            hide-label
            kind="number"
            :model-value="own[at(u.op)]?.setUp ?? u.setUp"
            :lengths="open.style.value"
            :wrong="fault(u.op, 'setUp')"
            @update:model-value="(v) => say(u, { setUp: v })"
          />
        </td>
        <td>
          <span v-if="at(u.op) < 0" class="soft">usual</span>
          <button v-else type="button" class="press tight bare" @click="forget(u.op)">
            back to usual<span class="hidden-label"> of {{ u.text }}</span>
          </button>
        </td>
      </tr>
    </tbody>
  </TableFrame>
</template>

<style scoped>
.hour {
  max-width: 220px;
}
</style>
