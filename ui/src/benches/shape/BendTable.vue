<script setup lang="ts">
import { computed } from 'vue'
import type { BendLine, BendStep } from '@/api/client'
import type { OpenPart } from './usePart'
import { useAmounts } from '@/kit/amounts'
import Frac from '@/kit/Frac.vue'
import WhyButton from '@/kit/WhyButton.vue'
import TableFrame from '@/kit/TableFrame.vue'

const props = defineProps<{
  inches: boolean
  bends: BendLine[]
  steps: (BendStep & { bare?: boolean })[]
  explain: OpenPart['explain']
}>()
const emit = defineEmits<{ choose: [id: string] }>()
/** In the order they are made. */
const rows = computed(() =>
  props.steps.flatMap((step) => {
    const line = props.bends.find((l) => l.id === step.id)
    return line ? [{ ...line, step }] : []
  }),
)
const schools = { coupon: 'coupon', table: 'chart', standard: 'DIN 6935', fixed: 'fixed' }
const { force } = useAmounts(() => props.inches)
</script>

<template>
  <p v-if="!bends.length" class="soft">No bend yet: tap an edge of the drawing and choose a flange.</p>
  <TableFrame v-else name="Bends in their order">
    <thead>
      <tr>
        <th scope="col">Step</th>
        <th scope="col">Bend</th>
        <th scope="col">Stop at</th>
        <th scope="col">Line at</th>
        <th scope="col">Turn</th>
        <th scope="col">Aim</th>
        <th scope="col">Inside R</th>
        <th scope="col">BA</th>
        <th scope="col">BD</th>
        <th scope="col">K</th>
        <th scope="col">Force</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="l in rows" :key="l.id">
        <td>
          <b class="num step">{{ l.step.order }}</b>
          <span class="under">{{ l.step.sideUp }} side up</span>
        </td>
        <th scope="row">
          <button type="button" class="press tight bare name" @click="emit('choose', l.id)">{{ l.name }}</button>
        </th>
        <td>
          <template v-if="!l.step.bare"
            ><Frac :text="l.step.stop.text" :lies="l.step.stop.lies" :off="l.step.stop.off" class="num" />
            <WhyButton :name="`stop of ${l.name}`" :working="() => explain({ what: 'stop', id: l.id })"
          /></template>
          <span class="under"
            >{{ l.step.stopAt }}<template v-if="l.step.note">; {{ l.step.note }}</template></span
          >
        </td>
        <td>
          <Frac :text="l.place.text" :lies="l.place.lies" :off="l.place.off" class="num" />
          <template v-for="axis in l.axis === 'slanted' ? (['x', 'y'] as const) : [l.axis]" :key="axis">
            <WhyButton
              :name="`bend line of ${l.name}${l.axis === 'slanted' ? (axis === 'x' ? ', from the left' : ', from the front') : ''}`"
              :working="() => explain({ what: 'bend', id: l.id, axis })"
            />
          </template>
          <span class="under">{{
            l.axis === 'slanted' ? 'from the left, from the front' : `from the ${l.axis === 'x' ? 'left' : 'front'}`
          }}</span>
        </td>
        <td>
          <span class="num">{{ l.up ? 'up' : 'down' }} {{ +l.angle.toFixed(2) }}°</span>
          <span class="under">opens to {{ +l.opens.toFixed(2) }}°</span>
        </td>
        <td>
          <template v-if="l.aim !== null"
            ><span class="num">{{ l.aim.toFixed(1) }}°</span>
            <WhyButton name="aim" :working="() => explain({ what: 'aim', id: l.id })"
          /></template>
          <span v-else>takes no set</span>
        </td>
        <td><Frac :text="l.radius.text" /></td>
        <td>
          <Frac :text="l.allowance.text" class="num" />
          <WhyButton :name="`bend allowance of ${l.name}`" :working="() => explain({ what: 'allowance', id: l.id })" />
        </td>
        <td><Frac :text="l.deduction.text" /></td>
        <td>
          {{ l.kFactor.toFixed(3) }} <span class="soft small">{{ schools[l.school] }}</span>
        </td>
        <td>
          <template v-if="l.force !== null"
            >{{ force(l.force) }} <WhyButton name="press force" :working="() => explain({ what: 'force', id: l.id })"
          /></template>
          <span v-else class="soft">by hand</span>
        </td>
      </tr>
    </tbody>
  </TableFrame>
</template>

<style scoped>
td {
  white-space: nowrap;
}
.step {
  font-size: 1.2rem;
}
.under {
  display: block;
  font-size: 0.85rem;
  color: var(--ink-soft);
}
.name {
  padding: 0;
  color: var(--ink);
  text-align: left;
}
</style>
